using KeepTally.Core.Cards;
using KeepTally.Core.Json;
using KeepTally.Core.Rulebook;

namespace KeepTally.Core.Formats;

/// <summary>Reads what can be tapped. Source: docs/formats.md, section 1, "Outcome".</summary>
internal static class OutcomeReader
{
    internal static Outcome Read(JsonPlace place, RuleSet rules)
    {
        place.Only("id", "label", "said", "key", "result", "points", "does", "by", "reading", "job");
        var id = place.NeedText("id", "a short id such as \"make\"");
        return new Outcome(
            id,
            place.TextOr("label", id),
            place.Find("said")?.Text(),
            Key(place),
            CardChoices.Results.ReadFrom(place),
            place.Find("points") is { } points ? Points(points) : [],
            place.List<IEffect>("does", rules.EffectChoices.Read),
            place.Find("by") is { } by ? By(by) : null,
            place.Find("reading")?.Text()
        )
        {
            Job = place.Find("job")?.Text(),
        };
    }

    private static string? Key(JsonPlace place)
    {
        if (place.Find("key") is not { } found)
        {
            return null;
        }

        var key = found.Text();
        if (key.Length != 1)
        {
            found.Wrong("a key is one character", "write one letter, such as \"g\"");
        }

        return key;
    }

    private static IReadOnlyList<Award> Points(JsonPlace place)
    {
        if (!place.IsObject)
        {
            return [new Award(new Recipient.Self(), place.Number())];
        }

        return
        [
            .. place
                .Properties()
                .Select(pair => new Award(
                    pair.Name switch
                    {
                        "self" => new Recipient.Self(),
                        "other" => new Recipient.Other(),
                        var unit => new Recipient.Named(unit),
                    },
                    pair.Value.Number()
                )),
        ];
    }

    private static TappedBy By(JsonPlace place) =>
        place.Text() switch
        {
            "ball" => new TappedBy.Ball(),
            "offBall" => new TappedBy.OffBall(),
            var side => new TappedBy.Named(side),
        };
}
