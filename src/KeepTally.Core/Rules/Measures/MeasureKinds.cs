using System.Globalization;
using KeepTally.Core.Cards;
using KeepTally.Core.Text;
using KeepTally.Core.Time;

namespace KeepTally.Core.Rules.Measures;

/// <summary>Everything that units can be ranked by. To add one is to add it here and to <see cref="All"/>.</summary>
public static class MeasureKinds
{
    /// <summary>Points.</summary>
    public static MeasureKind Points { get; } =
        new(
            "points",
            "points",
            "Points",
            unit => unit.Points,
            (_, better) => better == Better.High ? "most points" : "fewest points",
            value => $"{Phrase.Figure(value)} {Phrase.Plural(value, "point")}"
        )
        {
            IsCount = true,
        };

    /// <summary>Successful attempts.</summary>
    public static MeasureKind Successes { get; } =
        new(
            "successes",
            "makes",
            "Makes",
            unit => unit.Successes,
            (_, better) => better == Better.High ? "most makes" : "fewest makes",
            value => $"{Phrase.Figure(value)} {Phrase.Plural(value, "make")}"
        )
        {
            IsCount = true,
        };

    /// <summary>Attempts.</summary>
    public static MeasureKind Attempts { get; } =
        new(
            "attempts",
            "goes",
            "Goes",
            unit => unit.Attempts,
            (_, better) => better == Better.High ? "most goes" : "fewest goes",
            value => $"{Phrase.Figure(value)} {Phrase.Plural(value, "go")}"
        );

    /// <summary>Successes of attempts, from 0 to 1; none without attempts.</summary>
    public static MeasureKind Accuracy { get; } =
        new(
            "accuracy",
            "share made",
            "Share made",
            unit => unit.Accuracy,
            (_, better) => better == Better.High ? "the best share made" : "the lowest share made",
            value => $"{Phrase.Figure(value * 100)} % made"
        )
        {
            Figure = static share => share.ToString("0 %", CultureInfo.InvariantCulture),
        };

    /// <summary>The longest run of successes.</summary>
    public static MeasureKind BestStreak { get; } =
        new(
            "bestStreak",
            "longest run",
            "Best run",
            unit => unit.BestStreak,
            (_, better) => better == Better.High ? "the longest run" : "the shortest run",
            value => $"{Phrase.Figure(value)} in a row"
        )
        {
            IsCount = true,
            CountsRuns = true,
        };

    /// <summary>Rungs of a ladder cleared.</summary>
    public static MeasureKind Cleared { get; } =
        new(
            "cleared",
            "steps cleared",
            "Cleared",
            unit => unit.Cleared,
            (_, better) => better == Better.High ? "most steps cleared" : "fewest steps cleared",
            value => $"{Phrase.Figure(value)} {Phrase.Plural(value, "step")} cleared"
        )
        {
            IsCount = true,
        };

    /// <summary>Running seconds of the unit's own; none for one that has not begun.</summary>
    public static MeasureKind Seconds { get; } =
        new(
            "seconds",
            "time",
            "Time",
            unit => unit.Running > Duration.Zero ? unit.Running.TotalSeconds : null,
            (_, better) => better == Better.High ? "the longest time" : "the quickest time",
            value => Phrase.Span(Duration.FromSeconds(value))
        )
        {
            LowIsOfFinished = true,
            Figure = static seconds => string.Create(CultureInfo.InvariantCulture, $"{(int)seconds / 60}:{(int)seconds % 60:00}"),
        };

    /// <summary>Outs.</summary>
    public static MeasureKind Outs { get; } =
        new(
            "outs",
            "outs",
            "Outs",
            unit => unit.Outs,
            (_, better) => better == Better.High ? "most outs" : "fewest outs",
            value => $"{Phrase.Figure(value)} {Phrase.Plural(value, "out")}"
        );

    /// <summary>The place taken by leaving, from 1; none for who has not left.</summary>
    public static MeasureKind Place { get; } =
        new(
            "place",
            "order of leaving",
            "Place",
            unit => unit.Place,
            (_, better) => better == Better.High ? "who left last" : "who left first",
            value => $"{Phrase.Ordinal((int)value)} place"
        );

    /// <summary>The best of the numbers that taps carried.</summary>
    public static MeasureKind ReadingBest { get; } =
        new(
            "readingBest",
            "best reading",
            "Best",
            unit => unit.ReadingBest,
            (stage, better) => Reading(stage, better, "single go", "in one go"),
            Phrase.Figure
        )
        {
            IsReading = true,
        };

    /// <summary>The mean of the numbers that taps carried.</summary>
    public static MeasureKind ReadingMean { get; } =
        new(
            "readingMean",
            "average reading",
            "Mean",
            unit => unit.ReadingMean,
            (stage, better) => Reading(stage, better, "average", "on average"),
            Phrase.Figure
        )
        {
            IsReading = true,
        };

    /// <summary>Taps that came too late.</summary>
    public static MeasureKind Late { get; } =
        new(
            "late",
            "late taps",
            "Late",
            unit => unit.Late,
            (_, better) => better == Better.High ? "most late taps" : "fewest late taps",
            value => $"{Phrase.Figure(value)} late"
        );

    /// <summary>Taps that counted for nothing.</summary>
    public static MeasureKind Voids { get; } =
        new(
            "voids",
            "that did not count",
            "Void",
            unit => unit.Voids,
            (_, better) => better == Better.High ? "most that did not count" : "fewest that did not count",
            value => $"{Phrase.Figure(value)} that do not count"
        );

    /// <summary>The units' own counts.</summary>
    public static MeasureKind OwnCount { get; } =
        new(
            "ownCount",
            "own count",
            "Own count",
            unit => unit.OwnCount,
            (_, better) => better == Better.High ? "the most by own count" : "the fewest by own count",
            value => $"{Phrase.Figure(value)} by own count"
        )
        {
            IsCount = true,
        };

    /// <summary>All of them, the usual one first.</summary>
    public static IReadOnlyList<MeasureKind> All { get; } =
    [
        Points,
        Successes,
        Attempts,
        Accuracy,
        BestStreak,
        Cleared,
        Seconds,
        Outs,
        Place,
        ReadingBest,
        ReadingMean,
        Late,
        Voids,
        OwnCount,
    ];

    private static string Reading(Stage stage, Better better, string of, string counted) =>
        (stage.Outcomes.Select(outcome => outcome.Reading).FirstOrDefault(reading => reading is not null), better) switch
        {
            ("s", Better.Low) => $"the quickest {of}",
            ("s" or "m", Better.High) => $"the longest {of}",
            ("m", Better.Low) => $"the shortest {of}",
            ("km/h", Better.High) => $"the fastest {of}",
            ("km/h", Better.Low) => $"the slowest {of}",
            (null, Better.High) => $"the highest {of}",
            (null, _) => $"the lowest {of}",
            (var unit, Better.High) => $"the most {unit} {counted}",
            (var unit, _) => $"the fewest {unit} {counted}",
        };
}
