using System.Globalization;
using KeepTally.Web.Hosting;

/// <summary>
/// Runs the application for the tests in a browser: one after another in one process, so that they need not warm up each of their own,
/// or a single one that can be killed. The runtime calls it before the program's own beginning where DOTNET_STARTUP_HOOKS names it,
/// and it never goes on to that. Its clock is shifted by KEEP_TALLY_SHIFT milliseconds, so that no day ends while tests run.
/// With KEEP_TALLY_ARGUMENTS (divided by tabs) it runs that one application. Otherwise a line in starts an application with these
/// arguments; an empty line stops it. A line out says that it has ended, and how. With KEEP_TALLY_SPEED its time runs so many times
/// as fast, and a file named by KEEP_TALLY_STEP holds the milliseconds by which the clock was set meanwhile.
/// </summary>
/// <remarks>The runtime wants this name, and no namespace ("Host startup hook" in the runtime's design documents).</remarks>
internal static class StartupHook
{
    public static void Initialize()
    {
        var only = Environment.GetEnvironmentVariable("KEEP_TALLY_ARGUMENTS");
        var code = only is null ? ManyAsync() : Application.RunAsync(only.Split('\t'), Clock());
        Environment.Exit(code.GetAwaiter().GetResult());
    }

    private static async Task<int> ManyAsync()
    {
        while (await Console.In.ReadLineAsync() is { } arguments)
        {
            using var stopping = new CancellationTokenSource();
            var running = Task.Run(() => Application.RunAsync(arguments.Split('\t'), Clock(), stopping.Token));
            await Console.In.ReadLineAsync();
            await stopping.CancelAsync();
            Console.WriteLine($"Ended: {await running}");
        }

        return 0;
    }

    private static ShiftedClock Clock() =>
        new(
            long.Parse(Environment.GetEnvironmentVariable("KEEP_TALLY_SHIFT") ?? "0", CultureInfo.InvariantCulture),
            int.Parse(Environment.GetEnvironmentVariable("KEEP_TALLY_SPEED") ?? "1", CultureInfo.InvariantCulture),
            Environment.GetEnvironmentVariable("KEEP_TALLY_SINCE") is { } since
                ? long.Parse(since, CultureInfo.InvariantCulture)
                : null,
            Environment.GetEnvironmentVariable("KEEP_TALLY_STEP")
        );
}
