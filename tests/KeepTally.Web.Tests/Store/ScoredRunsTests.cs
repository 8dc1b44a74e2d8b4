using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Reports;
using KeepTally.Core.Time;
using KeepTally.Store.Database;
using KeepTally.Store.Events;
using KeepTally.Store.Results;
using KeepTally.Store.Squads;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Tests.Store;

/// <summary>What was folded lately is kept, and dropped when what it stands on changes.</summary>
public sealed class ScoredRunsTests(Installation home) : IClassFixture<Installation>
{
    private Task<IReadOnlyList<DrillResult>> ResultsAsync(int practice) =>
        home.WithAsync<PracticeResults, IReadOnlyList<DrillResult>>(results => results.OfAsync(practice));

    [Fact]
    public async Task A_new_event_and_an_erased_name_are_in_the_results_at_the_next_look()
    {
        var sheet = (await home.BegunAsync())[0];
        var practice = await home.PracticeAsync();
        Task SayAsync(RunEvent runEvent) =>
            home.WithAsync<EventJournal, Appended>(journal => journal.AppendAsync(new SheetId(sheet), [runEvent]));
        var unit = (await ResultsAsync(practice))[0].Sheets[0].Units[0];
        await SayAsync(new RunEvent.Start(new EventId(new DeviceId("o"), 1), new Instant(0)));
        await SayAsync(
            new RunEvent.Tap(new EventId(new DeviceId("o"), 2), new Instant(20_000), unit.Id, "clean", null, null, null)
        );

        var after = await ResultsAsync(practice);
        var again = await ResultsAsync(practice);

        Assert.True(after[0].Begun);
        Assert.Equal(2, after[0].Sheets[0].Report.Units[0].Points);
        Assert.Same(after[0].Sheets[0].Report, again[0].Sheets[0].Report);

        var id = await home.WithAsync<TallyDb, int>(db =>
            db.Players.Where(player => player.Name == unit.Name).Select(player => player.Id).SingleAsync()
        );
        await home.WithAsync<PlayerErasure, bool>(erasure => erasure.EraseAsync(id));
        var erased = await ResultsAsync(practice);

        Assert.Equal(PlayerErasure.Nameless, erased[0].Sheets[0].Units[0].Name);
        Assert.Equal(2, erased[0].Sheets[0].Report.Units[0].Points);
    }
}
