using KeepTally.Core.Identity;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Tallies;
using KeepTally.Core.Time;

namespace KeepTally.Core.Scoring;

/// <summary>How a sheet stands at one moment. Source: docs/formats.md, section 2.</summary>
public sealed record ScoreReport(
    int Stage,
    bool Started,
    bool Done,
    PlayerId? Winner,
    PlayerId? Turn,
    PlayerId? Ball,
    RunningTime Running,
    int Late,
    IReadOnlyList<UnitReport> Units,
    IReadOnlyList<RankedUnit> Ranking,
    IReadOnlyList<FreezeReport> Freezes,
    IReadOnlyList<Stay> Stays
)
{
    /// <summary>Games of the sheet before this one, the first one first; each was over because another was begun.</summary>
    public IReadOnlyList<ScoreReport> Earlier { get; init; } = [];

    /// <summary>The habits seen while this sheet was kept.</summary>
    public IReadOnlyList<HabitReport> Habits { get; init; } = [];

    /// <summary>A tap or an own count exists for the unit.</summary>
    public bool IsTapped => Units.Any(unit => unit.OwnCount is not null || unit.Counts.Any(count => count.Value > 0));

    /// <summary>The outcome that won it at once, by its id; null where it was won otherwise, or not at all.</summary>
    public string? WonWith { get; init; }

    /// <summary>Whether it went on until its rules or its clock ended it.</summary>
    public bool PlayedOut { get; init; }

    /// <summary>Every game in turn; one that was begun and left before anything was tapped is none.</summary>
    public IReadOnlyList<ScoreReport> Games => IsTapped || PlayedOut || Earlier.Count == 0 ? [.. Earlier, this] : Earlier;
}

/// <summary>How one unit of a sheet stands at a moment.</summary>
public sealed record UnitReport
{
    /// <summary>The id of the unit.</summary>
    public required PlayerId Id { get; init; }

    /// <summary>Its points; they may be below nought.</summary>
    public required double Points { get; init; }

    /// <summary>Its attempts.</summary>
    public required int Attempts { get; init; }

    /// <summary>Its successful attempts.</summary>
    public required int Successes { get; init; }

    /// <summary>Its run of successes.</summary>
    public required int Streak { get; init; }

    /// <summary>The longest run of successes.</summary>
    public required int BestStreak { get; init; }

    /// <summary>Its outs.</summary>
    public required int Outs { get; init; }

    /// <summary>Its taps that counted for nothing.</summary>
    public required int Voids { get; init; }

    /// <summary>Its taps that came too late.</summary>
    public required int Late { get; init; }

    /// <summary>The rung of the ladder it is at, from 0.</summary>
    public required int Rung { get; init; }

    /// <summary>The lap of the ladder it is in, from 0.</summary>
    public required int Lap { get; init; }

    /// <summary>Rungs cleared in all.</summary>
    public required int Cleared { get; init; }

    /// <summary>The distance of the furthest rung cleared, or null.</summary>
    public required double? Reach { get; init; }

    /// <summary>The place taken by leaving, or null.</summary>
    public required int? Place { get; init; }

    /// <summary>The zone asked next, or null.</summary>
    public required string? Asked { get; init; }

    /// <summary>How many it said itself that it had, over all rounds; null where it said nothing.</summary>
    public int? OwnCount { get; init; }

    /// <summary>Its points when the second half began, or so far while the break lasts; null where there are no halves, or in the first.</summary>
    public double? FirstHalf { get; init; }

    /// <summary>Whether it has done all there is to do.</summary>
    public required bool Done { get; init; }

    /// <summary>Whether the unit finished by its own goes, and not by the clock, the coach, or another's win.</summary>
    public required bool Finished { get; init; }

    /// <summary>The running time that is its own.</summary>
    public required Duration Running { get; init; }

    /// <summary>Asked zone, where it went, how many.</summary>
    public required IReadOnlyList<KeyValuePair<string, IReadOnlyList<KeyValuePair<string, int>>>> Zones { get; init; }

    /// <summary>How many counted taps of each outcome.</summary>
    public required IReadOnlyList<KeyValuePair<string, int>> Counts { get; init; }

    /// <summary>How many counted taps carried each value of each tag.</summary>
    public required IReadOnlyList<TagReport> Tags { get; init; }

    /// <summary>The numbers that its taps carried.</summary>
    public required ReadingsReport Readings { get; init; }

    /// <summary>The open window of a ladder, attempt by attempt; empty without one.</summary>
    public required WindowReport Window { get; init; }

    /// <summary>The unit has gone off the sheet; what it scored stands.</summary>
    public required bool Off { get; init; }

    /// <summary>Successes of attempts; null with no attempts.</summary>
    public double? Accuracy => Figures.Accuracy;

    /// <summary>Something was counted for it, or it said a count itself.</summary>
    public bool HadGo => OwnCount is not null || Counts.Any(count => count.Value > 0);

    /// <summary>Returns the value of a measure for the unit, or null where it has none.</summary>
    public double? Value(MeasureKind by) => by.Value(Figures);

    /// <summary>The value that ranks the unit by a measure, or null where it has none: the least time is only of a unit that finished.</summary>
    public double? Value(Measure measure) => measure.ValueOf(Figures);

    internal Figures Figures =>
        new()
        {
            Points = Points,
            Attempts = Attempts,
            Successes = Successes,
            BestStreak = BestStreak,
            Cleared = Cleared,
            Running = Running,
            Finished = Finished,
            Outs = Outs,
            Place = Place,
            ReadingBest = Readings.Best,
            ReadingMean = Readings.Mean,
            Late = Late,
            Voids = Voids,
            OwnCount = OwnCount,
        };
}

/// <summary>A kind of tag: for each value that came up, how many counted taps of each outcome carried it.</summary>
public sealed record TagReport(string Tag, IReadOnlyList<KeyValuePair<string, IReadOnlyList<KeyValuePair<string, int>>>> Values);

/// <summary>The numbers that taps of a unit carried: how many, the best, the mean and the last; null where there are none.</summary>
public sealed record ReadingsReport(int Count, double? Best, double? Mean, double? Last);

/// <summary>The open window of a ladder.</summary>
/// <param name="Made">Successes in the window, or in a row.</param>
/// <param name="Taken">Attempts in the window.</param>
/// <param name="Hits">The first attempts of the window, at most sixty-four.</param>
public sealed record WindowReport(int Made, int Taken, IReadOnlyList<bool> Hits);

/// <summary>Teaching stops for one reason.</summary>
/// <param name="Reason">Why the clock was stopped.</param>
/// <param name="Count">How often.</param>
/// <param name="Stood">For how long, by the wall clock.</param>
public sealed record FreezeReport(string Reason, int Count, Duration Stood);
