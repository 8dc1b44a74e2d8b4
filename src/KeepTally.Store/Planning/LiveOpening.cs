using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Time;
using KeepTally.Store.Practices;
using KeepTally.Store.Tables;

namespace KeepTally.Store.Planning;

/// <summary>Opens a practice that has begun as it stands on record, to be shown or gone on with.</summary>
public static class LiveOpening
{
    /// <param name="device">By whom events are made.</param>
    /// <param name="practice">The practice as it is stored.</param>
    /// <param name="runs">Those of its runs whose cards read; at least one.</param>
    /// <param name="zone">Where the wall clock hangs by which the timing sheet was planned.</param>
    /// <param name="bests">The best results of earlier practices, by sheet; null for none.</param>
    public static LivePractice Open(
        DeviceId device,
        Practice practice,
        IReadOnlyList<StoredRun> runs,
        TimeZoneInfo zone,
        IReadOnlyDictionary<string, PastBests>? bests = null
    )
    {
        var (due, spare) = SheetTimes.Of(practice, runs[0].Run.Origin, zone);
        return new LivePractice(
            device,
            [
                .. runs.Select(run =>
                {
                    var block = BlockOf(practice, run);
                    return new LiveRun(block.Title, [.. run.Fold().Select(WithBests)], Duration.FromMinutes(block.Minutes))
                    {
                        PlannedStart = due[block.Id],
                    };
                }),
            ]
        )
        {
            Spare = spare,
        };

        RunSheet WithBests(RunSheet sheet) =>
            bests?.GetValueOrDefault(sheet.Id.Value) is { } best ? sheet with { Bests = best } : sheet;
    }

    /// <summary>The line of the timing sheet that a run is of.</summary>
    public static Block BlockOf(Practice practice, StoredRun run) => practice.Blocks.First(block => block.Id == run.Run.BlockId);
}
