using System.Diagnostics;
using System.Globalization;
using System.Net.Http.Headers;
using System.Text;

namespace KeepTally.Bench;

/// <summary>What a tap takes over HTTP: alone beside a bare insert, and among many devices that tap once a second and listen.</summary>
internal static class ServerFigures
{
    private const int Alone = 400;
    private static readonly TimeSpan Load = TimeSpan.FromSeconds(12);

    internal static async IAsyncEnumerable<Figure> AllAsync()
    {
        await using (var server = await Server.StartAsync())
        {
            var (tap, bare) = await BesideBareAsync(server);
            yield return new Figure("bare durable insert over HTTP", bare, "ms");
            yield return new Figure("durable tap over HTTP, median", tap, "ms", tap / bare, "bare", 2, OfRatio: true);
        }

        foreach (var (devices, practices) in new[] { (200, 1), (500, 25), (1000, 50) })
        {
            await using var server = await Server.StartAsync();
            var load = await LoadAsync(server, devices, practices);
            var name = $"{devices} devices, {practices} practice{(practices == 1 ? "" : "s")}";
            yield return new Figure($"{name}: tap, p99", Measure.Quantile(load.Taps, 0.99), "ms", Most: 100);
            yield return new Figure($"{name}: heard elsewhere, p95", Measure.Quantile(load.Heard, 0.95), "ms", Most: 100);
            yield return new Figure($"{name}: taps not acknowledged", load.Failed, "", Most: 0);
            yield return new Figure($"{name}: deliveries missed of {load.Due}", load.Missed, "", Most: 0);
        }
    }

    /// <summary>Taps and bare inserts in turn, so that both see the same machine.</summary>
    private static async Task<(double Tap, double Bare)> BesideBareAsync(Server server)
    {
        var folder = Directory.CreateTempSubdirectory("keep-tally-bare").FullName;
        var port = Server.FreePort();
        using var bare = Process.Start(
            new ProcessStartInfo("dotnet", [typeof(ServerFigures).Assembly.Location, "--bare", $"{port}", folder])
        )!;
        try
        {
            using var http = new HttpClient { BaseAddress = new Uri($"http://127.0.0.1:{port}") };
            await Task.Delay(TimeSpan.FromSeconds(3));
            var (_, sheet, origin) = await server.BeginAsync();
            var (taps, inserts) = (new List<double>(), new List<double>());
            for (var n = 1; n <= Alone; n++)
            {
                var line = Line("bench", n, origin);
                inserts.Add(await TimedAsync(http, "/insert", line));
                taps.Add(await TimedAsync(server.Http, $"/api/sheets/{sheet}/events", line));
            }

            return (
                Measure.Quantile(taps.Skip(Alone / 4).ToArray(), 0.5),
                Measure.Quantile(inserts.Skip(Alone / 4).ToArray(), 0.5)
            );
        }
        finally
        {
            bare.Kill();
            await bare.WaitForExitAsync();
            Directory.Delete(folder, recursive: true);
        }
    }

    private sealed record LoadResult(List<double> Taps, List<double> Heard, int Failed, long Missed, long Due);

    private static async Task<LoadResult> LoadAsync(Server server, int devices, int practices)
    {
        var sheets = new List<(int Practice, string Sheet, long Origin)> { await server.BeginAsync() };
        while (sheets.Count < practices)
        {
            sheets.Add(await server.BeginAnotherAsync());
        }

        using var timeout = new CancellationTokenSource();
        var ears = new List<StreamListener>();
        for (var i = 0; i < devices; i++)
        {
            ears.Add(new StreamListener(server.Http, sheets[i % practices].Practice) { Origin = sheets[i % practices].Origin });
        }

        var listening = ears.Select(ear => ear.ListenAsync(timeout.Token)).ToArray();
        await Task.WhenAll(ears.Select(ear => ear.Ready));
        var sent = new int[practices];
        var (times, failed) = (new List<double>(), 0);
        var tapping = Enumerable
            .Range(0, devices)
            .Select(async device =>
            {
                var (_, sheet, origin) = sheets[device % practices];
                await Task.Delay(Random.Shared.Next(1000));
                var began = Stopwatch.StartNew();
                for (var n = 1; began.Elapsed < Load; n++)
                {
                    try
                    {
                        var time = await TimedAsync(server.Http, $"/api/sheets/{sheet}/events", Line($"d{device}", n, origin));
                        lock (times)
                        {
                            times.Add(time);
                            sent[device % practices]++;
                        }
                    }
                    catch (HttpRequestException)
                    {
                        Interlocked.Increment(ref failed);
                    }

                    var rest = TimeSpan.FromSeconds(n) - began.Elapsed;
                    await Task.Delay(rest > TimeSpan.Zero ? rest : TimeSpan.Zero);
                }
            });
        await Task.WhenAll(tapping);
        await Task.Delay(TimeSpan.FromSeconds(2));
        await timeout.CancelAsync();
        await Task.WhenAll(listening);
        var due = Enumerable.Range(0, devices).Sum(device => (long)sent[device % practices]);
        return new LoadResult(times, [.. ears.SelectMany(ear => ear.Delays)], failed, due - ears.Sum(ear => ear.Heard), due);
    }

    internal static async Task<double> TimedAsync(HttpClient http, string path, string line)
    {
        using var content = new StringContent(line, Encoding.UTF8, new MediaTypeHeaderValue("application/x-ndjson"));
        var began = Stopwatch.GetTimestamp();
        using var response = await http.PostAsync(new Uri(path, UriKind.Relative), content);
        response.EnsureSuccessStatusCode();
        return Stopwatch.GetElapsedTime(began).TotalMilliseconds;
    }

    /// <summary>A tap at this very moment.</summary>
    internal static string Line(string device, int n, long origin) =>
        string.Create(
            CultureInfo.InvariantCulture,
            $$"""{"device":"{{device}}","n":{{n}},"at":{{DateTimeOffset.UtcNow.ToUnixTimeMilliseconds() - origin}},"type":"tap","unit":"plain","outcome":"goal"}"""
        );
}
