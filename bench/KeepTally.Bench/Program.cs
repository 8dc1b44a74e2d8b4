using BenchmarkDotNet.Running;

BenchmarkSwitcher.FromAssembly(typeof(KeepTally.Bench.FoldBenchmark).Assembly).Run(args);
