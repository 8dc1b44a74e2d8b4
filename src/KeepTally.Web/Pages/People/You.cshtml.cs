using KeepTally.Store.People;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.People;

/// <summary>One's own account: another password, out here, out everywhere.</summary>
[ForAssistants]
public sealed class YouModel(CoachBook coaches, CallerBook callers, AuditTrail trail) : PageModel
{
    public Caller You => HttpContext.Caller()!;

    public bool IsDemo { get; private set; }

    public bool IsDone { get; private set; }

    public IReadOnlyDictionary<string, string> Faults { get; private set; } = new Dictionary<string, string>();

    public async Task OnGetAsync(bool done, CancellationToken cancellationToken)
    {
        IsDone = done;
        IsDemo = (await coaches.FindAsync(You.Id, cancellationToken))!.IsDemo;
    }

    public async Task<IActionResult> OnPostAsync(string? old, string? password, CancellationToken cancellationToken)
    {
        var coach = (await coaches.FindAsync(You.Id, cancellationToken))!;
        if ((await coaches.ChangeAsync(coach, old ?? "", password ?? "")).FirstFault is { } fault)
        {
            Faults = new Dictionary<string, string> { [fault.Path] = fault.Told };
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        await trail.AddAsync(AuditAct.Access, "Changed the password", cancellationToken);
        // Here they stay in; everywhere else the old password let them in, and does so no more.
        await HttpContext.LetInAsync(
            (await callers.FindAsync(You.Kind, coach.Id, coach.SecurityStamp!, cancellationToken))!,
            stays: true
        );
        return RedirectToPage(new { done = true });
    }

    public async Task<IActionResult> OnPostOutAsync()
    {
        await HttpContext.LetOutAsync();
        return RedirectToPage("/Entry/SignIn");
    }

    public async Task<IActionResult> OnPostEverywhereAsync(CancellationToken cancellationToken)
    {
        await coaches.SignOutEverywhereAsync((await coaches.FindAsync(You.Id, cancellationToken))!);
        await trail.AddAsync(AuditAct.SignOutEverywhere, "Signed out on every device", cancellationToken);
        await HttpContext.LetOutAsync();
        return RedirectToPage("/Entry/SignIn");
    }
}
