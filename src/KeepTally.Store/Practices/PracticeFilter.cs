using KeepTally.Store.Database;
using KeepTally.Store.Seasons;
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
    /// <summary>Of this season alone; null of any.</summary>
    public Season? Season { get; init; }

    /// <summary>Leaves out the practices of closed seasons.</summary>
    public bool PresentOnly { get; init; }

    /// <summary>All of them, the latest first.</summary>
    public static PracticeFilter None { get; } = new();

    /// <summary>Whether anything was searched for.</summary>
    public bool IsSet => this with { OldestFirst = false, Season = null, PresentOnly = false } != None;

    /// <summary>Those of some practices that it lets through.</summary>
    internal IQueryable<Practice> Of(TallyDb db, IQueryable<Practice> practices)
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
        if (Season is { } season)
        {
            practices = practices.Where(practice =>
                practice.TeamId == season.Team
                && (season.First == null || practice.Date >= season.First)
                && (season.Last == null || practice.Date <= season.Last)
            );
        }

        if (PresentOnly)
        {
            practices = practices.Where(practice =>
                !db.Seasons.Any(closed => closed.TeamId == practice.TeamId && closed.LastDay >= practice.Date)
            );
        }

        return practices;
    }

    /// <summary>The same in the order it asks for.</summary>
    internal IQueryable<Practice> Ordered(IQueryable<Practice> practices) =>
        OldestFirst
            ? practices.OrderBy(practice => practice.Date).ThenBy(practice => practice.Id)
            : practices.OrderByDescending(practice => practice.Date).ThenByDescending(practice => practice.Id);
}
