using System.Diagnostics;
using System.Globalization;
using System.Text;
using System.Text.Json;

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

/// <summary>The hall: the server, and its clock as devices know it.</summary>
internal sealed class Hall(Server server, int speed)
{
    private long _served;
    private long _measured;

    internal HttpClient Http => server.Http;

    /// <summary>The server's time now, in milliseconds since 1970.</summary>
    internal long Now => _served + (long)(Stopwatch.GetElapsedTime(_measured).TotalMilliseconds * speed);

    internal async Task MeasureClockAsync()
    {
        try
        {
            using var answer = JsonDocument.Parse(await Http.GetStringAsync(new Uri("/api/time", UriKind.Relative)));
            (_served, _measured) = (answer.RootElement.GetProperty("now").GetInt64(), Stopwatch.GetTimestamp());
        }
        catch (HttpRequestException)
        {
            // It is measured again after the next kill.
        }
    }
}

/// <summary>A device that taps, keeps what it cannot send, and sends it in order when it can.</summary>
internal sealed class SoakDevice(Hall hall, string name, (int Practice, string Sheet, long Origin) at, int seed)
{
    private const int Together = 500;

    private readonly Random _draw = new(seed);
    private readonly Queue<(int N, string Line)> _waiting = new();
    private int _n;

    internal string Name => name;

    internal int Practice => at.Practice;

    internal List<int> Acknowledged { get; } = [];

    internal int Refused { get; private set; }

    internal async Task PlayAsync(CancellationToken over)
    {
        var cutUntil = TimeSpan.Zero;
        var clock = Stopwatch.StartNew();
        while (!over.IsCancellationRequested)
        {
            // A tap every nine seconds of practice.
            await Task.Delay(_draw.Next(500, 1500), CancellationToken.None);
            _n++;
            _waiting.Enqueue((_n, Line(hall.Now - 1000)));
            if (_draw.Next(40) == 0)
            {
                cutUntil = clock.Elapsed + TimeSpan.FromSeconds(_draw.Next(3, 25));
            }

            if (clock.Elapsed >= cutUntil)
            {
                await SendAsync();
            }
        }
    }

    internal async Task SendRestAsync()
    {
        for (var attempt = 0; _waiting.Count > 0 && attempt < 50; attempt++)
        {
            await SendAsync();
        }
    }

    private string Line(long now) =>
        string.Create(
            CultureInfo.InvariantCulture,
            $$"""{"device":"{{name}}","n":{{_n}},"at":{{Math.Max(0, now - at.Origin)}},"type":"tap","unit":"plain","outcome":"goal"}"""
        );

    private async Task SendAsync()
    {
        var piece = _waiting.Take(Together).ToArray();
        if (piece.Length == 0)
        {
            return;
        }

        try
        {
            using var content = new StringContent(
                string.Join('\n', piece.Select(each => each.Line)),
                Encoding.UTF8,
                "application/x-ndjson"
            );
            using var answer = await hall.Http.PostAsync(new Uri($"/api/sheets/{at.Sheet}/events", UriKind.Relative), content);
            if (answer.IsSuccessStatusCode)
            {
                Acknowledged.AddRange(piece.Select(each => each.N));
                Drop(piece.Length);
            }
            else if ((int)answer.StatusCode == 422)
            {
                // A page stamps what the clock refused anew; what is refused then is counted.
                await hall.MeasureClockAsync();
                Restamp();
                Refused += _refusals++ > 20 ? 1 : 0;
            }
        }
        catch (HttpRequestException)
        {
            // It waits for the network.
        }
    }

    private int _refusals;

    private void Restamp()
    {
        var all = _waiting.ToArray();
        _waiting.Clear();
        foreach (var (n, line) in all)
        {
            using var said = JsonDocument.Parse(line);
            var most = Math.Max(0, hall.Now - 1000 - at.Origin);
            var stamped = said.RootElement.GetProperty("at").GetInt64();
            _waiting.Enqueue(
                (n, stamped <= most ? line : line.Replace($"\"at\":{stamped}", $"\"at\":{most}", StringComparison.Ordinal))
            );
        }
    }

    private void Drop(int count)
    {
        for (; count > 0; count--)
        {
            _waiting.Dequeue();
        }
    }
}
