using System.Diagnostics;
using System.Globalization;
using System.Text;
using System.Text.Json;

namespace KeepTally.Bench;

/// <summary>A device that taps, keeps what it cannot send, and sends it in order when it can.</summary>
internal sealed class SoakDevice(Hall hall, string name, (int Practice, string Sheet, long Origin) at, int seed)
{
    private const int Together = 500;

    private readonly Random _draw = new(seed);
    private readonly Queue<(int N, string Line)> _waiting = new();
    private int _n;
    private int _refusals;

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
