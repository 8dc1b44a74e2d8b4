using System.Globalization;
using KeepTally.Core.Cards;
using KeepTally.Core.Tallies;

namespace KeepTally.Core.Rules.Measures;

/// <summary>
/// Something units can be ranked by: where its value comes from and how it is told. The constructor asks for each part, so
/// that none is forgotten. Source: docs/formats.md, section 2, <c>measure.by</c>.
/// </summary>
public sealed class MeasureKind
{
    /// <param name="word">How the card writes it.</param>
    /// <param name="label">What the editor calls it.</param>
    /// <param name="heading">What a column of results is headed.</param>
    /// <param name="value">The value of a unit, or null where it has none.</param>
    /// <param name="ranked">What ranks, in words: whether the most or the least is best.</param>
    /// <param name="told">A value in words.</param>
    internal MeasureKind(
        string word,
        string label,
        string heading,
        Func<Figures, double?> value,
        Func<Stage, Better, string> ranked,
        Func<double, string> told
    ) => (Word, Label, Heading, Value, Ranked, Told) = (word, label, heading, value, ranked, told);

    /// <summary>How the card writes it.</summary>
    public string Word { get; }

    /// <summary>The label in the editor.</summary>
    public string Label { get; }

    /// <summary>The heading of its column in results.</summary>
    public string Heading { get; }

    /// <summary>Whether it is a count of something done, which can be shown as strokes.</summary>
    public bool IsCount { get; init; }

    /// <summary>Whether it comes from numbers that taps carry.</summary>
    public bool IsReading { get; init; }

    /// <summary>A value as it stands in a table.</summary>
    public Func<double, string> Figure { get; init; } = static value => value.ToString("0.##", CultureInfo.InvariantCulture);

    /// <summary>Where little is good, it says something only of who finished: a turn cut short is no quick one.</summary>
    internal bool LowIsOfFinished { get; init; }

    /// <summary>Whether it hangs on the runs of successes.</summary>
    internal bool CountsRuns { get; init; }

    /// <summary>The value of a unit, or null where it has none.</summary>
    internal Func<Figures, double?> Value { get; }

    /// <summary>The measure in words.</summary>
    internal Func<Stage, Better, string> Ranked { get; }

    /// <summary>A value in words.</summary>
    public Func<double, string> Told { get; }

    /// <summary>How the card writes it.</summary>
    public override string ToString() => Word;
}

/// <summary>Which end of a measure is the good one.</summary>
public enum Better
{
    /// <summary>The most.</summary>
    High,

    /// <summary>The least.</summary>
    Low,
}
