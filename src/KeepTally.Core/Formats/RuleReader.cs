using KeepTally.Core.Cards;
using KeepTally.Core.Json;
using KeepTally.Core.Rules.Limits;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Rules.Tagging;
using KeepTally.Core.Rules.Zones;

namespace KeepTally.Core.Formats;

/// <summary>Reads the small rules of a stage: targets, limits, streak, measure, par.</summary>
internal static class RuleReader
{
    private static (string Word, MeasureBy Meaning)[] MeasureWords { get; } =
    [
        ("points", MeasureBy.Points),
        ("successes", MeasureBy.Successes),
        ("attempts", MeasureBy.Attempts),
        ("accuracy", MeasureBy.Accuracy),
        ("bestStreak", MeasureBy.BestStreak),
        ("cleared", MeasureBy.Cleared),
        ("seconds", MeasureBy.Seconds),
        ("outs", MeasureBy.Outs),
        ("place", MeasureBy.Place),
        ("readingBest", MeasureBy.ReadingBest),
        ("readingMean", MeasureBy.ReadingMean),
        ("late", MeasureBy.Late),
        ("voids", MeasureBy.Voids),
    ];

    internal static Targets? Targets(JsonPlace stage)
    {
        if (stage.Find("targets") is not { } place)
        {
            return null;
        }

        place.Only("zones", "rounds", "points");
        var zones = place.Texts("zones");
        if (zones.Count == 0)
        {
            place.Wrong("no zone is asked for", "write zones: the zones in the order they are asked");
        }

        if (zones.Contains(Rules.Zones.Targets.None))
        {
            place.Find("zones")?.Wrong("\"none\" means no zone was hit", "give the zone another id");
        }

        return new Targets(zones, place.Find("rounds")?.Whole(1, 1000) ?? 1, place.Find("points")?.Number() ?? 1);
    }

    internal static IReadOnlyList<TagKind> Tags(JsonPlace stage)
    {
        var kinds = new List<TagKind>();
        foreach (var (id, place) in stage.Find("tags")?.Properties() ?? [])
        {
            place.Only("label", "values");
            var values = place
                .Need("values", "the values, each with its words")
                ?.Properties()
                .Select(value => KeyValuePair.Create(value.Name, value.Value.Text()))
                .ToArray();
            if (values is { Length: 0 })
            {
                place.Find("values")?.Wrong("the list is empty", "write at least one value with its words");
            }

            kinds.Add(new TagKind(id, place.TextOr("label", id), values ?? []));
        }

        return kinds;
    }

    internal static Limit Limit(JsonPlace place)
    {
        place.Only("tag", "within", "breach");
        return new Limit(
            place.NeedText("tag", "the tag that may not repeat"),
            place.Find("within")?.Whole(1, 1000) ?? 1,
            place.Find("breach")?.OneOf(("void", Breach.Void), ("failure", Breach.Failure)) ?? Breach.Void
        );
    }

    internal static StreakMiss Streak(JsonPlace stage)
    {
        if (stage.Find("streak") is not { } place)
        {
            return StreakMiss.Zero;
        }

        place.Only("miss");
        return place.Find("miss")?.OneOf(("zero", StreakMiss.Zero), ("hold", StreakMiss.Hold)) ?? StreakMiss.Zero;
    }

    internal static IReadOnlyList<Measure> Measures(JsonPlace stage)
    {
        var measures = stage.List(
            "measure",
            place =>
            {
                place.Only("by", "better");
                return new Measure(
                    By(place),
                    place.Find("better")?.OneOf(("high", Better.High), ("low", Better.Low)) ?? Better.High
                );
            }
        );
        return measures.Count > 0 ? measures : [new Measure(MeasureBy.Points, Better.High)];
    }

    internal static Par? Par(JsonPlace stage)
    {
        if (stage.Find("par") is not { } place)
        {
            return null;
        }

        place.Only("by", "value");
        return new Par(By(place), place.Need("value", "the standard to reach")?.Number() ?? 0);
    }

    private static MeasureBy By(JsonPlace place) =>
        place.Need("by", "what is measured")?.OneOf<MeasureBy>(MeasureWords) ?? MeasureBy.Points;
}
