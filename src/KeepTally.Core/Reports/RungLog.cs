using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Rules.Ladders;
using KeepTally.Core.Scoring;
using KeepTally.Core.Time;

namespace KeepTally.Core.Reports;

/// <summary>What a step of a ladder took, by everybody who was at it.</summary>
/// <param name="Rung">From 0.</param>
/// <param name="Name">As it is called: "12 ft", "the corner".</param>
/// <param name="Goes">Goes at it.</param>
/// <param name="Cleared">How often it was cleared.</param>
/// <param name="Time">Running time at it, as far as goes were had there.</param>
public sealed record RungWork(int Rung, string Name, int Goes, int Cleared, Duration Time);

/// <summary>Walks through a sheet of a ladder and keeps what each step took.</summary>
internal static class RungLog
{
    internal static IReadOnlyList<RungWork> Of(Sheet live)
    {
        if (live.Stage.Ladder is not { } ladder)
        {
            return [];
        }

        var score = Score.Open(live.Card, live.Head).Require();
        var rungs = new SortedDictionary<int, (int Goes, int Cleared, Duration Time)>();
        var since = new Dictionary<PlayerId, RunningTime>();
        foreach (var position in Enumerable.Range(0, live.Log.Count).Where(live.Log.StandsAt))
        {
            var next = live.Log.ReadAt(position);
            if (next is RunEvent.Undo or RunEvent.Amend)
            {
                continue;
            }

            if (next is RunEvent.Again)
            {
                since.Clear();
            }

            var before = next is RunEvent.Tap ? score.Snapshot(next.At) : null;
            var result = score.Apply(next);
            if (before is null || result.Kind != EventResultKind.Counted)
            {
                continue;
            }

            var now = score.RunningTimeAt(next.At);
            var after = score.Snapshot(next.At);
            for (var unit = 0; unit < before.Units.Count; unit++)
            {
                var (was, went) = (before.Units[unit], after.Units[unit].Attempts - before.Units[unit].Attempts);
                if (went <= 0)
                {
                    continue;
                }

                var id = score.Units[unit].Id;
                var (goes, cleared, time) = rungs.GetValueOrDefault(was.Rung);
                var passed = after.Units[unit].Cleared > was.Cleared ? 1 : 0;
                rungs[was.Rung] = (goes + went, cleared + passed, time + (now - since.GetValueOrDefault(id, RunningTime.Zero)));
                since[id] = now;
            }
        }

        return
        [
            .. rungs.Select(rung => new RungWork(
                rung.Key,
                LadderWords.Rung(ladder, rung.Key),
                rung.Value.Goes,
                rung.Value.Cleared,
                rung.Value.Time
            )),
        ];
    }
}
