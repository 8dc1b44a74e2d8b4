using KeepTally.Core.Events;

namespace KeepTally.Bench;

/// <summary>What a player would write for the points card alone, with no other rule in mind: the yardstick of the fold.</summary>
internal static class HandWrittenLoop
{
    private static readonly string[] Units = ["a", "b", "c", "d"];

    internal struct Counts
    {
        internal double Points;
        internal int Attempts;
        internal int Successes;
        internal int Streak;
        internal int Best;
        internal int Clean;
        internal int Goals;
        internal int Misses;
    }

    internal static Counts[] Fold(RunEvent[] events)
    {
        var counts = new Counts[Units.Length];
        var started = false;
        foreach (var runEvent in events)
        {
            switch (runEvent)
            {
                case RunEvent.Start:
                    started = true;
                    break;
                case RunEvent.Tap tap when started:
                    Take(ref counts[IndexOf(tap.Unit!.Value.Value)], tap.Outcome!);
                    break;
            }
        }

        return counts;
    }

    private static int IndexOf(string unit)
    {
        for (var i = 0; i < Units.Length; i++)
        {
            if (Units[i] == unit)
            {
                return i;
            }
        }

        throw new InvalidOperationException("No such unit.");
    }

    private static void Take(ref Counts unit, string outcome)
    {
        unit.Attempts++;
        switch (outcome)
        {
            case "clean":
                unit.Clean++;
                unit.Points += 2;
                Made(ref unit);
                break;
            case "goal":
                unit.Goals++;
                unit.Points++;
                Made(ref unit);
                break;
            default:
                unit.Misses++;
                unit.Streak = 0;
                break;
        }
    }

    private static void Made(ref Counts unit)
    {
        unit.Successes++;
        unit.Streak++;
        unit.Best = Math.Max(unit.Best, unit.Streak);
    }
}
