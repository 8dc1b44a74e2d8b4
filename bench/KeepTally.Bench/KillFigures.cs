using System.Globalization;
using System.Net.Http.Headers;
using System.Text;
using System.Text.Json;

namespace KeepTally.Bench;

/// <summary>The server is killed again and again while devices tap: what was acknowledged is there once, whatever happened.</summary>
internal static class KillFigures
{
    private const int Kills = 50;
    private const int Devices = 20;

    internal static async IAsyncEnumerable<Figure> AllAsync()
    {
        await using var server = await Server.StartAsync();
        var (practice, sheet, origin) = await server.BeginAsync();
        using var over = new CancellationTokenSource();
        var acknowledged = Enumerable.Range(0, Devices).Select(_ => new List<int>()).ToArray();
        var tapping = Enumerable
            .Range(0, Devices)
            .Select(device => TapAsync(server.Http, sheet, origin, device, acknowledged[device], over.Token))
            .ToArray();
        for (var kill = 0; kill < Kills; kill++)
        {
            await Task.Delay(Random.Shared.Next(200, 900));
            await server.KillAndRestartAsync();
        }

        await over.CancelAsync();
        await Task.WhenAll(tapping);
        if (acknowledged.All(each => each.Count == 0))
        {
            throw new InvalidOperationException("Nothing was acknowledged: the bench does not tap what can be tapped.");
        }

        var stored = await StoredAsync(server.Http, practice);
        var lost = Enumerable
            .Range(0, Devices)
            .Sum(device => acknowledged[device].Count(n => !stored.ContainsKey(($"k{device}", n))));
        yield return new Figure($"killed {Kills} times under load: taps acknowledged", acknowledged.Sum(each => each.Count), "");
        yield return new Figure("of them lost", lost, "", Most: 0);
        yield return new Figure("of them doubled", stored.Values.Count(count => count > 1), "", Most: 0);
    }

    /// <summary>Taps as a device does: the same event again until it is acknowledged, then the next.</summary>
    private static async Task TapAsync(
        HttpClient http,
        string sheet,
        long origin,
        int device,
        List<int> acknowledged,
        CancellationToken over
    )
    {
        for (var n = 1; !over.IsCancellationRequested; n++)
        {
            var line = string.Create(
                CultureInfo.InvariantCulture,
                $$"""{"device":"k{{device}}","n":{{n}},"at":{{DateTimeOffset.UtcNow.ToUnixTimeMilliseconds() - origin}},"type":"tap","unit":"plain","outcome":"goal"}"""
            );
            while (!over.IsCancellationRequested)
            {
                try
                {
                    using var content = new StringContent(line, Encoding.UTF8, new MediaTypeHeaderValue("application/x-ndjson"));
                    using var response = await http.PostAsync(
                        new Uri($"/api/sheets/{sheet}/events", UriKind.Relative),
                        content,
                        CancellationToken.None
                    );
                    response.EnsureSuccessStatusCode();
                    acknowledged.Add(n);
                    break;
                }
                catch (HttpRequestException)
                {
                    await Task.Delay(50, CancellationToken.None);
                }
            }

            await Task.Delay(20, CancellationToken.None);
        }
    }

    /// <summary>How often each event of a practice is on record.</summary>
    internal static async Task<Dictionary<(string Device, int N), int>> StoredAsync(HttpClient http, int practice)
    {
        var stored = new Dictionary<(string, int), int>();
        using var stream = await http.GetStreamAsync(new Uri($"/api/practices/{practice}/events?after=0", UriKind.Relative));
        using var reader = new StreamReader(stream);
        while (await reader.ReadLineAsync() is { } line && !line.StartsWith("event: ready", StringComparison.Ordinal))
        {
            if (line.StartsWith("data: {", StringComparison.Ordinal))
            {
                using var told = JsonDocument.Parse(line["data: ".Length..]);
                var id = (told.RootElement.GetProperty("device").GetString()!, told.RootElement.GetProperty("n").GetInt32());
                stored[id] = stored.GetValueOrDefault(id) + 1;
            }
        }

        return stored;
    }
}
