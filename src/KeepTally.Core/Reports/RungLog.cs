using KeepTally.Core.Identity;
using KeepTally.Core.Rules.Ladders;
using KeepTally.Core.Time;

namespace KeepTally.Core.Reports;

/// <summary>The goes and the time that one step of a ladder took, over all units.</summary>
/// <param name="Rung">From 0.</param>
/// <param name="Name">As it is called: "12 ft", "the corner".</param>
/// <param name="Goes">Goes at it.</param>
/// <param name="Cleared">How often it was cleared.</param>
/// <param name="Time">Running time at it, as far as goes were had there.</param>
public sealed record RungWork(int Rung, string Name, int Goes, int Cleared, Duration Time);

/// <summary>Keeps what each step of a ladder took.</summary>
internal static class RungLog
{
    internal static IReadOnlyList<RungWork> Of(Ladder ladder, IEnumerable<TapStep> steps)
    {
        var rungs = new SortedDictionary<int, (int Goes, int Cleared, Duration Time)>();
        var since = new Dictionary<(int Game, PlayerId Unit), RunningTime>();
        foreach (var step in steps)
        {
            for (var unit = 0; unit < step.Before.Units.Count; unit++)
            {
                var (was, now) = (step.Before.Units[unit], step.After.Units[unit]);
                if (now.Attempts <= was.Attempts)
                {
                    continue;
                }

                var key = (step.Game, step.Units[unit].Id);
                var (goes, cleared, time) = rungs.GetValueOrDefault(was.Rung);
                rungs[was.Rung] = (
                    goes + now.Attempts - was.Attempts,
                    cleared + (now.Cleared > was.Cleared ? 1 : 0),
                    time + (step.Running - since.GetValueOrDefault(key, RunningTime.Zero))
                );
                since[key] = step.Running;
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
