using KeepTally.Core.Rules.Streaks;
using KeepTally.Core.Tallies;
using KeepTally.Core.Text;

namespace KeepTally.Core.Rules.Ladders;

/// <summary>The effect of one attempt on a climb, in words.</summary>
internal static class ClimbWords
{
    internal static string Step(Ladder ladder, in TapStory tap)
    {
        if (tap.Attempt is not { } made)
        {
            return "";
        }

        var (was, now) = (tap.Was, tap.Now);

        if (now.Cleared > was.Cleared)
        {
            return Cleared(ladder, was, now);
        }

        return ladder.Pass switch
        {
            Pass.Window window when now.Taken == 0 => Lost(ladder, window, was, now, made),
            Pass.Window window =>
                $"{Made(now.Made)} made of {Phrase.Count(now.Taken)}; {Phrase.Count(window.Successes)} of {Phrase.Count(window.Of)} clears it.",
            Pass.Makes makes => $"{Made(now.Made)} of {Phrase.Count(makes.Successes)} made.",
            Pass.InARow run when made => $"{Made(now.Made)} {StreakWords.Kind(tap.Stage)} of {Phrase.Count(run.Streak)}.",
            Pass.InARow when tap.Stage.Streak == StreakMiss.Zero => was.Made > 0
                ? $"{Failed(tap)}: the run starts again from zero."
                : $"{Failed(tap)}: still no run.",
            Pass.InARow => $"{Failed(tap)} does not break the run: still {Phrase.Count(now.Made)}.",
            _ => "",
        };
    }

    private static string Failed(in TapStory tap) => ResultNames.Failure(tap.Stage, tap.Tap.Outcome);

    private static string Made(int count) => count == 0 ? "None" : Phrase.Capital(Phrase.Count(count));

    private static string Cleared(Ladder ladder, UnitSnapshot was, UnitSnapshot now)
    {
        var rung = Phrase.Capital(LadderWords.Rung(ladder, was.Rung));
        return now.Done && now.Lap >= ladder.Laps ? $"{rung} cleared, and that was the last."
            : now.Lap > was.Lap ? $"{rung} cleared: round again, {LadderWords.Rung(ladder, now.Rung)} next."
            : $"{rung} cleared: on to {LadderWords.Rung(ladder, now.Rung)}.";
    }

    private static string Lost(Ladder ladder, Pass.Window window, UnitSnapshot was, UnitSnapshot now, bool made)
    {
        var misses = was.Taken - was.Made + (made ? 0 : 1);
        var why =
            was.Taken + 1 >= window.Of
                ? $"{Made(was.Made + (made ? 1 : 0))} of {Phrase.Count(window.Of)}"
                : $"{Phrase.Capital(Phrase.Ordinal(misses))} miss";
        return ladder.Fail switch
        {
            WindowShort.Retry => $"{why}: this window is lost, start again.",
            WindowShort.Out => $"{why}: this window is lost.",
            WindowShort.Back or WindowShort.First => now.Rung == was.Rung
                ? $"{why}: this window is lost, start again."
                : $"{why}: this window is lost, back to {LadderWords.Rung(ladder, now.Rung)}.",
        };
    }
}
