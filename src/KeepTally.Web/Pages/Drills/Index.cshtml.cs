using System.Text;
using KeepTally.Store.Book;
using KeepTally.Store.Squads;
using KeepTally.Web.Access;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Drills;

/// <summary>The drill book: cards to browse, and what narrows them down.</summary>
public sealed class IndexModel(DrillBook book, SquadBook squad, TimeProvider clock) : PageModel
{
    [BindProperty(SupportsGet = true)]
    public string? Text { get; set; }

    [BindProperty(SupportsGet = true)]
    public string? Sport { get; set; }

    [BindProperty(SupportsGet = true)]
    public string? Skill { get; set; }

    [BindProperty(SupportsGet = true)]
    public int? Players { get; set; }

    [BindProperty(SupportsGet = true)]
    public double? Minutes { get; set; }

    [BindProperty(SupportsGet = true)]
    public int? Effort { get; set; }

    [BindProperty(SupportsGet = true)]
    public int? Rested { get; set; }

    [BindProperty(SupportsGet = true)]
    public string[] Hand { get; set; } = [];

    [BindProperty(SupportsGet = true)]
    public bool Archived { get; set; }

    /// <summary>How many cards are shown at most; more are asked for by a link.</summary>
    [BindProperty(SupportsGet = true)]
    public int Shown { get; set; } = Step;

    public const int Step = 48;

    public IReadOnlyList<BookEntry> Found { get; private set; } = [];

    public int All { get; private set; }

    public IReadOnlyList<string> Sports { get; private set; } = [];

    public IReadOnlyList<string> Skills { get; private set; } = [];

    public IReadOnlyList<string> Items { get; private set; } = [];

    public DateOnly Today { get; private set; }

    /// <summary>Cards that no longer read, whatever is looked for.</summary>
    public IReadOnlyList<UnreadableCard> Unreadable { get; private set; } = [];

    /// <summary>The sport of the team, whose drills come first; empty where it has none or another was asked for.</summary>
    public string First { get; private set; } = "";

    public bool IsNarrowed =>
        Text is { Length: > 0 }
        || Sport is { Length: > 0 }
        || Skill is { Length: > 0 }
        || Players is not null
        || Minutes is not null
        || Effort is not null
        || Rested is not null
        || Hand.Length > 0;

    public async Task<IActionResult> OnGetAsync(CancellationToken cancellationToken)
    {
        Today = DateOnly.FromDateTime(clock.GetLocalNow().DateTime);
        var (all, unreadable) = await book.AllAsync(Archived, cancellationToken);
        Unreadable = unreadable;
        All = all.Count;
        Sports = Distinct(all, entry => entry.Card.Sports.Where(sport => sport != BookFilter.AnySport));
        Skills = Distinct(all, entry => entry.Card.Skills);
        Items = Distinct(all, entry => entry.Card.Equipment.Select(each => each.Item));
        First = Sport is { Length: > 0 } ? "" : (await squad.TeamAsync(HttpContext.ChosenTeam(null), cancellationToken)).Sport;
        var filter = new BookFilter(
            Given(Text),
            Given(Sport),
            Given(Skill),
            Players,
            Minutes,
            Effort,
            Hand.Length > 0 ? Hand.ToHashSet(StringComparer.Ordinal) : null,
            Rested
        );
        Found =
        [
            .. all.Where(entry => filter.Fits(entry, Today))
                .OrderByDescending(entry => filter.Text is { } text && BookSearch.IsName(text, entry.Card))
                .ThenBy(entry => BookFilter.Rank(entry.Card.Sports, First)),
        ];
        return Request.Headers.ContainsKey("HX-Request") ? Partial("_Found", this) : Page();
    }

    /// <summary>The whole book as one file.</summary>
    public async Task<IActionResult> OnGetBookAsync(CancellationToken cancellationToken) =>
        File(Encoding.UTF8.GetBytes(await book.ExportAsync(cancellationToken)), "application/json", "drill-book.json");

    private static string? Given(string? text) => string.IsNullOrWhiteSpace(text) ? null : text.Trim();

    private static string[] Distinct(IReadOnlyList<BookEntry> all, Func<BookEntry, IEnumerable<string>> of) =>
        [.. all.SelectMany(of).Distinct().Order(StringComparer.OrdinalIgnoreCase)];
}
