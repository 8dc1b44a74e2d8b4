using KeepTally.Core.Archive;
using KeepTally.Core.Faults;
using KeepTally.Store.Files;
using KeepTally.Store.Results;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using KeepTally.Web.Operating;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Results;

/// <summary>Imports a whole practice with its logs, as one that was.</summary>
[Authorize(Policies.Head)]
public sealed class ImportModel(PracticeImport import, SquadBook squads, OneAtATime work, AuditTrail trail) : PageModel
{
    private const int LargestBytes = 40_000_000;

    public IReadOnlyList<Team> Teams { get; private set; } = [];

    public IReadOnlyList<Fault> Faults { get; private set; } = [];

    public Task OnGetAsync(CancellationToken cancellationToken) => LoadAsync(cancellationToken);

    public async Task<IActionResult> OnPostAsync(int team, IFormFile? file, CancellationToken cancellationToken)
    {
        var read = await ReadAsync(file, cancellationToken);
        var taken = read.IsOk ? await import.TakeAsync(team, read.Value, cancellationToken) : Result.Fail<int>(read.Faults);
        if (!taken.IsOk)
        {
            Faults = taken.Faults;
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            await LoadAsync(cancellationToken);
            return Page();
        }

        await trail.AddAsync(AuditAct.Correction, $"Imported {read.Require().Title} with its logs", cancellationToken);
        return RedirectToPage("/Results/Practice", new { id = taken.Value });
    }

    private async Task<Result<PracticeArchive>> ReadAsync(IFormFile? file, CancellationToken cancellationToken)
    {
        if (file is not { Length: > 0 and <= LargestBytes })
        {
            return Result.Fail<PracticeArchive>(
                new Fault("", "there is no file, or one of more than 40 MB", "choose a file made with Export everything")
            );
        }

        using var turn = await work.EnterAsync(cancellationToken);
        using var bytes = new MemoryStream();
        await file.CopyToAsync(bytes, cancellationToken);
        var text = FileText.Read(bytes.ToArray(), "utf-8");
        return text.IsOk ? ArchiveReader.Read(text.Value) : Result.Fail<PracticeArchive>(text.Faults);
    }

    private async Task LoadAsync(CancellationToken cancellationToken) => Teams = await squads.TeamsAsync(cancellationToken);
}
