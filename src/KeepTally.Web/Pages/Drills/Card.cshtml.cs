using System.Text;
using KeepTally.Core.Measures;
using KeepTally.Core.Planning;
using KeepTally.Store.Book;
using KeepTally.Store.People;
using KeepTally.Store.Planning;
using KeepTally.Store.Practices;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using KeepTally.Web.Drawing;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Drills;

/// <summary>One card of the book: what it is for, how it is set up, how it is scored, and what became of it.</summary>
public sealed class CardModel(
    PaceBook paces,
    DrillBook book,
    BlockWriter blocks,
    LinkBook links,
    PracticeList practices,
    SquadBook squad,
    TimeProvider clock
) : PageModel
{
    public required BookPage Shown { get; set; }

    /// <summary>Practices whose sheet is still open.</summary>
    public IReadOnlyList<Practice> Practices { get; private set; } = [];

    /// <summary>As many groups as the squad makes, each of the size that suits the card best; sides share one court.</summary>
    public int Groups { get; private set; } = 1;

    public DateOnly Today { get; private set; }

    /// <summary>The reader's units and stride.</summary>
    public Pacing Pacing { get; private set; }

    /// <summary>Why the card could not be put in a practice, in words for the coach.</summary>
    public string? Hindrance { get; private set; }

    /// <summary>The card; where it no longer reads, the editor, which says why and can fix it.</summary>
    public async Task<IActionResult> OnGetAsync(string id, int? version, CancellationToken cancellationToken) =>
        await LoadAsync(id, version, cancellationToken) ? Page()
        : version is null && await book.TextAsync(id, cancellationToken) is not null ? RedirectToPage("/Drills/Edit", new { id })
        : NotFound();

    /// <summary>The changes since the card was opened, for a page that stands open; nothing where there are none.</summary>
    /// <param name="id">The id of the card.</param>
    /// <param name="revision">The revision that the page shows.</param>
    /// <param name="archived">True where the page shows it as archived.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task<IActionResult> OnGetNewsAsync(string id, int revision, bool archived, CancellationToken cancellationToken)
    {
        if (await book.FindAsync(id, null, cancellationToken) is not { } page)
        {
            return NotFound();
        }

        var changes = page.ChangesSince(revision, archived);
        return changes.Count == 0
            ? new NoContentResult()
            : Partial("_Stale", new Shared.StalePage("This card", changes, Url.Page("/Drills/Card", values: new { id })!));
    }

    /// <summary>The content of a link to the card, for another club.</summary>
    public async Task<IActionResult> OnGetLinkAsync(string id, CancellationToken cancellationToken) =>
        await links.OfCardAsync(id, cancellationToken) is { } content ? Content(content, "application/json") : NotFound();

    /// <summary>The card's own text, as a file.</summary>
    public async Task<IActionResult> OnGetJsonAsync(string id, int? version, CancellationToken cancellationToken) =>
        await book.FindAsync(id, version, cancellationToken) is { } page ? Text(page.Shown.Json, id)
        : version is null && await book.TextAsync(id, cancellationToken) is { } stored ? Text(stored.Json, id)
        : NotFound();

    /// <summary>The set-up as a small picture. Its address names the revision of the card, so that a device keeps it for good.</summary>
    public async Task<IActionResult> OnGetThumbAsync(string id, int version, CancellationToken cancellationToken)
    {
        if (await book.FindAsync(id, version, cancellationToken) is not { Card.Layout: { } layout })
        {
            return NotFound();
        }

        Response.Headers.CacheControl = "private, max-age=31536000, immutable";
        return File(ThumbDrawing.Of(layout.By(Pacing.Usual.Stride)), "image/svg+xml");
    }

    private FileContentResult Text(string json, string id) => File(Encoding.UTF8.GetBytes(json), "application/json", $"{id}.json");

    public async Task<IActionResult> OnPostArchiveAsync(string id, bool away, CancellationToken cancellationToken) =>
        await book.ArchiveAsync(id, away, cancellationToken) ? RedirectToPage(new { id }) : NotFound();

    public async Task<IActionResult> OnPostPutAsync(string id, PutForm form, CancellationToken cancellationToken)
    {
        if (!ModelState.IsValid)
        {
            Hindrance = ModelState.Values.SelectMany(value => value.Errors).First().ErrorMessage;
            return await LoadAsync(id, null, cancellationToken) ? Page() : NotFound();
        }

        var added = await blocks.AddAsync(
            new DrillLine(form.Practice, id, form.Minutes, form.Groups, form.Chosen),
            cancellationToken
        );
        if (added.IsOk)
        {
            return RedirectToPage("/Index", new { practice = added.Value });
        }

        Hindrance = added.Faults[0].Told;
        return await LoadAsync(id, null, cancellationToken) ? Page() : NotFound();
    }

    /// <summary>A day and a time as coaches write them.</summary>
    public static string When(long at, TimeZoneInfo zone) =>
        TimeZoneInfo
            .ConvertTime(DateTimeOffset.FromUnixTimeMilliseconds(at), zone)
            .ToString("d MMMM yyyy, HH:mm", System.Globalization.CultureInfo.InvariantCulture);

    public string When(long at) => When(at, clock.LocalTimeZone);

    private async Task<bool> LoadAsync(string id, int? version, CancellationToken cancellationToken)
    {
        if (await book.FindAsync(id, version, cancellationToken) is not { } found)
        {
            return false;
        }

        (Pacing, _) = await paces.OfAsync(HttpContext.Caller()!, cancellationToken);

        Shown = found;
        var teams = await squad.TeamsAsync(cancellationToken);
        var first = teams.FirstOrDefault(each => each.Id == HttpContext.ChosenTeam()) ?? teams.FirstOrDefault();
        Practices = await practices.ToComeAsync(first?.Id, cancellationToken: cancellationToken);
        // Without an open sheet a new one is made, for the first team.
        var next = Practices.Count > 0 ? Practices[0] : null;
        var team = next?.TeamId ?? first?.Id;
        var players = team is null ? 0 : (await squad.ListAsync(team.Value, cancellationToken)).Count;
        Groups = SuggestedCount.Usual(found.Card, players - (next is null ? 0 : PracticeBook.Absent(next).Count));
        Today = DateOnly.FromDateTime(clock.GetLocalNow().DateTime);
        return true;
    }
}
