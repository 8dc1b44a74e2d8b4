using System.Globalization;
using BenchmarkDotNet.Running;
using KeepTally.Bench;

if (args.Length > 0)
{
    BenchmarkSwitcher.FromAssembly(typeof(FoldBenchmark).Assembly).Run(args);
    return 0;
}

CultureInfo.CurrentCulture = CultureInfo.InvariantCulture;
var missed = 0;
foreach (var figure in CoreFigures.All())
{
    missed += figure.Holds == false ? 1 : 0;
    Console.WriteLine(
        $"{figure.What, -44}{figure.Value, 10:0.###} {figure.Unit, -12}"
            + $"{(figure.Ratio is { } ratio ? $"{ratio:0.00} × {figure.Beside}" : ""), -20}"
            + $"{(figure.Most is { } most ? $"bar {most:0.##}{(figure.OfRatio ? " ×" : "")}" : ""), -12}"
            + (figure.Holds is { } holds ? (holds ? "holds" : "MISSED") : "")
    );
}

return missed;
