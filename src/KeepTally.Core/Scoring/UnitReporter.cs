using KeepTally.Core.Cards;
using KeepTally.Core.Rules.Ladders;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Rules.Tagging;
using KeepTally.Core.Rules.Zones;
using KeepTally.Core.Tallies;

namespace KeepTally.Core.Scoring;

/// <summary>Writes a unit's tally down as it stands.</summary>
internal static class UnitReporter
{
    internal static UnitReport Report(Stage stage, UnitTally unit, long running, bool done) =>
        new(
            unit.Unit.Id,
            unit.Points,
            unit.Attempts,
            unit.Successes,
            unit.Streak,
            unit.BestStreak,
            unit.Outs,
            unit.Voids,
            unit.Late,
            unit.Climb.Rung,
            unit.Climb.Lap,
            unit.Climb.Cleared,
            Reach(stage, unit),
            unit.Place,
            Asked(stage, unit, done),
            done,
            running,
            Zones(stage, unit),
            Counts(stage, unit),
            [.. stage.Tags.Select((kind, index) => TagOf(stage, kind, unit.TagCounts[index]))],
            ReadingsOf(stage, unit),
            new WindowReport(
                unit.Climb.Made,
                unit.Climb.Taken,
                [.. Enumerable.Range(0, Math.Min(64, unit.Climb.Taken)).Select(i => (unit.Climb.Hits >> i & 1) == 1)]
            ),
            !unit.IsOn
        );

    private static double? Reach(Stage stage, UnitTally unit) =>
        stage.Ladder?.Rungs is Rungs.Distances distances && unit.Climb.Highest >= 0 ? distances.At(unit.Climb.Highest) : null;

    private static string? Asked(Stage stage, UnitTally unit, bool done) =>
        stage.Targets is { } targets && !done && !TargetRule.AllAnswered(targets, unit)
            ? targets.Names[TargetRule.Asked(targets, unit)]
            : null;

    private static List<KeyValuePair<string, IReadOnlyList<KeyValuePair<string, int>>>> Zones(Stage stage, UnitTally unit)
    {
        var rows = new List<KeyValuePair<string, IReadOnlyList<KeyValuePair<string, int>>>>();
        if (stage.Targets is not { } targets)
        {
            return rows;
        }

        for (var asked = 0; asked < targets.Names.Count; asked++)
        {
            var row = asked;
            var landed = targets
                .Names.Append(Targets.None)
                .Select((name, column) => new KeyValuePair<string, int>(name, unit.Landed[row, column]))
                .Where(pair => pair.Value > 0)
                .ToArray();
            if (landed.Length > 0)
            {
                rows.Add(new(targets.Names[asked], landed));
            }
        }

        return rows;
    }

    private static List<KeyValuePair<string, int>> Counts(Stage stage, UnitTally unit)
    {
        return [.. CountNames(stage).Select((name, index) => new KeyValuePair<string, int>(name, unit.Counts[index]))];
    }

    private static IEnumerable<string> CountNames(Stage stage) =>
        stage.Outcomes.Select(outcome => outcome.Id).Concat(stage.Targets is null ? [] : ["hit", "miss"]);

    private static TagReport TagOf(Stage stage, TagKind kind, int[,] counts)
    {
        var values = new List<KeyValuePair<string, IReadOnlyList<KeyValuePair<string, int>>>>();
        for (var value = 0; value < kind.Values.Count; value++)
        {
            var row = value;
            var said = CountNames(stage)
                .Select((name, outcome) => new KeyValuePair<string, int>(name, counts[row, outcome]))
                .Where(pair => pair.Value > 0)
                .ToArray();
            if (said.Length > 0)
            {
                values.Add(new(kind.Values[value].Key, said));
            }
        }

        return new TagReport(kind.Id, values);
    }

    private static ReadingsReport ReadingsOf(Stage stage, UnitTally unit) =>
        unit.Readings is { Count: > 0 } readings
            ? new ReadingsReport(readings.Count, Best(stage, readings), readings.Mean, readings.Last)
            : new ReadingsReport(0, null, null, null);

    /// <summary>The best reading follows the first measure that ranks by readings: low where it says low, else high.</summary>
    private static double Best(Stage stage, Readings readings)
    {
        foreach (var measure in stage.Measures)
        {
            if (measure.By is MeasureBy.ReadingBest or MeasureBy.ReadingMean)
            {
                return measure.Better == Better.Low ? readings.Low : readings.High;
            }
        }

        return readings.High;
    }

    internal static Figures Figures(Stage stage, UnitTally unit, long running) =>
        new(
            unit.Points,
            unit.Attempts,
            unit.Successes,
            unit.BestStreak,
            unit.Climb.Cleared,
            running,
            unit.Outs,
            unit.Place,
            unit.Readings.Count == 0 ? null : Best(stage, unit.Readings),
            unit.Readings.Count == 0 ? null : unit.Readings.Mean,
            unit.Late,
            unit.Voids
        );

    internal static UnitSnapshot Snapshot(Stage stage, UnitTally unit, bool done) =>
        new(
            unit.Points,
            unit.Attempts,
            unit.Successes,
            unit.Taps,
            unit.Streak,
            unit.BestStreak,
            unit.Outs,
            unit.Climb.Rung,
            unit.Climb.Lap,
            unit.Climb.Cleared,
            unit.Climb.Made,
            unit.Climb.Taken,
            unit.Climb.Hits,
            unit.Answered,
            unit.Readings.Sum,
            unit.Place,
            Asked(stage, unit, done),
            done
        );
}
