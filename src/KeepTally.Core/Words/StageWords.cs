using KeepTally.Core.Cards;
using KeepTally.Core.Rules;
using KeepTally.Core.Rules.Endings;
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
        var hearts = RulesOf(stage).Select(rule => rule.Heart(stage).ToArray());
        var heart =
            hearts.FirstOrDefault(sentences => sentences.Length > 0) is { } about ? string.Join("; ", about.Select(AsPart))
            : score.Length > 0
                ? AsPart(
                        string.Join(" ", new[] { OutcomeWords.Good(stage), Phrase.Sentence(score) }.Where(part => part.Length > 0))
                    )
                    .Replace(". ", ", ", StringComparison.Ordinal)
            : AsPart(OutcomeWords.Counted(stage));
        var over = stage.Rule<Until>()?.Over(stage) ?? "";
        return Phrase.Sentence(heart.Length == 0 ? over : $"{heart}; {over}");
    }

    /// <summary>A sentence as part of a longer one.</summary>
    private static string AsPart(string sentence) =>
        sentence.Length == 0 ? "" : char.ToLowerInvariant(sentence[0]) + sentence[1..].TrimEnd('.');

    /// <summary>Every rule of the stage, by what it is about.</summary>
    public static IReadOnlyList<RuleWords> Of(Stage stage)
    {
        var byTopic = RulesOf(stage).GroupBy(rule => rule.Topic, rule => rule.Words(stage)).ToArray();
        return
        [
            .. new RuleWords[] { new("Who", [.. Who(stage)]), new(Scored, [.. Scoring(stage), .. Told(Scored)]) }
                .Concat(
                    byTopic
                        .Where(topic => topic.Key is not (Scored or Over))
                        .Select(topic => new RuleWords(topic.Key, Told(topic.Key)))
                )
                .Append(new(Over, Told(Over)))
                .Append(new("Clock", stage.Clock is { } clock ? [.. ClockWords.Of(clock)] : []))
                .Append(new("Places", [.. PlaceWords.Of(stage)]))
                .Append(new("Called for", stage.Asks is { } asks ? [AskWords(asks)] : []))
                .Append(new("Say first", [.. stage.Reminders.Select(Phrase.Sentence)]))
                .Where(rule => rule.Sentences.Count > 0),
        ];

        string[] Told(string topic) =>
            [.. byTopic.Where(each => each.Key == topic).SelectMany(each => each.SelectMany(words => words))];
    }

    private static string AskWords(Asks asks) =>
        Phrase.Sentence(
            asks.AtRandom
                ? $"the coach calls {Phrase.List(asks.Moves, "or")}, and nobody knows which comes next"
                : $"the coach calls {string.Join(", then ", asks.Moves)}, and begins again"
        );

    private const string Scored = "Scoring";
    private const string Over = "Over";

    private static IEnumerable<StageRule> RulesOf(Stage stage) => stage.Rules.OfType<StageRule>();

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

        if (VersusWords.Ways(stage) is { Length: > 0 } ways)
        {
            yield return $"Played {ways}: the largest that every side can fill. The places below are for {VersusWords.Of(VersusChoice.AsWritten(stage))}.";
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

        var good = OutcomeWords.Good(stage);
        if (good.Length > 0)
        {
            yield return good;
        }

        foreach (var effect in OutcomeWords.Effects(stage))
        {
            yield return effect;
        }

        var owners = OutcomeWords.Owners(stage);
        if (owners.Length > 0)
        {
            yield return owners;
        }
    }
}

/// <summary>The rules of a stage on one topic.</summary>
/// <param name="Topic">What the sentences are about: Who, Scoring, Steps, Zones, Over, Clock, Places or Say first.</param>
/// <param name="Sentences">What is to be said of it.</param>
public sealed record RuleWords(string Topic, IReadOnlyList<string> Sentences);
