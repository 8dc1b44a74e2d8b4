using System.Globalization;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Time;
using KeepTally.Store.Database;
using KeepTally.Store.Events;
using KeepTally.Store.Practices;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Demo;

/// <summary>Begins a practice of the made-up club as any practice is begun, and lets stand-ins play it.</summary>
public sealed class DemoPlay(TallyDb db, PracticeStart start, RunStore runStore)
{
    private static readonly DeviceId Device = new("demo");

    /// <summary>Plays the first drills of a practice, each for the minutes of its line; false where it cannot be begun.</summary>
    /// <param name="practice">The practice, which is stored.</param>
    /// <param name="begun">The moment it began.</param>
    /// <param name="standIns">The made-up players.</param>
    /// <param name="insert">Takes the events.</param>
    /// <param name="lines">The number of lines to play; null for all.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    internal async Task<bool> PlayAsync(
        Practice practice,
        DateTimeOffset begun,
        StandIns standIns,
        EventInsert insert,
        int? lines = null,
        CancellationToken cancellationToken = default
    )
    {
        if (!(await start.BeginAsync(practice.Id, cancellationToken)).IsOk)
        {
            return false;
        }

        var origin = RunOrigin.From(begun);
        await db
            .Runs.Where(run => run.Block!.PracticeId == practice.Id)
            .ExecuteUpdateAsync(set => set.SetProperty(run => run.Origin, origin), cancellationToken);
        var runs = await runStore.OfAsync(practice.Id, cancellationToken);
        var live = new LivePractice(
            Device,
            [.. runs.Select(run => new LiveRun(run.Run.Id.ToString(CultureInfo.InvariantCulture), run.Fold()))]
        );
        var now = Instant.Origin;
        foreach (var block in practice.Blocks.OrderBy(block => block.Order).Take(lines ?? int.MaxValue))
        {
            now = standIns.Play(live, now, Duration.FromMinutes(block.Minutes));
        }

        var rows = live
            .Runs.SelectMany(run => run.Sheets)
            .SelectMany(sheet => sheet.Sheet.Log.Events.Select(runEvent => EventRow.Of(sheet.Id, runEvent)));
        foreach (var row in rows.OrderBy(row => row.At))
        {
            insert.Try(row);
        }

        return true;
    }
}
