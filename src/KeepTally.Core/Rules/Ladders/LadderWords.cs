using KeepTally.Core.Cards;
using KeepTally.Core.Rules.Streaks;
using KeepTally.Core.Text;

namespace KeepTally.Core.Rules.Ladders;

/// <summary>Steps and what clears them, in words.</summary>
internal static class LadderWords
{
    private const int LongestList = 5;

    internal static IEnumerable<string> Of(Ladder ladder, Stage stage)
    {
        yield return Steps(ladder);
        switch (ladder.Pass)
        {
            case Pass.Window window:
                yield return Phrase.Sentence($"{Phrase.Count(window.Successes)} of {Phrase.Count(window.Of)} {Clears(ladder)}");
                yield return Closes(window);
                yield return Fails(ladder.Fail);
                break;
            case Pass.Makes makes:
                yield return Phrase.Sentence(
                    $"{ResultNames.Makes(stage, makes.Successes)} {Clear(ladder, makes.Successes)}, however many goes it takes"
                );
                break;
            case Pass.InARow run:
                yield return Phrase.Sentence($"{StreakWords.Of(stage, run.Streak)} {Clears(ladder)}");
                yield return Phrase.Sentence(
                    ResultNames.Failure(stage)
                        + (
                            stage.Streak == StreakMiss.Zero
                                ? " starts the run again from zero"
                                : " does not count and does not break the run"
                        )
                );
                break;
        }
    }

    /// <summary>The heart of it: a long way is told by its ends.</summary>
    internal static IEnumerable<string> Heart(Ladder ladder, Stage stage) =>
        ladder.Rungs is Rungs.Named { Names.Count: > LongestList } named
            ? Of(ladder, stage)
                .Skip(1)
                .Take(1)
                .Prepend(
                    Phrase.Sentence(
                        $"{Phrase.Count(named.Names.Count)} steps, from {Phrase.Words(named.Names[0])} to {Phrase.Words(named.Names[^1])}"
                    )
                )
            : Of(ladder, stage).Take(2);

    /// <summary>A rung as it is called.</summary>
    internal static string Rung(Ladder ladder, int rung) =>
        ladder.Rungs switch
        {
            Rungs.Named named => Phrase.Words(named.Names[Math.Min(rung, named.Names.Count - 1)]),
            Rungs.Distances distances => $"{Phrase.Figure(distances.At(rung))} {distances.Unit}",
            _ => "",
        };

    private static string Steps(Ladder ladder)
    {
        var laps = ladder.Laps == 1 ? "" : $", {Phrase.Times(ladder.Laps)} round";
        return ladder.Rungs switch
        {
            Rungs.Named { Names.Count: 1 } named => Phrase.Sentence(Phrase.Words(named.Names[0]) + laps),
            Rungs.Named named => Phrase.Sentence(
                $"{Phrase.Count(named.Names.Count)} steps: {Phrase.InOrder([.. named.Names.Select(Phrase.Words)])}{laps}"
            ),
            Rungs.Distances distances => Phrase.Sentence(
                $"from {Rung(ladder, 0)}, {Phrase.Figure(Math.Abs(distances.Step))} {distances.Unit} {(distances.Step < 0 ? "nearer" : "further")} after each step"
                    + (distances.Limit is { } count ? $", as far as {Rung(ladder, count - 1)}" : ", without end")
                    + laps
            ),
            _ => "",
        };
    }

    private static string Clears(Ladder ladder) => Clear(ladder, 1);

    private static string Clear(Ladder ladder, int makes) =>
        (makes == 1 ? "clears " : "clear ") + (ladder.Rungs.Count == 1 ? "it" : "a step");

    private static string Closes(Pass.Window window)
    {
        var make = $"the {Phrase.Ordinal(window.Successes)} make";
        var miss = $"the {Phrase.Ordinal(window.Of - window.Successes + 1)} miss";
        return window.Stop switch
        {
            WindowStop.None => Phrase.Sentence($"all {Phrase.Count(window.Of)} are taken"),
            WindowStop.Fail => $"It is lost at {miss}.",
            WindowStop.Pass => $"It is won at {make}; lost, all {Phrase.Count(window.Of)} are taken.",
            _ => $"It closes as soon as it is decided: won at {make}, lost at {miss}.",
        };
    }

    private static string Fails(WindowShort fail) =>
        fail switch
        {
            WindowShort.Retry => "Lost, start the same step again.",
            WindowShort.Back => "Lost, one step back.",
            WindowShort.First => "Lost, back to the first step.",
            WindowShort.Out => "Lost is an out, and the same step again.",
        };
}
