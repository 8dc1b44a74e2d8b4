using System.Text;
using KeepTally.Core.Faults;
using KeepTally.Core.Text;
using KeepTally.Store.Book;
using KeepTally.Store.Files;
using KeepTally.Store.People;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.ModelBinding;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Squad;

/// <summary>The squad: list, add, change.</summary>
public sealed class IndexModel(
    SquadBook squad,
    DrillBook book,
    PlayerErasure erasure,
    PlayerFile file,
    LastImport last,
    AuditTrail trail
) : PageModel
{
    private const int LongestTeamName = 80;

    public required Team Shown { get; set; }

    public IReadOnlyList<Team> Teams { get; private set; } = [];

    /// <summary>The team looked at; the first where none is named.</summary>
    [BindProperty(SupportsGet = true)]
    public int? Team { get; set; }

    public IReadOnlyList<Player> Players { get; private set; } = [];

    /// <summary>A list of so many is read, and not searched.</summary>
    public const int Few = 16;

    /// <summary>Part of a name or a position that is searched for.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Text { get; set; }

    /// <summary>What the list is sorted by: "name", "plays", "born"; by number where it is left out.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Sort { get; set; }

    /// <summary>The players that are listed, as they were searched for and sorted.</summary>
    public IReadOnlyList<Player> Listed
    {
        get
        {
            var text = (Text ?? "").Trim();
            var found = Players.Where(player =>
                player.Name.Contains(text, StringComparison.OrdinalIgnoreCase)
                || player.Positions.Contains(text, StringComparison.OrdinalIgnoreCase)
            );
            return
            [
                .. Sort switch
                {
                    "name" => found.OrderBy(player => player.Name, StringComparer.OrdinalIgnoreCase),
                    "plays" => found
                        .OrderBy(player => player.Positions.Length == 0)
                        .ThenBy(player => player.Positions, StringComparer.OrdinalIgnoreCase),
                    "born" => found.OrderBy(player => player.BirthYear ?? int.MaxValue),
                    _ => found,
                },
            ];
        }
    }

    /// <summary>The players who left the squad.</summary>
    public IReadOnlyList<Player> Former { get; private set; } = [];

    /// <summary>The import of the last minutes, which can be undone; null where there was none.</summary>
    public ImportedSquad? Imported => last.Of<ImportedSquad>(Shown.Id);

    /// <summary>"Two new players, one changed."</summary>
    public string ImportedWords =>
        Phrase.Sentence(
            string.Join(
                ", ",
                new[]
                {
                    Imported is { Added.Count: > 0 and var added } ? Phrase.Of(added, "new player") : "",
                    Imported is { Changed.Count: > 0 and var changed } ? $"{Phrase.Count(changed)} changed" : "",
                }.Where(part => part.Length > 0)
            )
        );

    /// <summary>Whether the player being changed has left the squad.</summary>
    public bool IsFormer => Former.Any(player => player.Id == Edit);

    /// <summary>The coach's own lists of words.</summary>
    public IReadOnlyList<CoachListForm> Lists { get; private set; } = [];

    /// <summary>The fault of a team's name, or null.</summary>
    public string? TeamFault { get; private set; }

    /// <summary>The sports of the drill book.</summary>
    public IReadOnlyList<string> Sports { get; private set; } = [];

    [BindProperty]
    public PlayerForm Form { get; set; } = new();

    /// <summary>The player being changed, or null where one is being added.</summary>
    [BindProperty(SupportsGet = true)]
    public int? Edit { get; set; }

    public async Task<IActionResult> OnGetAsync(CancellationToken cancellationToken)
    {
        if (Edit is { } id)
        {
            if (await squad.FindAsync(id, cancellationToken) is not { } player)
            {
                return NotFound();
            }

            (Form, Team) = (PlayerForm.Of(player), player.TeamId);
        }

        await LoadAsync(cancellationToken);
        return Page();
    }

    /// <summary>The changes of the squad since the page was opened; nothing where there are none.</summary>
    /// <param name="mark">The list that the page shows, as <see cref="SquadMark"/> writes it.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task<IActionResult> OnGetNewsAsync(string? mark, CancellationToken cancellationToken)
    {
        var team = await squad.TeamAsync(HttpContext.ChosenTeam(Team), cancellationToken);
        var changes = SquadMark.Changes(mark ?? "", await squad.ListAsync(team.Id, cancellationToken));
        return changes.Count == 0
            ? new NoContentResult()
            : Partial(
                "_Stale",
                new Shared.StalePage("This squad", changes, Url.Page("/Squad/Index", values: new { Team = team.Id })!)
            );
    }

    public async Task<IActionResult> OnPostAsync(CancellationToken cancellationToken)
    {
        if (!PlayerForm.IsWhole(Request.Form))
        {
            return BadRequest();
        }

        if (!ModelState.IsValid)
        {
            await LoadAsync(cancellationToken);
            return Page();
        }

        if (Edit is { } id)
        {
            return await DoneAsync(
                await squad.ChangeAsync(id, Form.Details, cancellationToken),
                AuditAct.Correction,
                $"Changed player {Player.UnitIdOf(id)}",
                cancellationToken
            );
        }

        var team = await squad.TeamAsync(HttpContext.ChosenTeam(Team), cancellationToken);
        await squad.AddAsync(team.Id, Form.Details, cancellationToken);
        return RedirectToPage(new { Team });
    }

    /// <summary>The squad as CSV.</summary>
    [ForHead]
    public async Task<IActionResult> OnGetCsvAsync(CancellationToken cancellationToken)
    {
        var team = await squad.TeamAsync(HttpContext.ChosenTeam(Team), cancellationToken);
        var csv = SquadCsv.Write(await squad.ListAsync(team.Id, cancellationToken));
        await trail.AddAsync(AuditAct.Export, $"The squad of {team.Name}", cancellationToken);
        return File(Encoding.UTF8.GetBytes(csv), "text/csv; charset=utf-8", "squad.csv");
    }

    /// <summary>Undoes the import of the last minutes, if there was one.</summary>
    [ForHead]
    public async Task<IActionResult> OnPostUndoImportAsync(CancellationToken cancellationToken)
    {
        var team = await squad.TeamAsync(HttpContext.ChosenTeam(Team), cancellationToken);
        if (last.Of<ImportedSquad>(team.Id) is { } imported)
        {
            await squad.UndoAsync(imported, cancellationToken);
            last.Forget<ImportedSquad>(team.Id);
            await trail.AddAsync(AuditAct.Correction, $"Undid the import into the squad of {team.Name}", cancellationToken);
        }

        return RedirectToPage(new { Team });
    }

    public async Task<IActionResult> OnPostArchiveAsync(int id, bool away, CancellationToken cancellationToken) =>
        await DoneAsync(
            await squad.ArchiveAsync(id, away, cancellationToken),
            AuditAct.Correction,
            $"Player {Player.UnitIdOf(id)} {(away ? "archived" : "restored")}",
            cancellationToken
        );

    public async Task<IActionResult> OnPostEraseAsync(int id, CancellationToken cancellationToken) =>
        await DoneAsync(
            await erasure.EraseAsync(id, cancellationToken),
            AuditAct.Erasure,
            AuditLog.Erased(Player.UnitIdOf(id)),
            cancellationToken
        );

    /// <summary>All data of one player, for the parent or player who asks for it.</summary>
    [ForHead]
    public async Task<IActionResult> OnGetPlayerAsync(CancellationToken cancellationToken)
    {
        if (Edit is not { } id || await file.OfAsync(id, cancellationToken) is not { } json)
        {
            return NotFound();
        }

        await trail.AddAsync(AuditAct.Export, $"Data of player {Player.UnitIdOf(id)}", cancellationToken);
        return File(Encoding.UTF8.GetBytes(json), "application/json", $"player-{Player.UnitIdOf(id)}.json");
    }

    private async Task<IActionResult> DoneAsync(bool done, AuditAct act, string about, CancellationToken cancellationToken)
    {
        if (!done)
        {
            return NotFound();
        }

        await trail.AddAsync(act, about, cancellationToken);
        return RedirectToPage(new { Edit = (int?)null, Team });
    }

    /// <summary>Adds a team, or gives the one looked at another name and sport.</summary>
    public async Task<IActionResult> OnPostTeamAsync(
        [BindRequired] string? name,
        string? sport,
        bool adds,
        CancellationToken cancellationToken
    )
    {
        var clean = (name ?? "").Trim();
        if (clean.Length is 0 or > LongestTeamName)
        {
            TeamFault = $"Write a name of 1 to {LongestTeamName} letters.";
            ModelState.Clear();
            await LoadAsync(cancellationToken);
            return Page();
        }

        var known = (await book.SportsAsync(cancellationToken)).Contains(sport ?? "") ? sport! : "";
        if (adds)
        {
            Team = await squad.AddTeamAsync(clean, known, cancellationToken);
        }
        else if (
            !await squad.EditTeamAsync(
                (await squad.TeamAsync(HttpContext.ChosenTeam(Team), cancellationToken)).Id,
                clean,
                known,
                cancellationToken
            )
        )
        {
            return NotFound();
        }

        return RedirectToPage(new { Edit = (int?)null, Team });
    }

    /// <summary>Keeps what a drill is stopped for to teach.</summary>
    public Task<IActionResult> OnPostReasonsAsync([BindRequired] string? reasons, CancellationToken cancellationToken) =>
        KeepAsync(nameof(reasons), reasons ?? "", squad.ReasonsAsync, cancellationToken);

    public Task<IActionResult> OnPostHabitsAsync([BindRequired] string? habits, CancellationToken cancellationToken) =>
        KeepAsync(nameof(habits), habits ?? "", squad.HabitsAsync, cancellationToken);

    /// <summary>Keeps a list of words, or shows it again with what is wrong.</summary>
    private async Task<IActionResult> KeepAsync(
        string name,
        string words,
        Func<int, string, CancellationToken, Task<Result<Done>>> keep,
        CancellationToken cancellationToken
    )
    {
        var team = await squad.TeamAsync(HttpContext.ChosenTeam(Team), cancellationToken);
        if ((await keep(team.Id, words, cancellationToken)).FirstFault is not { } fault)
        {
            return RedirectToPage(new { Edit = (int?)null, Team });
        }

        ModelState.Clear();
        await LoadAsync(cancellationToken);
        var wrong = Phrase.Sentence($"{fault.Problem}: {fault.Fix}");
        Lists = [.. Lists.Select(list => list.Name == name ? list with { Words = words, Fault = wrong } : list)];
        return Page();
    }

    private async Task LoadAsync(CancellationToken cancellationToken)
    {
        var team = await squad.TeamAsync(HttpContext.ChosenTeam(Team), cancellationToken);
        (Shown, Team) = (team, team.Id);
        Sports = await book.SportsAsync(cancellationToken);
        Lists = CoachListForm.Of(team);
        Teams = await squad.TeamsAsync(cancellationToken);
        Players = await squad.ListAsync(team.Id, cancellationToken);
        Former = await squad.FormerAsync(team.Id, cancellationToken);
    }
}
