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

// All of it, or those parts that are named: core, fit, server, kill, browser.
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

if (Asked("core"))
{
    foreach (var figure in CoreFigures.All().Concat(PlanFigures.All()))
    {
        Print(figure);
    }
}

if (Asked("fit"))
{
    foreach (var figure in FitFigures.All())
    {
        Print(figure);
    }
}

if (Asked("server"))
{
    await foreach (var figure in ServerFigures.AllAsync())
    {
        Print(figure);
    }
}

if (Asked("kill"))
{
    await foreach (var figure in KillFigures.AllAsync())
    {
        Print(figure);
    }
}

if (Asked("browser"))
{
    foreach (var figure in BrowserFigures.All())
    {
        Print(figure);
    }
}

return missed;
