namespace KeepTally.Screen.Views;

/// <summary>A player's bib: where it stands, and where it goes next.</summary>
/// <param name="Id">The id of the player.</param>
/// <param name="Letters">The letters on the bib.</param>
/// <param name="Name">The name, as it is shown.</param>
/// <param name="Pattern">Which of the four bibs.</param>
/// <param name="X">The left edge, as a share of the width.</param>
/// <param name="Y">The upper edge, as a share of the height.</param>
/// <param name="Size">The size, as a share of the width.</param>
/// <param name="ToX">The left edge after the rotation.</param>
/// <param name="ToY">The upper edge after the rotation.</param>
/// <param name="ToSize">The size after the rotation.</param>
/// <param name="Arrow">The way there as an SVG path; empty for who stays at the place.</param>
public sealed record BibView(
    string Id,
    string Letters,
    string Name,
    int Pattern,
    double X,
    double Y,
    double Size,
    double ToX,
    double ToY,
    double ToSize,
    string Arrow
);
