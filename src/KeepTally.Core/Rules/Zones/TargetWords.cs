using KeepTally.Core.Cards;
using KeepTally.Core.Rules.Limits;
using KeepTally.Core.Rules.Tagging;
using KeepTally.Core.Text;

namespace KeepTally.Core.Rules.Zones;

/// <summary>Zones, tags and what may not come twice, in words.</summary>
internal static class TargetWords
{
    internal static IEnumerable<string> Of(Targets targets)
    {
        var order = Phrase.InOrder([.. targets.Zones.Select(Phrase.Words)]);
        var rounds = targets.Rounds == 1 ? "" : $", {Phrase.Times(targets.Rounds)} over";
        yield return Phrase.Sentence($"asked in this order: {order}{rounds}; {Phrase.Of(targets.Asked, "ball")} in all");
        if (targets.Points != 0)
        {
            yield return Phrase.Sentence($"{Phrase.Figure(targets.Points)} for hitting the zone asked");
        }

        yield return "Where each ball really went is written down.";
    }

    /// <summary>"With each tap goes the finish (high, low or lob) and the side (left or right)."</summary>
    internal static string Tags(Stage stage) =>
        stage.Tags.Count == 0
            ? ""
            : Phrase.Sentence("with each tap goes " + Phrase.List([.. stage.Tags.Select(tag => Tag(stage, tag))]));

    private static string Tag(Stage stage, TagKind tag) =>
        $"the {Label(stage, tag.Id)} ({Phrase.List([.. tag.Values.Select(value => Lower(value.Value))], "or")})";

    internal static IEnumerable<string> Limits(Stage stage) =>
        stage.Limits.Select(limit =>
            Phrase.Sentence(
                (
                    limit.Within == 1
                        ? $"never the same {Label(stage, limit.Tag)} twice running"
                        : $"never the same {Label(stage, limit.Tag)} again within {Phrase.Of(limit.Within, "tap")}"
                ) + (limit.Breach == Breach.Void ? "; a repeat does not count" : "; a repeat counts as a miss")
            )
        );

    internal static string Label(Stage stage, string tag) =>
        Lower(stage.Tags.FirstOrDefault(kind => kind.Id == tag)?.Label ?? Phrase.Words(tag));

    internal static string Value(Stage stage, string tag, string value) =>
        Lower(
            stage.Tags.FirstOrDefault(kind => kind.Id == tag)?.Values.FirstOrDefault(each => each.Key == value).Value
                ?? Phrase.Words(value)
        );

    private static string Lower(string text) => text.Length == 0 ? text : char.ToLowerInvariant(text[0]) + text[1..];
}
