using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;
using KeepTally.Store.Database;
using KeepTally.Store.Events;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Tests.Store;

public sealed class JournalTests(Installation home) : IClassFixture<Installation>
{
    private static RunEvent Start(int n, string device = "d") =>
        new RunEvent.Start(new EventId(new DeviceId(device), n), new Instant(n * 1000));

    private Task<Appended> AppendAsync(string sheet, params RunEvent[] events) =>
        home.WithAsync<EventJournal, Appended>(journal => journal.AppendAsync(new SheetId(sheet), events));

    [Fact]
    public async Task An_event_sent_again_is_on_record_once()
    {
        var sheet = (await home.BegunAsync())[0];

        var first = await AppendAsync(sheet, Start(1, "twice"), Start(2, "twice"));
        var again = await AppendAsync(sheet, Start(2, "twice"), Start(3, "twice"), Start(3, "twice"));

        Assert.Equal((2, 1), (first.Fresh.Count, again.Fresh.Count));
        Assert.Empty(again.Conflicting);
        Assert.Equal(3, await home.WithAsync<TallyDb, int>(db => db.Events.CountAsync(row => row.Device == "twice")));
    }

    [Fact]
    public async Task What_was_first_under_an_id_stands_and_is_told()
    {
        var sheet = (await home.BegunAsync())[1];
        await AppendAsync(sheet, new RunEvent.Rotate(new EventId(new DeviceId("clock"), 2), new Instant(65_000), null, null, null));

        var late = await AppendAsync(
            sheet,
            new RunEvent.Rotate(new EventId(new DeviceId("clock"), 2), new Instant(65_400), null, null, null)
        );

        Assert.Empty(late.Fresh);
        Assert.Contains("65000", Assert.Single(late.Conflicting), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_batch_that_cannot_be_written_whole_is_not_written_at_all()
    {
        await home.BegunAsync();

        await Assert.ThrowsAnyAsync<Exception>(() => AppendAsync("no such sheet", Start(1, "lost"), Start(2, "lost")));

        Assert.Equal(0, await home.WithAsync<TallyDb, int>(db => db.Events.CountAsync(row => row.Device == "lost")));
    }

    [Fact]
    public async Task Many_devices_at_once_lose_and_double_nothing()
    {
        var sheet = (await home.BegunAsync())[2];

        await Task.WhenAll(
            Enumerable
                .Range(0, 16)
                .SelectMany(device =>
                    Enumerable.Range(1, 10).Select(n => Task.Run(() => AppendAsync(sheet, Start(n, $"many{device % 8}"))))
                )
        );

        Assert.Equal(80, await home.WithAsync<TallyDb, int>(db => db.Events.CountAsync(row => row.SheetId == sheet)));
    }

    [Fact]
    public async Task The_journal_is_written_ahead_and_reaches_the_disk_before_it_is_acknowledged()
    {
        var (mode, level) = await home.WithAsync<TallyDb, (string, long)>(async db =>
            (
                (await db.Database.SqlQueryRaw<string>("SELECT journal_mode AS Value FROM pragma_journal_mode").ToListAsync())[0],
                (await db.Database.SqlQueryRaw<long>("SELECT synchronous AS Value FROM pragma_synchronous").ToListAsync())[0]
            )
        );

        // SQLite documentation, "PRAGMA synchronous": 2 is FULL.
        Assert.Equal(("wal", 2), (mode, level));
    }

    [Fact]
    public async Task The_model_and_its_migrations_say_the_same() =>
        Assert.False(await home.WithAsync<TallyDb, bool>(db => Task.FromResult(db.Database.HasPendingModelChanges())));
}
