using System.Diagnostics;
using System.Text.Json;

namespace KeepTally.Bench;

/// <summary>Runs a script of <c>bench/browser</c>, which drives a browser and prints one JSON line.</summary>
internal static class BrowserScript
{
    /// <param name="name">The name of its file.</param>
    /// <exception cref="MissingPart">What it needs is not there, or it did not end well.</exception>
    internal static JsonDocument Run(string name)
    {
        MissingPart.Need("artifacts/web/KeepTally.Web.dll", "publish it with ./check or ./demo.");
        MissingPart.Need("tests/e2e/node_modules/@playwright/test", "run npm ci in tests/e2e, or ./check.");
        MissingPart.Need(
            "tests/KeepTally.Stage/bin/Release/net10.0/KeepTally.Stage.dll",
            "run ./check, or build the solution with -c Release."
        );
        using var node = Process.Start(
            new ProcessStartInfo("node", [Path.Combine(Server.Root(), "bench/browser", name)]) { RedirectStandardOutput = true }
        )!;
        var printed = node.StandardOutput.ReadToEnd();
        node.WaitForExit();
        return node.ExitCode == 0
            ? JsonDocument.Parse(printed)
            : throw new MissingPart($"bench/browser/{name} did not end well; it says above why.");
    }
}
