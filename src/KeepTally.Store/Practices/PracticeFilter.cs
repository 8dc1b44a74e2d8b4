using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Practices;

/// <summary>Which practices a list shows, and in which order.</summary>
/// <param name="Text">Part of the practice's title or of a drill's name; empty for any.</param>
/// <param name="Team">Of this team; null for any.</param>
/// <param name="From">Not before this day.</param>
/// <param name="To">Not after this day.</param>
/// <param name="OldestFirst">The oldest first, and not the latest.</param>
public sealed record PracticeFilter(
    string Text = "",
    int? Team = null,
    DateOnly? From = null,
    DateOnly? To = null,
    bool OldestFirst = false
)
{
    /// <summary>All of them, the latest first.</summary>
    public static PracticeFilter None { get; } = new();

    /// <summary>Whether it leaves any out.</summary>
    public bool IsSet => this with { OldestFirst = false } != None;

    internal IQueryable<Practice> Of(IQueryable<Practice> practices)
    {
        if (Text.Trim() is { Length: > 0 } text)
        {
            var like = $"%{text.Replace(@"\", @"\\").Replace("%", @"\%").Replace("_", @"\_")}%";
            practices = practices.Where(practice =>
                EF.Functions.Like(practice.Title, like, @"\")
                || practice.Blocks.Any(block => EF.Functions.Like(block.CardVersion!.Name, like, @"\"))
            );
        }

        practices = practices.Where(practice =>
            (Team == null || practice.TeamId == Team)
            && (From == null || practice.Date >= From)
            && (To == null || practice.Date <= To)
        );
        return OldestFirst
            ? practices.OrderBy(practice => practice.Date).ThenBy(practice => practice.Id)
            : practices.OrderByDescending(practice => practice.Date).ThenByDescending(practice => practice.Id);
    }
}
