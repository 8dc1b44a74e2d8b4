using System.Globalization;
using BenchmarkDotNet.Running;
using KeepTally.Bench;

CultureInfo.CurrentCulture = CultureInfo.InvariantCulture;
if (args is ["--bare", var port, var folder])
{
    await BareServer.RunAsync(int.Parse(port, CultureInfo.InvariantCulture), folder);
    return 0;
}

if (args is ["--filter", ..])
{
    BenchmarkSwitcher.FromAssembly(typeof(FoldBenchmark).Assembly).Run(args);
    return 0;
}

if (args is ["mutants", .. var asked])
{
    // mutants [rooms] [how many of each] [seed]: an hour for all, so only where it is named.
    int[] numbers =
    [
        .. asked.Where(each => char.IsAsciiDigit(each[0])).Select(each => int.Parse(each, CultureInfo.InvariantCulture)),
    ];
    string[] rooms = [.. asked.Where(each => !char.IsAsciiDigit(each[0]))];
    var alive = 0;
    foreach (var figure in MutationFigures.Of(rooms, numbers is [var many, ..] ? many : 20, numbers is [_, var seed] ? seed : 1))
    {
        alive += figure.Holds == false ? 1 : 0;
        Console.WriteLine($"{figure.What, -58}{figure.Value, 10:0.#} {figure.Unit}   bar {figure.Most:0} %");
    }

    return alive;
}

// All of it, or those parts that are named: core, fit, fuzz, server, busy, kill, browser, wake; and soak, which takes ten minutes, only by name.
var missed = 0;
bool Asked(string part) => args.Length == 0 || args.Contains(part);
void Print(Figure figure)
{
    missed += figure.Holds == false ? 1 : 0;
    Console.WriteLine(
        $"{figure.What, -58}{figure.Value, 10:0.###} {figure.Unit, -12}"
            + $"{(figure.Ratio is { } ratio ? $"{ratio:0.00} × {figure.Beside}" : ""), -18}"
            + $"{(figure.Most is { } most ? $"bar {most:0.##}{(figure.OfRatio ? " ×" : "")}" : ""), -12}"
            + (figure.Holds is { } holds ? (holds ? "holds" : "MISSED") : "")
    );
}

await MeasureAsync("core", CoreFigures.All().Concat(PlanFigures.All()).ToAsyncEnumerable);
await MeasureAsync("fit", SimulationFigures.All().ToAsyncEnumerable);
await MeasureAsync("fuzz", FuzzFigures.All().ToAsyncEnumerable);
await MeasureAsync("server", ServerFigures.AllAsync);
await MeasureAsync("busy", BusyFigures.AllAsync);
await MeasureAsync("kill", KillFigures.AllAsync);
if (args.Contains("soak"))
{
    // Ten minutes: only where it is named.
    await MeasureAsync("soak", SoakFigures.AllAsync);
}

await MeasureAsync("browser", BrowserFigures.All().ToAsyncEnumerable);
await MeasureAsync("wake", WakeFigures.All().ToAsyncEnumerable);
return missed;

// A part that lacks something says so, and the others are measured all the same.
async Task MeasureAsync(string part, Func<IAsyncEnumerable<Figure>> figures)
{
    if (!Asked(part))
    {
        return;
    }

    try
    {
        await foreach (var figure in figures())
        {
            Print(figure);
        }
    }
    catch (MissingPart missing)
    {
        missed++;
        Console.Error.WriteLine($"{part}: not measured. {missing.Message}");
    }
}
