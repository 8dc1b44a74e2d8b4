using KeepTally.Core.Circuits;
using KeepTally.Core.Identity;

namespace KeepTally.Core.Live;

/// <summary>A sheet of a drill being done live.</summary>
/// <param name="Id">The id of the sheet.</param>
/// <param name="Name">The group's or court's letter; in a circuit the drill of its station; empty where there is only one sheet.</param>
/// <param name="Sheet">The sheet.</param>
/// <param name="Stop">In a circuit, where on the way round this sheet is kept; null on the sheet that keeps the circuit's clock.</param>
public sealed record RunSheet(SheetId Id, string Name, Sheet Sheet, CircuitStop? Stop = null)
{
    /// <summary>The best results of earlier practices.</summary>
    public PastBests Bests { get; init; } = PastBests.None;
}
