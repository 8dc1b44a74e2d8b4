using KeepTally.Store.People;
using KeepTally.Store.Practices;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using KeepTally.Web.Api;
using KeepTally.Web.Hosting;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.People;

/// <summary>Lets people without an account come to one practice, and shows its board to the players.</summary>
[ForAssistants]
public sealed class DoorModel(
    DoorBook doors,
    PracticeBook book,
    RunStore runs,
    AuditTrail trail,
    PracticeNews news,
    Running running,
    TimeProvider clock
) : PageModel
{
    public required Practice Practice { get; set; }

    public PracticeDoor? Door { get; private set; }

    public IReadOnlyList<Joiner> Joined { get; private set; } = [];

    /// <summary>The places that a helper can count alone, with their names.</summary>
    public IReadOnlyList<(string Id, string Name)> Places { get; private set; } = [];

    public bool IsOpen => doors.IsOpen(Door);

    public string JoinLink => running.To(Request, Url.Page("/Entry/Join", new { code = Door!.JoinCode })!);

    /// <summary>The page on which a code is typed in.</summary>
    public string JoinPage => running.To(Request, Url.Page("/Entry/Join", new { code = (string?)null })!);

    public string BoardLink => running.To(Request, Url.Page("/Entry/Watch", new { token = Door!.BoardToken })!);

    public string Until =>
        TimeZoneInfo
            .ConvertTime(DateTimeOffset.FromUnixTimeMilliseconds(Door!.Until), clock.LocalTimeZone)
            .ToString("HH:mm", System.Globalization.CultureInfo.InvariantCulture);

    /// <summary>The page was asked for by an address that no other device can reach.</summary>
    public bool IsLocal => Request.Host.Host is "localhost" or "127.0.0.1" or "[::1]";

    public async Task<IActionResult> OnGetAsync(int id, CancellationToken cancellationToken)
    {
        if (await book.FindAsync(id, cancellationToken) is not { } practice)
        {
            return NotFound();
        }

        Practice = practice;
        Door = await doors.OfAsync(id, cancellationToken);
        Joined = await doors.JoinersAsync(id, cancellationToken);
        Places = [.. (await runs.OfAsync(id, cancellationToken)).SelectMany(run => PlacesOf(practice, run))];
        return Page();
    }

    public Task<IActionResult> OnPostOpenAsync(int id, CancellationToken cancellationToken) =>
        DoneAsync(id, () => doors.OpenAsync(id, cancellationToken), "Made a code to join", cancellationToken);

    public Task<IActionResult> OnPostCloseAsync(int id, CancellationToken cancellationToken) =>
        DoneAsync(
            id,
            () => doors.CloseAsync(id, cancellationToken),
            "Closed the code and removed everyone who joined",
            cancellationToken
        );

    public Task<IActionResult> OnPostBoardAsync(int id, CancellationToken cancellationToken) =>
        DoneAsync(id, () => doors.LinkBoardAsync(id, cancellationToken), "Made a link to the board", cancellationToken);

    public Task<IActionResult> OnPostScoresAsync(int id, bool shows, CancellationToken cancellationToken) =>
        DoneAsync(
            id,
            async () =>
            {
                if (!await doors.ShowScoresAsync(id, shows, cancellationToken))
                {
                    return false;
                }

                news.ScoresChanged(id, hidden: !shows);
                return true;
            },
            shows ? "The board shows scores" : "The board shows no scores",
            cancellationToken
        );

    public Task<IActionResult> OnPostOutAsync(int id, int joiner, CancellationToken cancellationToken) =>
        DoneAsync(id, () => doors.SendOutAsync(id, joiner, cancellationToken), "Removed a helper", cancellationToken);

    public async Task<IActionResult> OnPostPlaceAsync(int id, int joiner, string? sheet, CancellationToken cancellationToken) =>
        await book.ExistsAsync(id, cancellationToken) && await doors.PlaceAsync(id, joiner, sheet ?? "", cancellationToken)
            ? RedirectToPage(new { id })
            : NotFound();

    /// <summary>The groups of a drill, or the stations of a circuit; none where there is one sheet for all.</summary>
    private static IEnumerable<(string Id, string Name)> PlacesOf(Practice practice, StoredRun run)
    {
        var drill = practice.Blocks.First(block => block.Id == run.Run.BlockId).Title;
        return run
            .Sheets.Select(sheet => sheet.Row)
            .Where(row => row.Name.Length > 0 && (row.Stop is not null || run.Sheets.All(other => other.Row.Stop is null)))
            .Select(row =>
                row.Station is { } station
                    ? (OwnSheets.Station(run.Run.Id, station), $"{drill}, {row.Name}")
                    : (row.Id, $"{drill}, {row.Name}")
            )
            .Distinct();
    }

    private async Task<IActionResult> DoneAsync(int id, Func<Task<bool>> change, string about, CancellationToken cancellationToken)
    {
        if (await book.FindAsync(id, cancellationToken) is not { } practice || !await change())
        {
            return NotFound();
        }

        await trail.AddAsync(AuditAct.Access, $"{practice.InRecord}: {about}", cancellationToken);
        return RedirectToPage(new { id });
    }
}
