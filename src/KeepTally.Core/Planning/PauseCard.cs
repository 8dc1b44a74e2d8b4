using KeepTally.Core.Formats;

namespace KeepTally.Core.Planning;

/// <summary>
/// The card of a break or a talk while a practice is run: nothing is counted, and its clock tells how long it still is.
/// </summary>
public static class PauseCard
{
    /// <summary>The id of every such card.</summary>
    public const string Id = "pause";

    /// <param name="name">What it is called, such as "Water".</param>
    /// <param name="minutes">The minutes of the break.</param>
    /// <returns>The card as JSON of <c>keep-tally/drill@1</c>.</returns>
    public static string Write(string name, double minutes) =>
        ClockCard.Write(Id, name, "none", minutes * 60, change: 0, rounds: 1, countIn: 0);
}
