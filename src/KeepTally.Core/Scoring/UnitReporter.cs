using KeepTally.Core.Cards;
using KeepTally.Core.Rules.Ladders;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Rules.Tagging;
using KeepTally.Core.Rules.Zones;
using KeepTally.Core.Tallies;
using KeepTally.Core.Time;

namespace KeepTally.Core.Scoring;

/// <summary>Writes a unit's tally down as it stands.</summary>
internal static class UnitReporter
{
    private static readonly Climb NoClimb = new();

    internal static UnitReport Report(Stage stage, UnitTally unit, Duration ran, bool done)
    {
        var climb = unit.StateOf<Climb>() ?? NoClimb;
        return new UnitReport
        {
            Id = unit.Unit.Id,
            Points = unit.Points,
            Attempts = unit.Attempts,
            Successes = unit.Successes,
            Streak = unit.Streak,
            BestStreak = unit.BestStreak,
            Outs = unit.Outs,
            Voids = unit.Voids,
            Late = unit.Late,
            Rung = climb.Rung,
            Lap = climb.Lap,
            Cleared = unit.Cleared,
            Reach = Reach(stage, climb),
            Place = unit.Place,
            Asked = AskedName(stage, unit, done),
            Done = done,
            Finished = unit.Finished,
            Running = ran,
            Zones = Zones(stage, unit),
            Counts = Counts(stage, unit),
            Tags = [.. stage.Tags.Select((kind, index) => TagOf(stage, kind, unit.StateOf<TagState>()!.Counts[index]))],
            Readings = ReadingsOf(stage, unit),
            Window = new WindowReport(
                climb.Made,
                climb.Taken,
                [.. Enumerable.Range(0, Math.Min(64, climb.Taken)).Select(i => (climb.Hits >> i & 1) == 1)]
            ),
            Off = !unit.IsOn,
            OwnCount = unit.OwnCount,
        };
    }

    private static double? Reach(Stage stage, Climb climb) =>
        stage.Ladder?.Rungs is Rungs.Distances distances && climb.Highest >= 0 ? distances.At(climb.Highest) : null;

    private static string? AskedName(Stage stage, UnitTally unit, bool done) =>
        Asked(stage, unit, done) is >= 0 and var asked ? stage.Targets!.Names[asked] : null;

    /// <summary>The position of the zone asked next, or -1.</summary>
    internal static int Asked(Stage stage, UnitTally unit, bool done) =>
        !done && unit.StateOf<TargetState>() is { } state && stage.Targets is { } targets && !state.AllAnswered(targets)
            ? state.Asked(targets)
            : -1;

    private static List<KeyValuePair<string, IReadOnlyList<KeyValuePair<string, int>>>> Zones(Stage stage, UnitTally unit)
    {
        var rows = new List<KeyValuePair<string, IReadOnlyList<KeyValuePair<string, int>>>>();
        if (stage.Targets is not { } targets || unit.StateOf<TargetState>() is not { } state)
        {
            return rows;
        }

        for (var asked = 0; asked < targets.Names.Count; asked++)
        {
            var row = asked;
            var landed = targets
                .Names.Append(Targets.None)
                .Select((name, column) => new KeyValuePair<string, int>(name, state.Landed[row, column]))
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
            var counted = CountNames(stage)
                .Select((name, outcome) => new KeyValuePair<string, int>(name, counts[row, outcome]))
                .Where(pair => pair.Value > 0)
                .ToArray();
            if (counted.Length > 0)
            {
                values.Add(new(kind.Values[value].Key, counted));
            }
        }

        return new TagReport(kind.Id, values);
    }

    private static ReadingsReport ReadingsOf(Stage stage, UnitTally unit) =>
        unit.Readings is { Count: > 0 } readings
            ? new ReadingsReport(readings.Count, UnitFigures.Best(stage, readings), readings.Mean, readings.Last)
            : new ReadingsReport(0, null, null, null);

    internal static UnitSnapshot Snapshot(Stage stage, UnitTally unit, bool done)
    {
        var climb = unit.StateOf<Climb>() ?? NoClimb;
        return new UnitSnapshot
        {
            Points = unit.Points,
            Attempts = unit.Attempts,
            Successes = unit.Successes,
            Taps = unit.Taps,
            Streak = unit.Streak,
            BestStreak = unit.BestStreak,
            Outs = unit.Outs,
            Rung = climb.Rung,
            Lap = climb.Lap,
            Cleared = unit.Cleared,
            Made = climb.Made,
            Taken = climb.Taken,
            Hits = climb.Hits,
            Answered = unit.StateOf<TargetState>()?.Answered ?? 0,
            Readings = unit.Readings.Sum,
            Place = unit.Place,
            Asked = AskedName(stage, unit, done),
            Done = done,
        };
    }
}
