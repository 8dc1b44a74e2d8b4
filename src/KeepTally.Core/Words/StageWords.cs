using KeepTally.Core.Cards;
using KeepTally.Core.Rules.Endings;
using KeepTally.Core.Rules.Ladders;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Rules.Zones;
using KeepTally.Core.Text;

namespace KeepTally.Core.Words;

/// <summary>
/// The rules of a stage in plain words, made from the rules themselves: what the coach reads is what will be judged.
/// </summary>
public static class StageWords
{
    /// <summary>The heart of it in one sentence: "2 for a clean goal, 1 for any other goal; first to 15."</summary>
    public static string InShort(Stage stage)
    {
        var score = OutcomeWords.Score(stage);
        var heart =
            stage.Ladder is { } ladder ? string.Join("; ", LadderWords.Of(ladder, stage.Streak).Take(2).Select(AsPart))
            : stage.Targets is { } targets ? AsPart(TargetWords.Of(targets).First())
            : score.Length > 0 ? score
            : AsPart(OutcomeWords.Counted(stage));
        var over = EndingWords.Over(stage);
        return Phrase.Sentence(heart.Length == 0 ? over : $"{heart}; {over}");
    }

    /// <summary>A sentence as part of a longer one.</summary>
    private static string AsPart(string sentence) =>
        sentence.Length == 0 ? "" : char.ToLowerInvariant(sentence[0]) + sentence[1..].TrimEnd('.');

    /// <summary>Every rule of the stage, by what it is about.</summary>
    public static IReadOnlyList<RuleWords> Of(Stage stage) =>
        [
            .. new RuleWords[]
            {
                new("Who", [.. Who(stage)]),
                new("Scoring", [.. Scoring(stage)]),
                new("Steps", stage.Ladder is { } ladder ? [.. LadderWords.Of(ladder, stage.Streak)] : []),
                new("Zones", stage.Targets is { } targets ? [.. TargetWords.Of(targets)] : []),
                new("Over", [.. Over(stage)]),
                new("Clock", stage.Clock is { } clock ? [.. ClockWords.Of(clock)] : []),
                new("Places", [.. PlaceWords.Of(stage)]),
                new("Say first", [.. stage.Reminders.Select(Phrase.Sentence)]),
            }.Where(rule => rule.Sentences.Count > 0),
        ];

    private static IEnumerable<string> Who(Stage stage)
    {
        yield return (stage.Scores, stage.Play) switch
        {
            (Scorer.None, _) => "Nobody scores.",
            (Scorer.Side, Play.Match) => Phrase.Sentence(string.Join(" against ", stage.Sides.Select(side => Phrase.Words(side)))),
            (Scorer.Player, Play.Match) => "One player against another.",
            (Scorer.Group, Play.Match) => "One group against another.",
            (var scores, Play.Turns) => $"One {scores.ToString().ToLowerInvariant()} at a time, in turn.",
            (Scorer.Player, _) => "Each player scores alone.",
            (Scorer.Group, _) => "Each group scores together.",
            (Scorer.Side, _) => "Each side scores.",
            _ => "",
        };
        if (stage.Ball is { } ball)
        {
            yield return Phrase.Sentence($"{Phrase.Words(ball)} starts with the ball");
        }
    }

    private static IEnumerable<string> Scoring(Stage stage)
    {
        var score = OutcomeWords.Score(stage);
        if (score.Length > 0)
        {
            yield return Phrase.Sentence(score);
        }
        else if (stage.Outcomes.Count > 0)
        {
            yield return OutcomeWords.Counted(stage);
        }

        foreach (var effect in OutcomeWords.Effects(stage))
        {
            yield return effect;
        }

        foreach (var sentence in new[] { OutcomeWords.Owners(stage), TargetWords.Tags(stage) }.Where(text => text.Length > 0))
        {
            yield return sentence;
        }

        foreach (var limit in TargetWords.Limits(stage))
        {
            yield return limit;
        }

        if (RunsMatter(stage))
        {
            yield return stage.Streak == StreakMiss.Zero
                ? "A miss sets the run back to nought."
                : "A miss does not count and does not break the run.";
        }
    }

    /// <summary>A ladder of runs says it in its own words.</summary>
    private static bool RunsMatter(Stage stage) =>
        stage.Ladder?.Pass is not Pass.InARow
        && (
            stage.Until.Any(ending => ending is Ending.Streak) || stage.Measures.Any(measure => measure.By == MeasureBy.BestStreak)
        );

    private static IEnumerable<string> Over(Stage stage)
    {
        yield return Phrase.Sentence(EndingWords.Over(stage));
        foreach (var horn in EndingWords.Horn(stage))
        {
            yield return horn;
        }

        foreach (var sentence in new[] { EndingWords.Ranked(stage), EndingWords.Par(stage) }.Where(text => text.Length > 0))
        {
            yield return sentence;
        }
    }
}

/// <param name="Topic">What the sentences are about: Who, Scoring, Steps, Zones, Over, Clock, Places or Say first.</param>
public sealed record RuleWords(string Topic, IReadOnlyList<string> Sentences);
