using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Reports;

/// <summary>Keeps who was done by a tap, by the drill's own rules, and not because the time was up or the coach ended it.</summary>
internal static class PlayedOutLog
{
    /// <summary>In the first game of a sheet: the running time at which each was done.</summary>
    internal static IReadOnlyDictionary<PlayerId, Duration> Of(IEnumerable<TapStep> steps)
    {
        var done = new Dictionary<PlayerId, Duration>();
        foreach (var step in steps.TakeWhile(step => step.Game == 0))
        {
            for (var unit = 0; unit < step.Before.Units.Count; unit++)
            {
                if (step.After.Units[unit].Done && !step.Before.Units[unit].Done)
                {
                    done.TryAdd(step.Units[unit].Id, step.Running.SinceStart);
                }
            }
        }

        return done;
    }
}
