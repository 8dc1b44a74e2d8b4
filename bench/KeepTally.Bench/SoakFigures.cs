using System.Diagnostics;
using System.Globalization;

namespace KeepTally.Bench;

/// <summary>
/// An evening of a busy hall in ten minutes: twelve practices, forty devices whose network fails now and then, a server that is
/// killed, a clock that is set twice, a disk that is full once. In the end every acknowledged tap stands on record once, every
/// device reads the same record, and a fresh replay of it is what is stored.
/// </summary>
internal static class SoakFigures
{
    private const int Practices = 12;
    private const int Devices = 40;
    private const int Speed = 9;
    private const int DiskBytes = 96 << 20;

    /// <summary>A stretch at the end without kills, in which memory is watched.</summary>
    private static readonly TimeSpan Calm = TimeSpan.FromMinutes(2);

    private static readonly TimeSpan Evening = TimeSpan.FromMinutes(10);

    internal static async IAsyncEnumerable<Figure> AllAsync()
    {
        using var disk = SmallDisk.Mount(DiskBytes);
        var step = Path.Combine(Path.GetTempPath(), $"keep-tally-step-{Environment.ProcessId}");
        await using var server = await Server.StartAsync(
            disk.Path,
            new Dictionary<string, string>
            {
                ["KEEP_TALLY_SPEED"] = $"{Speed}",
                ["KEEP_TALLY_SINCE"] = $"{DateTimeOffset.UtcNow.ToUnixTimeMilliseconds()}",
                ["KEEP_TALLY_STEP"] = step,
            }
        );
        var sheets = new List<(int Practice, string Sheet, long Origin)> { await server.BeginAsync() };
        while (sheets.Count < Practices)
        {
            sheets.Add(await server.BeginAnotherAsync());
        }

        var hall = new Hall(server, Speed);
        await hall.MeasureClockAsync();
        var devices = Enumerable.Range(0, Devices).Select(n => new SoakDevice(hall, $"s{n}", sheets[n % Practices], n)).ToArray();
        using var over = new CancellationTokenSource();
        var playing = devices.Select(device => device.PlayAsync(over.Token)).ToArray();
        var draw = new Random(1);
        var (kills, began) = (0, Stopwatch.StartNew());
        var steps = new Queue<(TimeSpan At, long By)>([(Evening * 0.3, 3_600_000), (Evening * 0.5, -1_800_000)]);
        var isFull = false;
        while (began.Elapsed < Evening - Calm)
        {
            await Task.Delay(TimeSpan.FromSeconds(draw.Next(10, 30)));
            if (steps.TryPeek(out var next) && began.Elapsed > next.At)
            {
                steps.Dequeue();
                await File.WriteAllTextAsync(step, next.By.ToString(CultureInfo.InvariantCulture));
            }
            else if (!isFull && began.Elapsed > Evening * 0.4)
            {
                isFull = true;
                disk.Fill();
                await Task.Delay(TimeSpan.FromSeconds(10));
                disk.Free();
            }
            else
            {
                await server.KillAndRestartAsync();
                kills++;
            }

            await hall.MeasureClockAsync();
        }

        await Task.Delay(Calm * 0.25);
        var early = server.Memory;
        await Task.Delay(Calm * 0.75);
        var late = server.Memory;
        await over.CancelAsync();
        await Task.WhenAll(playing);
        foreach (var device in devices)
        {
            await device.SendRestAsync();
        }

        var (lost, doubled, differ) = (0, 0, 0);
        foreach (var practice in sheets.Select(each => each.Practice).Distinct())
        {
            var stored = await KillFigures.StoredAsync(server.Http, practice);
            var again = await KillFigures.StoredAsync(server.Http, practice);
            differ += stored.Count == again.Count && stored.Keys.All(again.ContainsKey) ? 0 : 1;
            doubled += stored.Values.Count(count => count > 1);
            lost += devices
                .Where(device => device.Practice == practice)
                .Sum(device => device.Acknowledged.Count(n => !stored.ContainsKey((device.Name, n))));
        }

        yield return new Figure(
            $"an evening with {kills} kills, two steps of the clock, a full disk: taps acknowledged",
            devices.Sum(device => device.Acknowledged.Count),
            ""
        );
        yield return new Figure("taps refused for good", devices.Sum(device => device.Refused), "", Most: 0);
        yield return new Figure("of those acknowledged lost", lost, "", Most: 0);
        yield return new Figure("of them doubled", doubled, "", Most: 0);
        yield return new Figure("practices that two readers see differently", differ, "", Most: 0);
        yield return new Figure("memory after the calm, to that before", (double)late / early, "", Most: 1.25);
        yield return new Figure("stored sheets that do not replay", await ReplayAsync(server.Data), "", Most: 0);
        File.Delete(step);
    }

    /// <summary>The exit code of <c>tally check</c>: 0 where all is well.</summary>
    private static async Task<int> ReplayAsync(string data)
    {
        var tally = MissingPart.Need("src/KeepTally.Cli/bin/Release/net10.0/tally.dll", "build the solution with -c Release.");
        using var check = Process.Start(new ProcessStartInfo("dotnet", [tally, "check", "--data", data]))!;
        await check.WaitForExitAsync();
        return check.ExitCode;
    }
}
