namespace KeepTally.Screen.Views;

/// <summary>The places of a sheet as they are drawn, in units of the board.</summary>
/// <param name="Sheet">The id of the sheet.</param>
/// <param name="Name">The name, as it is shown.</param>
/// <param name="Width">The width of the floor.</param>
/// <param name="Height">The height of the floor.</param>
/// <param name="Places">The places, in the order of the card.</param>
/// <param name="Bibs">The bibs, one for each player.</param>
/// <param name="Scores">How everybody who carries a score stands, in their order; none where nobody does.</param>
/// <param name="Moving">The places are moving on now.</param>
public sealed record BoardView(
    string Sheet,
    string Name,
    double Width,
    double Height,
    IReadOnlyList<BoardBox> Places,
    IReadOnlyList<BibView> Bibs,
    IReadOnlyList<BoardScore> Scores,
    bool Moving
)
{
    /// <summary>The scores, the lead, and the board drawn as SVG.</summary>
    public string Picture { get; init; } = "";
}
