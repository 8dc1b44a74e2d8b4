using System.Globalization;
using KeepTally.Store.Practices;
using KeepTally.Store.Seasons;
using KeepTally.Store.Tables;

namespace KeepTally.Web.Pages.Shared;

/// <summary>What is searched for in a list of practices, as the address keeps it.</summary>
public sealed class PracticeSearch
{
    /// <summary>The value of the field that stands for all seasons.</summary>
    public const string AllSeasons = "all";

    private const int LongestText = 100;

    /// <summary>Part of a title or of a drill's name.</summary>
    public string? Text { get; set; }

    /// <summary>The id of a team.</summary>
    public int? Of { get; set; }

    /// <summary>Not before this day; what is no date is left out.</summary>
    public DateOnly? From { get; set; }

    /// <summary>Not after this day; what is no date is left out.</summary>
    public DateOnly? To { get; set; }

    /// <summary>"all", the id of a closed season, or the present one.</summary>
    public string? Season { get; set; }

    /// <summary>"oldest", or the latest first.</summary>
    public string? Order { get; set; }

    /// <summary>Which practices that is; a season that is not there is the present one.</summary>
    public async Task<PracticeFilter> FilterAsync(SeasonBook seasons, CancellationToken cancellationToken)
    {
        var closed = int.TryParse(Season, NumberStyles.None, CultureInfo.InvariantCulture, out var id)
            ? await seasons.FindAsync(id, cancellationToken)
            : null;
        Season = closed is not null || Season == AllSeasons ? Season : null;
        return new PracticeFilter(
            Text is { Length: > LongestText } ? Text[..LongestText] : Text ?? "",
            Of,
            From,
            To,
            Order == "oldest"
        )
        {
            Season = closed,
            PresentOnly = Season is null,
        };
    }
}

/// <summary>The form that searches a list of practices.</summary>
/// <param name="Address">Where it is sent.</param>
/// <param name="Target">The id of the part of the page that is shown anew.</param>
/// <param name="Search">What is searched for.</param>
/// <param name="Teams">The teams to choose from.</param>
/// <param name="Seasons">The closed seasons to choose from.</param>
/// <param name="Sorts">Whether the list can be turned round.</param>
public sealed record PracticeSieve(
    string Address,
    string Target,
    PracticeSearch Search,
    IReadOnlyList<Team> Teams,
    IReadOnlyList<ClosedSeason> Seasons,
    bool Sorts
);
