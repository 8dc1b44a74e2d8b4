using System.Diagnostics;

namespace KeepTally.Cli.Tests;

/// <summary>Runs the command as a user does, in a process of its own.</summary>
internal static class Tally
{
    internal static (int Exit, string Out, string Error) Run(params string[] args)
    {
        var start = new ProcessStartInfo(
            Environment.ProcessPath is { } host && Path.GetFileName(host) == "dotnet" ? host : "dotnet"
        )
        {
            RedirectStandardOutput = true,
            RedirectStandardError = true,
            WorkingDirectory = Path.Combine(AppContext.BaseDirectory, "cases"),
        };
        start.ArgumentList.Add(Path.Combine(AppContext.BaseDirectory, "tally.dll"));
        foreach (var arg in args)
        {
            start.ArgumentList.Add(arg);
        }

        using var process = Process.Start(start)!;
        var error = process.StandardError.ReadToEndAsync();
        var output = process.StandardOutput.ReadToEnd();
        process.WaitForExit();
        return (process.ExitCode, output, error.Result);
    }
}
