namespace KeepTally.Screen.Charts;

/// <summary>A chart as a page shows it.</summary>
/// <param name="Finding">What it shows, in a sentence that stands above it.</param>
/// <param name="Svg">The picture.</param>
/// <param name="Key">What its marks mean; empty where that is plain.</param>
public sealed record ChartView(string Finding, string Svg, string Key = "")
{
    /// <summary>The same in figures, for who cannot see it or wants to know exactly; null where a table beside it says the same.</summary>
    public ChartTable? Table { get; init; }
}

/// <summary>The figures of a chart.</summary>
/// <param name="Caption">What the table holds.</param>
/// <param name="Head">The columns; the first is the name of each row.</param>
/// <param name="Rows">The rows, each with as many cells as there are columns.</param>
public sealed record ChartTable(string Caption, IReadOnlyList<string> Head, IReadOnlyList<IReadOnlyList<string>> Rows);
