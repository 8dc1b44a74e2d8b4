using KeepTally.Store.People;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Entry;

/// <summary>A person chooses the password of their account by a link made for them; it works once.</summary>
[AllowAnonymous]
[ForAssistants]
public sealed class InviteModel(CoachBook coaches, AuditLog audit) : PageModel
{
    [BindProperty(SupportsGet = true)]
    public int Who { get; set; }

    [BindProperty(SupportsGet = true)]
    public string? Token { get; set; }

    public string Name { get; private set; } = "";

    public IReadOnlyDictionary<string, string> Faults { get; private set; } = new Dictionary<string, string>();

    public async Task<IActionResult> OnGetAsync(CancellationToken cancellationToken)
    {
        if (await coaches.FindAsync(Who, cancellationToken) is not { } coach || !await coaches.IsGoodAsync(coach, Token ?? ""))
        {
            return Page();
        }

        Name = coach.UserName!;
        return Page();
    }

    public async Task<IActionResult> OnPostAsync(string? password, CancellationToken cancellationToken)
    {
        if (await coaches.FindAsync(Who, cancellationToken) is not { } coach || !await coaches.IsGoodAsync(coach, Token ?? ""))
        {
            return Page();
        }

        Name = coach.UserName!;
        if ((await coaches.ChooseAsync(coach, Token!, password ?? "")).FirstFault is { } fault)
        {
            Faults = new Dictionary<string, string> { ["password"] = fault.Told };
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        await audit.AddAsync(Name, AuditAct.Access, "Chose a password", cancellationToken);
        return RedirectToPage("/Entry/SignIn");
    }
}
