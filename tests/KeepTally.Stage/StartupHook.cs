using System.Globalization;
using System.Reflection;
using System.Runtime.Loader;
using KeepTally.Web.Hosting;

/// <summary>
/// Runs the application for the tests in a browser: one after another in one process, so that they need not warm up each of their own,
/// or a single one that can be killed. The runtime calls it before the program's own beginning where DOTNET_STARTUP_HOOKS names it,
/// and it never goes on to that. Its clock is shifted by KEEP_TALLY_SHIFT milliseconds, so that no day ends while tests run.
/// With KEEP_TALLY_ARGUMENTS (divided by tabs) it runs that one application. Otherwise a line in starts an application: the
/// core of its pages (<see cref="NativeCore.Core"/>), then its arguments; an empty line stops it. A line out says that it
/// has ended, and how. With KEEP_TALLY_SPEED its time runs so many times
/// as fast, and a file named by KEEP_TALLY_STEP holds the milliseconds by which the clock was set meanwhile.
/// </summary>
/// <remarks>The runtime wants this name, and no namespace ("Host startup hook" in the runtime's design documents).</remarks>
internal static class StartupHook
{
    public static void Initialize()
    {
        AssemblyLoadContext.Default.Resolving += Beside;
        var only = Environment.GetEnvironmentVariable("KEEP_TALLY_ARGUMENTS");
        var code = only is null ? ManyAsync() : Application.RunAsync(only.Split('\t'), Clock());
        Environment.Exit(code.GetAwaiter().GetResult());
    }

    /// <summary>What the application itself does not need lies beside this.</summary>
    private static Assembly? Beside(AssemblyLoadContext context, AssemblyName name)
    {
        var file = Path.Combine(Path.GetDirectoryName(typeof(StartupHook).Assembly.Location)!, $"{name.Name}.dll");
        return File.Exists(file) ? context.LoadFromAssemblyPath(file) : null;
    }

    private static async Task<int> ManyAsync()
    {
        while (await Console.In.ReadLineAsync() is { } arguments)
        {
            using var stopping = new CancellationTokenSource();
            var (core, args) = (arguments.Split('\t')[0], arguments.Split('\t')[1..]);
            NativeCore.Core = core;
            var running = Task.Run(() => Application.RunAsync(args, Clock(), stopping.Token));
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
