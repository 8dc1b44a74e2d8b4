namespace KeepTally.Core.Courts;

/// <summary>A court or field as the rule book of its sport publishes it.</summary>
/// <param name="Id">As it is written in a layout: "handball".</param>
/// <param name="Name">As it is said: "Handball".</param>
/// <param name="Length">Its length.</param>
/// <param name="Width">Its width.</param>
/// <param name="Source">The rule book, with its edition.</param>
/// <param name="Paint">What is painted on a floor of a length and width, in metres.</param>
public sealed record Court(
    string Id,
    string Name,
    Extent Length,
    Extent Width,
    string Source,
    Func<double, double, IEnumerable<Marking>> Paint
)
{
    /// <summary>The goal of the sport, where it has one: its clear width and height in metres.</summary>
    public (double Width, double Height)? Goal { get; init; }

    /// <summary>Points that are found without a tape, besides the corners, on a floor of a length and width.</summary>
    public Func<double, double, IEnumerable<Landmark>> Finds { get; init; } = (_, _) => [];
}
