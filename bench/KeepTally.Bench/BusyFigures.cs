using System.Net.Http.Headers;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;

namespace KeepTally.Bench;

/// <summary>What a tap waits while the server has other work: a large practice comes in, and eight people sign in.</summary>
internal static class BusyFigures
{
    private const int Devices = 20;
    private const int People = 8;
    private const int ArchiveBytes = 3_600_000;

    internal static async IAsyncEnumerable<Figure> AllAsync()
    {
        await using var server = await Server.StartAsync();
        var (_, sheet, origin) = await server.BeginAsync();
        var archive = await LargeAsync(server);
        var token = await server.TokenAsync();
        using var over = new CancellationTokenSource();
        var times = new List<double>();
        var tapping = Enumerable
            .Range(0, Devices)
            .Select(device => TapAsync(server, sheet, origin, device, times, over.Token))
            .ToArray();
        await Task.Delay(TimeSpan.FromSeconds(4));
        lock (times)
        {
            times.Clear();
        }

        var began = System.Diagnostics.Stopwatch.StartNew();
        await Task.WhenAll([
            ImportAsync(server, archive, token),
            .. Enumerable.Range(0, People).Select(who => SignInAsync(server, who, token)),
        ]);
        var took = began.Elapsed.TotalMilliseconds;
        await over.CancelAsync();
        await Task.WhenAll(tapping);
        yield return new Figure($"{archive.Length / 1e6:0.0} MB imported and {3 * People} passwords checked in", took, "ms");
        yield return new Figure($"{Devices} devices meanwhile: tap, p99", Measure.Quantile(times, 0.99), "ms", Most: 100);
        yield return new Figure("of so many taps", times.Count, "");
    }

    /// <summary>A practice of the demo's past, with notes until it is as large as it shall be.</summary>
    private static async Task<byte[]> LargeAsync(Server server)
    {
        var text = await server.Http.GetStringAsync(new Uri($"/results/{await server.PastAsync()}?handler=Json", UriKind.Relative));
        var practice = JsonNode.Parse(text)!;
        var events = practice["blocks"]!
            .AsArray()
            .SelectMany(block => block!["sheets"]!.AsArray())
            .Select(sheet => sheet!["events"]!.AsArray())
            .First(each => each.Count > 0);
        var at = (long)events[^1]!["at"]!;
        for (var (n, size) = (1, text.Length); size < ArchiveBytes; n++)
        {
            var note = new JsonObject
            {
                ["device"] = "notes",
                ["n"] = n,
                ["at"] = at,
                ["type"] = "note",
                ["text"] = $"Feet set before the pass, {n}",
            };
            events.Add(note);
            size += note.ToJsonString().Length + 1;
        }

        return JsonSerializer.SerializeToUtf8Bytes(practice);
    }

    private static async Task ImportAsync(Server server, byte[] archive, string token)
    {
        using var form = new MultipartFormDataContent
        {
            { new StringContent(token), "__RequestVerificationToken" },
            { new StringContent("1"), "team" },
            { new ByteArrayContent(archive), "file", "practice.json" },
        };
        using var answer = await server.Http.PostAsync(new Uri("/results/import", UriKind.Relative), form);
        answer.EnsureSuccessStatusCode();
        if (answer.RequestMessage!.RequestUri!.AbsolutePath == "/results/import")
        {
            throw new InvalidOperationException("The archive was not taken.");
        }
    }

    /// <summary>A password is checked as long for a name that nobody has.</summary>
    private static async Task SignInAsync(Server server, int who, string token)
    {
        for (var attempt = 0; attempt < 3; attempt++)
        {
            using var form = new FormUrlEncodedContent([
                new("name", $"Nobody {who}"),
                new("password", "plinth gravel otter sway"),
                new("__RequestVerificationToken", token),
            ]);
            using var answer = await server.Http.PostAsync(new Uri("/signin", UriKind.Relative), form);
        }
    }

    private static async Task TapAsync(
        Server server,
        string sheet,
        long origin,
        int device,
        List<double> times,
        CancellationToken over
    )
    {
        for (var n = 1; !over.IsCancellationRequested; n++)
        {
            var time = await ServerFigures.TimedAsync(
                server.Http,
                $"/api/sheets/{sheet}/events",
                ServerFigures.Line($"b{device}", n, origin)
            );
            lock (times)
            {
                times.Add(time);
            }

            await Task.Delay(200, CancellationToken.None);
        }
    }
}
