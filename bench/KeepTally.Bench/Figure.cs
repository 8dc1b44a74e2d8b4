namespace KeepTally.Bench;

/// <summary>One line of the table: what was measured, and the bar it is held against.</summary>
/// <param name="What">What was measured.</param>
/// <param name="Value">The figure.</param>
/// <param name="Unit">The unit of the figure.</param>
/// <param name="Ratio">The figure against a yardstick of the same run, or null.</param>
/// <param name="Beside">The name of the yardstick.</param>
/// <param name="Most">The bar; null where the figure is a yardstick itself.</param>
/// <param name="OfRatio">The bar is for the ratio, not for the figure.</param>
internal sealed record Figure(
    string What,
    double Value,
    string Unit,
    double? Ratio = null,
    string Beside = "",
    double? Most = null,
    bool OfRatio = false
)
{
    internal bool? Holds => Most is { } most ? (OfRatio ? Ratio : Value) <= most : null;
}
