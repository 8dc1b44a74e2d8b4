using System.Runtime.CompilerServices;

namespace KeepTally.Web.Tests.Operating;

/// <summary>An application that has stopped leaves nothing behind: after a restore it starts anew in the same process.</summary>
public sealed class StoppedApplicationTests
{
    [Fact]
    public async Task What_has_stopped_is_not_kept_in_memory()
    {
        var services = await RunAsync();
        for (var tries = 0; services.IsAlive && tries < 50; tries++)
        {
            GC.Collect();
            GC.WaitForPendingFinalizers();
            await Task.Delay(20, TestContext.Current.CancellationToken);
        }

        Assert.False(services.IsAlive);
    }

    [MethodImpl(MethodImplOptions.NoInlining)]
    private static async Task<WeakReference> RunAsync()
    {
        var home = new Installation();
        await home.InitializeAsync();
        await home.Visit().OpenAsync("/squad");
        await home.BegunAsync();
        var services = new WeakReference(home.Services);
        await home.DisposeAsync();
        return services;
    }
}
