namespace KeepTally.Screen.Views;

/// <summary>One line of the pad: whom a tap there means, and how that unit stands.</summary>
/// <param name="Unit">The unit's id, or null where nobody stands.</param>
/// <param name="Name">The name, as it is shown.</param>
/// <param name="Score">The score, in words.</param>
/// <param name="Strokes">The score as strokes.</param>
/// <param name="Detail">How the unit stands besides its score.</param>
/// <param name="Gate">The open window of a ladder: <c>h</c> a hit, <c>m</c> a miss, <c>-</c> still to come.</param>
/// <param name="Streak">The successes in a row.</param>
/// <param name="Done">True once it is over.</param>
/// <param name="Leads">True for the unit that leads.</param>
/// <param name="Asked">The zone asked next, or empty.</param>
/// <param name="Barred">What a tap may not carry again now, each as <c>tag=value</c> on a line of its own.</param>
/// <param name="Said">What the next tap carries until the coach says otherwise, written likewise.</param>
/// <param name="Waits">It is another's turn.</param>
/// <param name="Ball">This side has the ball.</param>
/// <param name="Withheld">Outcomes that are not this unit's to be tapped for now, each on a line of its own.</param>
/// <param name="Members">Who makes up the group or side now, by first names.</param>
/// <param name="Last">Whether this is the last ball of a round that is over.</param>
public sealed record RowView(
    string? Unit,
    string Name,
    string Score,
    int Strokes,
    string Detail,
    string Gate,
    string Streak,
    bool Done,
    bool Last,
    bool Leads,
    string Asked,
    string Barred,
    string Said,
    bool Waits,
    bool Ball,
    string Withheld,
    string Members
)
{
    /// <summary>The line of a place where nobody stands.</summary>
    public static RowView Nobody { get; } =
        new(null, "Nobody here", "", 0, "", "", "", false, false, false, "", "", "", false, false, "", "");
}
