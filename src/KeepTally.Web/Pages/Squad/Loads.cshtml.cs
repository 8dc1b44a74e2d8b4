using KeepTally.Core.Faults;
using KeepTally.Core.Loads;
using KeepTally.Store.Results;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Squad;

/// <summary>The limits of throws, jumps and hits the club goes by: its own, or what is suggested until then.</summary>
public sealed class LoadsModel(LoadBook loads, AuditTrail trail) : PageModel
{
    private const int Longest = 10_000;

    public LoadTable Table { get; private set; } = LoadTable.Suggested;

    /// <summary>The value of the field.</summary>
    public string Text { get; private set; } = "";

    public IReadOnlyList<Fault> Faults { get; private set; } = [];

    public async Task OnGetAsync(CancellationToken cancellationToken)
    {
        Table = await loads.TableAsync(cancellationToken);
        Text = Table.ToString();
    }

    public async Task<IActionResult> OnPostAsync(string? text, CancellationToken cancellationToken)
    {
        Faults = text is { Length: > Longest }
            ? [new Fault("", "this is too long", $"write at most {Longest} characters")]
            : await loads.SetAsync(text, cancellationToken);
        if (Faults.Count > 0)
        {
            Table = await loads.TableAsync(cancellationToken);
            Text = text ?? "";
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        await trail.AddAsync(AuditAct.Correction, "Throwing limits of the club", cancellationToken);
        return RedirectToPage();
    }

    public Task<IActionResult> OnPostSuggestedAsync(CancellationToken cancellationToken) => OnPostAsync(null, cancellationToken);
}
