using KeepTally.Store.People;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Entry;

/// <summary>Joins one practice by its short code; a name is enough.</summary>
[AllowAnonymous]
[ForAssistants]
public sealed class JoinModel(DoorBook doors, AuditLog audit) : PageModel
{
    [BindProperty(SupportsGet = true)]
    public string? Code { get; set; }

    public string Name { get; private set; } = "";

    public IReadOnlyDictionary<string, string> Faults { get; private set; } = new Dictionary<string, string>();

    public void OnGet() { }

    public async Task<IActionResult> OnPostAsync(string? name, CancellationToken cancellationToken)
    {
        Name = (name ?? "").Trim();
        var joined = await doors.JoinAsync(Code ?? "", Name, cancellationToken);
        if (!joined.IsOk)
        {
            Faults = joined.Faults.ToDictionary(fault => fault.Path, fault => fault.Told);
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        await HttpContext.LetInAsync(joined.Value, stays: true);
        var practice = await doors.NameAsync(joined.Value.Practice!.Value, cancellationToken);
        await audit.AddAsync(joined.Value.InRecord, AuditAct.Join, $"{practice}: by its code", cancellationToken);
        return RedirectToPage("/Run/Index", new { id = joined.Value.Practice });
    }
}
