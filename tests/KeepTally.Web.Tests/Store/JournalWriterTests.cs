using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;
using KeepTally.Store.Database;
using KeepTally.Store.Events;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Tests.Store;

/// <summary>The one writer of the journal, where what it tells fails.</summary>
public sealed class JournalWriterTests
{
    private sealed class Deaf : IJournalListener
    {
        public void OnAppended(int practice, IReadOnlyList<JournalEntry> events) => throw new InvalidOperationException("deaf");
    }

    [Fact]
    public async Task A_listener_that_fails_stops_neither_the_journal_nor_the_process()
    {
        await using var home = new Installation();
        await home.InitializeAsync();
        var sheet = new SheetId((await home.BegunAsync())[0]);
        using var meter = new JournalMeter();
        using var writer = new JournalWriter((DataFolder)home.Services.GetService(typeof(DataFolder))!, meter, new Deaf());

        for (var n = 1; n <= 3; n++)
        {
            var note = new RunEvent.Note(new EventId(new DeviceId("phone"), n), new Instant(n), "x", null);
            Assert.Single((await writer.AppendAsync(sheet, [note])).Fresh);
        }

        Assert.Equal(3, await home.WithAsync<TallyDb, int>(db => db.Events.CountAsync()));
        Assert.Equal(0, meter.Waiting);
    }
}
