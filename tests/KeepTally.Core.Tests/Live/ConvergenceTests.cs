namespace KeepTally.Core.Tests.Live;

/// <summary>The core promise: any devices that hold the same events show the same sheet.</summary>
public sealed class ConvergenceTests
{
    /// <summary>Some hundreds here; a soak plays as many as HISTORIES says.</summary>
    private static int Histories { get; } =
        int.TryParse(Environment.GetEnvironmentVariable("HISTORIES"), out var many) ? many : 500;

    [Fact]
    public void Whatever_the_gym_does_every_device_the_server_and_a_replay_show_the_same_sheet()
    {
        var wrong = Enumerable.Range(0, Histories).SelectMany(Convergence.Play).Take(5).ToArray();

        Assert.Empty(wrong);
    }
}
