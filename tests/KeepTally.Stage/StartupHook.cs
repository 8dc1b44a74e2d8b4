using KeepTally.Web.Hosting;

/// <summary>
/// Runs one application after another in one process, so that the tests in a browser need not warm up each of their own.
/// The runtime calls it before the program's own beginning where DOTNET_STARTUP_HOOKS names it, and it never goes on to that.
/// A line in starts an application with these arguments, divided by tabs; an empty line stops it. A line out says that it has ended, and how.
/// </summary>
/// <remarks>The runtime wants this name, and no namespace ("Host startup hook" in the runtime's design documents).</remarks>
internal static class StartupHook
{
    public static void Initialize()
    {
        RunAsync().GetAwaiter().GetResult();
        Environment.Exit(0);
    }

    private static async Task RunAsync()
    {
        while (await Console.In.ReadLineAsync() is { } arguments)
        {
            using var stopping = new CancellationTokenSource();
            var running = Task.Run(() => Application.RunAsync(arguments.Split('\t'), stopping.Token));
            await Console.In.ReadLineAsync();
            await stopping.CancelAsync();
            Console.WriteLine($"Ended: {await running}");
        }
    }
}
