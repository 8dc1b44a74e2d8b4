using KeepTally.Core.Formats;

namespace KeepTally.Core.Circuits;

/// <summary>
/// The card of a circuit itself: no scores of its own, only the clock that sends the groups round. The drills of its
/// stations keep their own cards.
/// </summary>
public static class CircuitCard
{
    /// <summary>The id of every such card.</summary>
    public const string Id = "circuit";

    private const int CountIn = 5;

    /// <param name="name">The name.</param>
    /// <param name="work">Seconds at each station.</param>
    /// <param name="change">Seconds between stations.</param>
    /// <param name="rounds">The number of rounds.</param>
    /// <returns>The card as JSON of <c>keep-tally/drill@1</c>.</returns>
    public static string Write(string name, double work, double change, int rounds) =>
        ClockCard.Write(Id, name, "group", work, change, rounds, CountIn);
}
