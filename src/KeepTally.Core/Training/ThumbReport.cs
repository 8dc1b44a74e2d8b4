using KeepTally.Core.Events;
using KeepTally.Core.Time;

namespace KeepTally.Core.Training;

/// <summary>How well what happened was tapped.</summary>
/// <param name="Shown">How much happened.</param>
/// <param name="Right">Tapped as it was: whose and what.</param>
/// <param name="Late">Of those, tapped when the next had been seen already.</param>
/// <param name="Missed">Never tapped.</param>
/// <param name="Doubled">Tapped once more though it had been tapped.</param>
/// <param name="WrongPlayer">Given to another player.</param>
/// <param name="WrongWhat">Given to the right one, but as something else.</param>
/// <param name="Extra">Tapped though nothing of the kind had happened.</param>
/// <param name="Quickness">From seeing to tapping, the middle one of those that were right; null where none was.</param>
public sealed record ThumbReport(
    int Shown,
    int Right,
    int Late,
    int Missed,
    int Doubled,
    int WrongPlayer,
    int WrongWhat,
    int Extra,
    Duration? Quickness
)
{
    /// <summary>Nobody taps earlier than they can have seen it, nor means something that is so long ago.</summary>
    private static readonly Duration Longest = Duration.FromSeconds(12);

    /// <summary>Holds taps against what happened: each is of the first it fits that nobody has tapped yet.</summary>
    /// <param name="shown">The happenings that were shown.</param>
    /// <param name="taps">Those that stand, in their order; what was taken back was never said.</param>
    public static ThumbReport Of(IReadOnlyList<Shown> shown, IReadOnlyList<RunEvent.Tap> taps)
    {
        var tapped = new bool[shown.Count];
        var used = new bool[taps.Count];
        var quick = new List<Duration>();
        var (right, late) = (0, 0);
        Pair(
            (one, tap) => IsWhose(one, tap) && IsWhat(one, tap),
            (index, tap) =>
            {
                right++;
                late += index + 1 < shown.Count && tap.At >= shown[index + 1].At ? 1 : 0;
                quick.Add(tap.At - shown[index].At);
            }
        );

        // A second tap of what was tapped already is told before it is taken for something else.
        var doubled = 0;
        for (var i = 0; i < taps.Count; i++)
        {
            if (
                !used[i]
                && Exists(index =>
                    tapped[index] && Fits(shown[index], taps[i]) && IsWhose(shown[index], taps[i]) && IsWhat(shown[index], taps[i])
                )
            )
            {
                used[i] = true;
                doubled++;
            }
        }

        var (player, what) = (0, 0);
        Pair(IsWhose, (_, _) => what++);
        Pair(IsWhat, (_, _) => player++);
        return new ThumbReport(
            shown.Count,
            right,
            late,
            tapped.Count(each => !each),
            doubled,
            player,
            what,
            used.Count(each => !each),
            quick.Count == 0 ? null : quick.Order().ElementAt(quick.Count / 2)
        );

        void Pair(Func<Shown, RunEvent.Tap, bool> fits, Action<int, RunEvent.Tap> found)
        {
            for (var i = 0; i < taps.Count; i++)
            {
                for (var index = 0; !used[i] && index < shown.Count; index++)
                {
                    if (!tapped[index] && Fits(shown[index], taps[i]) && fits(shown[index], taps[i]))
                    {
                        (used[i], tapped[index]) = (true, true);
                        found(index, taps[i]);
                    }
                }
            }
        }

        bool Exists(Func<int, bool> of) => Enumerable.Range(0, shown.Count).Any(of);
    }

    private static bool Fits(Shown one, RunEvent.Tap tap) => tap.At >= one.At && tap.At - one.At <= Longest;

    private static bool IsWhose(Shown one, RunEvent.Tap tap) => tap.Unit is not { } unit || unit == one.What.Unit;

    private static bool IsWhat(Shown one, RunEvent.Tap tap) => tap.Outcome == one.What.Outcome && tap.Zone == one.What.Zone;
}
