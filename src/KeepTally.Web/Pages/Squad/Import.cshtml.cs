using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Squad;

/// <summary>Brings a squad in from CSV: first what it would bring, then the good rows of it.</summary>
public sealed class ImportModel(SquadBook squad, TimeProvider clock) : PageModel
{
    private const long LargestBytes = 1_000_000;

    /// <summary>The team the list is for; the first where none is named.</summary>
    [BindProperty(SupportsGet = true)]
    public int? Team { get; set; }

    public string Text { get; private set; } = "";

    public SquadPreview? Preview { get; private set; }

    public void OnGet() { }

    public async Task OnPostAsync(IFormFile? file, string? text, CancellationToken stop)
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
            using var reader = new StreamReader(file.OpenReadStream());
            text = await reader.ReadToEndAsync(stop);
        }

        Text = text ?? "";
        Preview = await ReadAsync(stop);
    }

    /// <summary>Takes the good rows of what was shown.</summary>
    public async Task<IActionResult> OnPostTakeAsync(string? text, CancellationToken stop)
    {
        Text = text ?? "";
        var preview = await ReadAsync(stop);
        var team = await squad.TeamAsync(Team, stop);
        await squad.TakeAsync(team.Id, preview.Rows, stop);
        return RedirectToPage("/Squad/Index", new { Team });
    }

    /// <summary>What a row does to the squad, in words.</summary>
    public static string Does(SquadRow row) =>
        row.Known switch
        {
            null => "new",
            { Archived: true } left => $"{left.Name} comes back",
            var known => $"changes {known.Name}",
        };

    private async Task<SquadPreview> ReadAsync(CancellationToken stop)
    {
        var team = await squad.TeamAsync(Team, stop);
        Player[] known = [.. await squad.ListAsync(team.Id, stop), .. await squad.FormerAsync(team.Id, stop)];
        return SquadCsv.Read(Text, known, clock.GetLocalNow().Year);
    }
}
