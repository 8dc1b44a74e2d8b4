using KeepTally.Core.Courts;

namespace KeepTally.Core.Layout;

/// <summary>A floor to scale, in metres.</summary>
/// <param name="Name">The court it is of, or empty.</param>
/// <param name="Source">The rule book its sizes are from, or empty.</param>
/// <param name="Length">Along x.</param>
/// <param name="Width">Along y.</param>
/// <param name="Markings">What is painted on it; of a part of a court those of the whole, to be cut at its edge.</param>
/// <param name="Landmarks">Where a coach without a tape can begin to pace; at least one.</param>
public sealed record Surface(
    string Name,
    string Source,
    double Length,
    double Width,
    IReadOnlyList<Marking> Markings,
    IReadOnlyList<Landmark> Landmarks
);
