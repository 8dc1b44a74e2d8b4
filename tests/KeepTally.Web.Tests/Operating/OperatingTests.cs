using System.Diagnostics.Metrics;
using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json;
using KeepTally.Core.Identity;
using KeepTally.Store.Backups;
using KeepTally.Store.Events;
using KeepTally.Web.Operating;
using Microsoft.Extensions.Logging;
using Microsoft.Extensions.Time.Testing;

namespace KeepTally.Web.Tests.Operating;

/// <summary>What an operator is told, and what not.</summary>
public sealed class OperatingTests(Installation home) : IClassFixture<Installation>
{
    private sealed class Lines : ILogger<OperatorLog>
    {
        internal List<string> Told { get; } = [];

        public IDisposable? BeginScope<TState>(TState state)
            where TState : notnull => null;

        public bool IsEnabled(LogLevel logLevel) => true;

        public void Log<TState>(
            LogLevel logLevel,
            Microsoft.Extensions.Logging.EventId eventId,
            TState state,
            Exception? exception,
            Func<TState, Exception?, string> formatter
        ) => Told.Add(formatter(state, exception));
    }

    [Fact]
    public void What_strangers_cause_is_told_once_a_minute_with_a_count_and_never_in_their_words()
    {
        var (lines, clock) = (new Lines(), new FakeTimeProvider());
        using var meter = new OperatingMeter();
        var log = new OperatorLog(lines, clock, meter);
        for (var n = 0; n < 1000; n++)
        {
            log.SignInFailed();
            log.EventsRefused($"tags.{n}\nINFO Started");
        }

        Assert.Equal(["Failed sign-ins: 1", "Batches of events refused: 1, because of other"], lines.Told);
        clock.Advance(TimeSpan.FromMinutes(1));
        log.SignInFailed();
        log.EventsRefused("at");
        Assert.Equal(["Failed sign-ins: 1000", "Batches of events refused: 1, because of at"], lines.Told.Skip(2));
    }

    [Fact]
    public async Task Health_says_how_the_journal_the_disk_and_the_backups_are_and_names_nobody()
    {
        var http = home.VisitAsNobody().Http;
        using var live = await http.GetAsync(new Uri("/health/live", UriKind.Relative));
        Assert.Equal(HttpStatusCode.OK, live.StatusCode);

        using var answer = await http.GetAsync(new Uri("/health/ready", UriKind.Relative));

        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        var ready = await answer.Content.ReadFromJsonAsync<JsonElement>();
        Assert.Equal("ok", ready.GetProperty("status").GetString());
        Assert.True(ready.GetProperty("databaseReads").GetBoolean());
        Assert.True(ready.GetProperty("freeBytes").GetInt64() > 0);
        Assert.Equal(0, ready.GetProperty("journalWaiting").GetInt32());
        Assert.True(ready.GetProperty("backupsWork").GetBoolean());
        Assert.DoesNotContain("Tern", ready.GetRawText(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Taps_are_counted_and_their_acknowledgement_is_timed()
    {
        var (stored, times) = (0L, new List<double>());
        using var listener = new MeterListener
        {
            InstrumentPublished = (instrument, each) =>
            {
                if (instrument.Meter.Name == JournalMeter.Name)
                {
                    each.EnableMeasurementEvents(instrument);
                }
            },
        };
        listener.SetMeasurementEventCallback<long>((_, value, _, _) => Interlocked.Add(ref stored, value));
        listener.SetMeasurementEventCallback<double>(
            (_, value, _, _) =>
            {
                lock (times)
                {
                    times.Add(value);
                }
            }
        );
        listener.Start();
        var sheet = (await home.BegunAsync())[0];

        for (var n = 1; n <= 3; n++)
        {
            using var content = new StringContent(
                $$"""{"device":"meter","n":{{n}},"at":0,"type":"note","text":"x"}""",
                Encoding.UTF8,
                "application/x-ndjson"
            );
            using var answer = await home.Visit().Http.PostAsync(new Uri($"/api/sheets/{sheet}/events", UriKind.Relative), content);
            Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        }

        // Other tests of the process tap at the same time.
        Assert.True(stored >= 3);
        Assert.True(times.Count >= 3);
        Assert.All(times, time => Assert.True(time >= 0));
    }
}
