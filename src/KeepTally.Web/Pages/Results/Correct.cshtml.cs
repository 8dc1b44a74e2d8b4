using KeepTally.Core.Faults;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Text;
using KeepTally.Core.Time;
using KeepTally.Core.Words;
using KeepTally.Screen;
using KeepTally.Screen.Views;
using KeepTally.Store.Practices;
using KeepTally.Store.Results;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using EventId = KeepTally.Core.Identity.EventId;

namespace KeepTally.Web.Pages.Results;

/// <summary>Puts right what was tapped in a practice that was, tap by tap; what was tapped first is kept, and who did it is written down.</summary>
public sealed class CorrectModel(PracticeBook book, ResultCorrection corrections, AuditTrail trail) : PageModel
{
    public required Practice Practice { get; set; }

    public required OpenCorrection Open { get; set; }

    /// <summary>The tap that is open to be put right; null where none is.</summary>
    public AmendView? Tap { get; private set; }

    public string? Device { get; private set; }

    public int N { get; private set; }

    public Fault? Fault { get; private set; }

    public Task<IActionResult> OnGetAsync(int id, string sheet, string? device, int n, CancellationToken cancellationToken) =>
        ShowAsync(id, sheet, device, n, cancellationToken);

    public Task<IActionResult> OnPostAmendAsync(
        int id,
        string sheet,
        string device,
        int n,
        string? unit,
        string? outcome,
        string? zone,
        bool counts,
        Dictionary<string, string?> tags,
        CancellationToken cancellationToken
    ) =>
        SaidAsync(
            id,
            sheet,
            device,
            n,
            (open, of) =>
                corrections.AmendAsync(
                    open,
                    of,
                    new TapAmendment(Whose(unit), Word(outcome), Word(zone), null, counts ? true : null, Said(tags))
                ),
            "put right",
            cancellationToken
        );

    public Task<IActionResult> OnPostUndoAsync(int id, string sheet, string device, int n, CancellationToken cancellationToken) =>
        SaidAsync(id, sheet, device, n, corrections.UndoAsync, "taken or put back", cancellationToken);

    /// <summary>A tap as a coach reads it: when it was, whose, what, and what became of it.</summary>
    public string Line(Core.Events.RunEvent.Tap tap) =>
        $"{Phrase.Clock(tap.At - Instant.Origin)} {TapLine.Of(Open.Kept, tap)}"
        + (TapLine.PutRight(Open.Kept, tap) is { Length: > 0 } how ? $", {how}" : "");

    private async Task<IActionResult> SaidAsync(
        int id,
        string sheet,
        string device,
        int n,
        Func<OpenCorrection, EventId, Task<Result<Done>>> say,
        string what,
        CancellationToken cancellationToken
    )
    {
        if (
            await book.FindAsync(id, cancellationToken) is not { } practice
            || await corrections.OpenAsync(id, sheet, cancellationToken) is not { } open
        )
        {
            return NotFound();
        }

        if ((await say(open, new EventId(new DeviceId(device), n))).FirstFault is { } fault)
        {
            Fault = fault;
            return await ShowAsync(id, sheet, device, n, cancellationToken);
        }

        await trail.AddAsync(
            AuditAct.Correction,
            $"A tap of {open.Kept.Card.Name} {what} afterwards, {practice.InRecord}",
            cancellationToken
        );
        return RedirectToPage(new { id, sheet });
    }

    private async Task<IActionResult> ShowAsync(int id, string sheet, string? device, int n, CancellationToken cancellationToken)
    {
        if (
            await book.FindAsync(id, cancellationToken) is not { } practice
            || await corrections.OpenAsync(id, sheet, cancellationToken) is not { } open
        )
        {
            return NotFound();
        }

        (Practice, Open, Device, N) = (practice, open, device, n);
        Tap = device is null ? null : AmendPresenter.Of(open.Live, open.Sheet, new EventId(new DeviceId(device), n));
        return Page();
    }

    private static Dictionary<string, string> Said(Dictionary<string, string?> tags) =>
        tags.Where(tag => !string.IsNullOrEmpty(tag.Value)).ToDictionary(tag => tag.Key, tag => tag.Value!);

    private static PlayerId? Whose(string? unit) => string.IsNullOrEmpty(unit) ? null : new PlayerId(unit);

    private static string? Word(string? text) => string.IsNullOrEmpty(text) ? null : text;
}
