using KeepTally.Store.Files;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Squad;

/// <summary>Brings a squad in from CSV: first what it would bring, then the good rows of it.</summary>
[Authorize(Policies.Head)]
public sealed class ImportModel(SquadBook squad, AuditTrail trail, TimeProvider clock) : PageModel
{
    private const long LargestBytes = 1_000_000;

    /// <summary>The team the list is for; the first where none is named.</summary>
    [BindProperty(SupportsGet = true)]
    public int? Team { get; set; }

    public string Text { get; private set; } = "";

    public SquadPreview? Preview { get; private set; }

    public void OnGet() { }

    /// <param name="file">The file, where one was chosen.</param>
    /// <param name="text">The text pasted in its place.</param>
    /// <param name="way">The encoding of the file, one of <see cref="FileText.Ways"/>.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task OnPostAsync(IFormFile? file, string? text, string? way, CancellationToken cancellationToken)
    {
        await LookAsync(file, text, way ?? "", cancellationToken);
        Response.StatusCode = Preview!.Wrong.Count > 0 ? StatusCodes.Status422UnprocessableEntity : StatusCodes.Status200OK;
    }

    private async Task LookAsync(IFormFile? file, string? text, string way, CancellationToken cancellationToken)
    {
        if (file is { Length: > LargestBytes })
        {
            Preview = new SquadPreview(
                [],
                [new SquadFault(1, "the file is larger than 1 MB; a squad is far smaller, so check what it holds")]
            );
            return;
        }

        if (file is { Length: > 0 })
        {
            using var bytes = new MemoryStream();
            await file.CopyToAsync(bytes, cancellationToken);
            var read = FileText.Read(bytes.ToArray(), way);
            if (!read.IsOk)
            {
                Preview = new SquadPreview([], [SquadFault.Of(read.Faults[0])]);
                return;
            }

            text = read.Value;
        }

        Text = text ?? "";
        Preview = await ReadAsync(cancellationToken);
    }

    /// <summary>Takes the good rows of what was shown.</summary>
    public async Task<IActionResult> OnPostTakeAsync(string? text, CancellationToken cancellationToken)
    {
        Text = text ?? "";
        var preview = await ReadAsync(cancellationToken);
        if (preview.Rows.Count == 0)
        {
            Preview = preview;
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        var team = await squad.TeamAsync(HttpContext.ChosenTeam(Team), cancellationToken);
        await squad.TakeAsync(team.Id, preview.Rows, cancellationToken);
        await trail.AddAsync(
            AuditAct.Correction,
            $"Imported players into the squad of {team.Name}: {preview.Rows.Count} rows",
            cancellationToken
        );
        return RedirectToPage("/Squad/Index", new { Team });
    }

    /// <summary>The effect of a row on the squad, in words.</summary>
    public static string Does(SquadRow row) =>
        row.Known switch
        {
            null => "new",
            { Archived: true } left => $"{left.Name} comes back",
            var known => $"changes {known.Name}",
        };

    private async Task<SquadPreview> ReadAsync(CancellationToken cancellationToken)
    {
        var team = await squad.TeamAsync(HttpContext.ChosenTeam(Team), cancellationToken);
        Player[] known =
        [
            .. await squad.ListAsync(team.Id, cancellationToken),
            .. await squad.FormerAsync(team.Id, cancellationToken),
        ];
        return SquadCsv.Read(Text, known, clock.GetLocalNow().Year);
    }
}
