namespace KeepTally.Store.Book;

/// <summary>A search in the drill book. A property that is empty does not narrow it.</summary>
/// <param name="Text">The words searched for; empty for all cards.</param>
/// <param name="Sport">The sport; empty for any.</param>
/// <param name="Skill">The skill; empty for any.</param>
/// <param name="Players">How many are here in one group.</param>
/// <param name="Minutes">How long there is at most.</param>
/// <param name="Effort">The hardest effort wanted, 1 to 5.</param>
/// <param name="AtHand">The equipment there is; null where that does not matter.</param>
/// <param name="RestedDays">Only what was not done for so many days.</param>
public sealed record BookFilter(
    string? Text = null,
    string? Sport = null,
    string? Skill = null,
    int? Players = null,
    double? Minutes = null,
    int? Effort = null,
    IReadOnlySet<string>? AtHand = null,
    int? RestedDays = null
)
{
    /// <summary>A card of any sport fits every sport.</summary>
    public const string AnySport = "any sport";

    /// <summary>The place of a drill in the order of a team: 0 for its own sport, 1 for any sport, 2 for others.</summary>
    /// <param name="sports">The sports of the drill.</param>
    /// <param name="sport">The sport of the team; empty for none, and then all are 0.</param>
    public static int Rank(IReadOnlyList<string> sports, string sport) =>
        sport.Length == 0 || sports.Contains(sport) ? 0
        : sports.Contains(AnySport) ? 1
        : 2;

    public bool Fits(BookEntry entry, DateOnly today)
    {
        var card = entry.Card;
        return (Text is null || BookSearch.Finds(Text, card))
            && (Sport is null || card.Sports.Contains(Sport) || card.Sports.Contains(AnySport))
            && (Skill is null || card.Skills.Contains(Skill))
            && (Players is not { } players || (players >= card.Players.Min && players <= card.Players.Max))
            && (Minutes is not { } minutes || card.Minutes <= minutes)
            && (Effort is not { } effort || card.Intensity <= effort)
            && (AtHand is null || card.Equipment.All(each => each.Count == 0 || AtHand.Contains(each.Item)))
            && (RestedDays is not { } days || entry.LastDone is not { } last || today.DayNumber - last.DayNumber >= days);
    }
}
