using System.Text.Json;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;
using KeepTally.Store.Events;
using KeepTally.Store.Practices;
using KeepTally.Web.Api;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.DependencyInjection;

namespace KeepTally.Web.Tests.Api;

/// <summary>Anyone who listens hears every event once, in the order of the record, however many write at once.</summary>
public sealed class StreamTests(Installation home) : IClassFixture<Installation>
{
    private const int Devices = 24;
    private const int Taps = 25;

    private sealed record Event(long Id, long After, string Device, int N);

    /// <summary>Reads a stream until so many events were heard.</summary>
    private async Task<List<Event>> HearAsync(int practice, long after, int many, CancellationToken cancellationToken)
    {
        await using var stream = await home.Visit()
            .Http.GetStreamAsync(new Uri($"/api/practices/{practice}/events?after={after}", UriKind.Relative), cancellationToken);
        using var reader = new StreamReader(stream);
        var (events, id) = (new List<Event>(), 0L);
        while (events.Count < many && await reader.ReadLineAsync(cancellationToken) is { } line)
        {
            if (line.StartsWith("id: ", StringComparison.Ordinal))
            {
                id = long.Parse(line[4..], System.Globalization.CultureInfo.InvariantCulture);
            }
            else if (line.StartsWith("data: {\"sheet\"", StringComparison.Ordinal))
            {
                var said = JsonDocument.Parse(line[6..]).RootElement;
                events.Add(
                    new Event(
                        id,
                        said.GetProperty("after").GetInt64(),
                        said.GetProperty("device").GetString()!,
                        said.GetProperty("n").GetInt32()
                    )
                );
            }
        }

        return events;
    }

    [Fact]
    public async Task With_many_writers_and_many_who_listen_nobody_misses_or_doubles_anything()
    {
        var sheets = await home.BegunAsync();
        var practice = await home.PracticeAsync();
        using var timeout = new CancellationTokenSource(TimeSpan.FromSeconds(60));
        var ears = Enumerable.Range(0, 6).Select(_ => HearAsync(practice, 0, Devices * Taps, timeout.Token)).ToArray();
        var writer = home.Services.GetRequiredService<JournalWriter>();

        await Task.WhenAll(
            Enumerable
                .Range(0, Devices)
                .Select(device =>
                    Task.Run(async () =>
                    {
                        for (var n = 1; n <= Taps; n++)
                        {
                            await writer.AppendAsync(
                                new SheetId(sheets[device % 4]),
                                [new RunEvent.Start(new EventId(new DeviceId($"s{device}"), n), new Instant(n))]
                            );
                        }
                    })
                )
        );
        var received = await Task.WhenAll(ears);
        var late = await HearAsync(practice, received[0][100].Id, (Devices * Taps) - 101, timeout.Token);

        Assert.All(
            received,
            events =>
            {
                Assert.Equal(Devices * Taps, events.Select(each => (each.Device, each.N)).Distinct().Count());
                Assert.Equal(events.Select(each => each.Id).Order(), events.Select(each => each.Id));
                Assert.Equal(events.SkipLast(1).Select(each => each.Id).Prepend(0), events.Select(each => each.After));
            }
        );
        Assert.Equal(received[0].Skip(101), late);
    }

    [Fact]
    public async Task One_that_cannot_be_written_takes_no_other_down()
    {
        var sheet = (await home.BegunAsync())[5];
        var writer = home.Services.GetRequiredService<JournalWriter>();

        var all = Enumerable
            .Range(1, 40)
            .Select(n =>
                (
                    N: n,
                    Task: writer.AppendAsync(
                        new SheetId(n % 10 == 0 ? "no such sheet" : sheet),
                        [new RunEvent.Start(new EventId(new DeviceId("w"), n), new Instant(n))]
                    )
                )
            )
            .ToArray();
        await Task.WhenAll(all.Select(each => each.Task.ContinueWith(_ => { }, TaskScheduler.Default)));

        Assert.All(all, each => Assert.Equal(each.N % 10 == 0, each.Task.IsFaulted));
        Assert.All(all.Where(each => each.N % 10 != 0), each => Assert.Single(each.Task.Result.Fresh));
    }

    [Fact]
    public async Task A_player_who_listens_hears_the_version_of_the_sheet_at_once_and_of_every_change()
    {
        await home.BegunAsync();
        var practice = await home.PracticeAsync();
        var version = await home.WithAsync<PracticeBook, int?>(book => book.SheetVersionAsync(practice));
        using var timeout = new CancellationTokenSource(TimeSpan.FromSeconds(30));
        await using var stream = await home.Visit()
            .Http.GetStreamAsync(new Uri($"/api/practices/{practice}/events?after=0", UriKind.Relative), timeout.Token);
        using var reader = new StreamReader(stream);

        Assert.Equal(version, await HeardAsync());
        home.Services.GetRequiredService<PracticeNews>().SheetChanged(practice, 7);
        Assert.Equal(7, await HeardAsync());

        async Task<int> HeardAsync()
        {
            while (await reader.ReadLineAsync(timeout.Token) is { } line && line != "event: sheet") { }
            return int.Parse((await reader.ReadLineAsync(timeout.Token))![6..], System.Globalization.CultureInfo.InvariantCulture);
        }
    }

    [Fact]
    public async Task A_device_that_comes_back_before_it_was_missed_is_still_here()
    {
        var practice = await home.PracticeAsync();
        var coach = home.Visit();
        var before = await ListenAsync();
        await using var after = await ListenAsync();
        await before.DisposeAsync();
        // The server notices in its own time that the old line is gone; the new one stands all the while.
        for (var i = 0; i < 10; i++)
        {
            using var looking = new StringContent(
                """{"device":"again","sheet":""}""",
                System.Text.Encoding.UTF8,
                "application/json"
            );
            using var answer = await coach.Http.PostAsync(new Uri($"/api/practices/{practice}/here", UriKind.Relative), looking);
            Assert.Equal(System.Net.HttpStatusCode.NoContent, answer.StatusCode);
            await Task.Delay(30);
        }

        async Task<Stream> ListenAsync()
        {
            var stream = await coach.Http.GetStreamAsync(
                new Uri($"/api/practices/{practice}/events?after=0&device=again", UriKind.Relative)
            );
            using var reader = new StreamReader(stream, leaveOpen: true);
            while (await reader.ReadLineAsync() is { } line && !line.Contains("again", StringComparison.Ordinal)) { }
            return stream;
        }
    }
}
