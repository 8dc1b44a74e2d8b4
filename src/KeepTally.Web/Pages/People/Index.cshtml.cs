using KeepTally.Core.Faults;
using KeepTally.Store.Backups;
using KeepTally.Store.People;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using KeepTally.Web.Hosting;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.People;

/// <summary>The accounts with their rights, and the keys of devices.</summary>
[Authorize(Policies.Head)]
public sealed class IndexModel(
    CoachBook coaches,
    KeyBook keys,
    SquadBook squad,
    AuditTrail trail,
    BackupShelf shelf,
    TimeProvider clock,
    Running running
) : PageModel
{
    /// <summary>The moment of the last backup; null where there is none.</summary>
    public DateTime? LastBackup => shelf.Newest?.Made;

    /// <summary>The present moment, in the time of the machine.</summary>
    public DateTime Now => clock.GetLocalNow().DateTime;

    public IReadOnlyList<Coach> Coaches { get; private set; } = [];

    /// <summary>A list of so many is read, and not searched.</summary>
    public const int Few = 8;

    /// <summary>Part of a name that is searched for.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Text { get; set; }

    /// <summary>The id of the team whose coaches are listed; null for all.</summary>
    [BindProperty(SupportsGet = true)]
    public int? Of { get; set; }

    /// <summary>The accounts that are listed, as they were searched for.</summary>
    public IReadOnlyList<Coach> Listed =>
        [
            .. Coaches
                .Where(coach => (coach.UserName ?? "").Contains((Text ?? "").Trim(), StringComparison.OrdinalIgnoreCase))
                .Where(coach => Of is null || coach.IsHead || coach.Teams.Any(each => each.TeamId == Of)),
        ];

    public IReadOnlyList<Team> Teams { get; private set; } = [];

    public IReadOnlyList<DeviceKey> Keys { get; private set; } = [];

    /// <summary>A link just made, with whom it is for; it is not shown again.</summary>
    public (string Name, string Link)? Made { get; private set; }

    /// <summary>A key just made, with what it is for; it is not shown again.</summary>
    public (string Name, string Key)? MadeKey { get; private set; }

    public string? Hindrance { get; private set; }

    public Task OnGetAsync(CancellationToken cancellationToken) => LoadAsync(cancellationToken);

    /// <summary>Invites a coach, who then chooses a password by the link.</summary>
    public async Task<IActionResult> OnPostInviteAsync(string? name, bool head, int[] teams, CancellationToken cancellationToken)
    {
        var invited = await coaches.InviteAsync(name ?? "", head, teams, cancellationToken);
        if (!invited.IsOk)
        {
            return await ShowAsync(invited.Faults[0], cancellationToken);
        }

        await trail.AddAsync(
            AuditAct.Access,
            $"Invited {invited.Value.UserName} as {(head ? "a head coach" : "an assistant")}",
            cancellationToken
        );
        return await LinkAsync(invited.Value, cancellationToken);
    }

    /// <summary>Makes a new link for a coach; their earlier sessions end.</summary>
    public async Task<IActionResult> OnPostLinkAsync(int coach, CancellationToken cancellationToken)
    {
        if (await coaches.FindAsync(coach, cancellationToken) is not { } found)
        {
            return NotFound();
        }

        await trail.AddAsync(AuditAct.Access, $"Made a link for {found.UserName} to choose a password", cancellationToken);
        return await LinkAsync(found, cancellationToken);
    }

    public async Task<IActionResult> OnPostTeamsAsync(int coach, int[] teams, CancellationToken cancellationToken)
    {
        if (await coaches.FindAsync(coach, cancellationToken) is not { } found)
        {
            return NotFound();
        }

        if (teams.Length == 0)
        {
            return await ShowAsync(new Fault("teams", "an assistant helps with a team", "tick at least one"), cancellationToken);
        }

        if (!await coaches.SetTeamsAsync(coach, teams, cancellationToken))
        {
            return NotFound();
        }

        await trail.AddAsync(AuditAct.Access, $"Changed the teams of {found.UserName}", cancellationToken);
        return RedirectToPage();
    }

    public async Task<IActionResult> OnPostOutAsync(int coach, CancellationToken cancellationToken)
    {
        if (await coaches.FindAsync(coach, cancellationToken) is not { } found)
        {
            return NotFound();
        }

        await coaches.SignOutEverywhereAsync(found);
        await trail.AddAsync(AuditAct.SignOutEverywhere, $"Signed {found.UserName} out on every device", cancellationToken);
        return RedirectToPage();
    }

    public async Task<IActionResult> OnPostRemoveAsync(int coach, CancellationToken cancellationToken)
    {
        var name = (await coaches.FindAsync(coach, cancellationToken))?.UserName;
        if ((await coaches.RemoveAsync(coach, cancellationToken)).FirstFault is { } fault)
        {
            return await ShowAsync(fault, cancellationToken);
        }

        await trail.AddAsync(AuditAct.Access, $"Removed the account of {name}", cancellationToken);
        return RedirectToPage();
    }

    public async Task<IActionResult> OnPostKeyAsync(int team, string? device, CancellationToken cancellationToken)
    {
        var made = await keys.AddAsync(team, device ?? "", cancellationToken);
        if (!made.IsOk)
        {
            return await ShowAsync(made.Faults[0], cancellationToken);
        }

        MadeKey = (device!.Trim(), made.Value);
        await trail.AddAsync(AuditAct.Access, $"Made a key for the device {device.Trim()}", cancellationToken);
        await LoadAsync(cancellationToken);
        return Page();
    }

    public async Task<IActionResult> OnPostNoKeyAsync(int key, CancellationToken cancellationToken)
    {
        if (!await keys.RemoveAsync(key, cancellationToken))
        {
            return NotFound();
        }

        await trail.AddAsync(AuditAct.Access, "Removed the key of a device", cancellationToken);
        return RedirectToPage();
    }

    private async Task<IActionResult> LinkAsync(Coach coach, CancellationToken cancellationToken)
    {
        var token = await coaches.PasswordTokenAsync(coach);
        Made = (coach.UserName!, running.To(Request, Url.Page("/Entry/Invite", new { who = coach.Id, token })!));
        await LoadAsync(cancellationToken);
        return Page();
    }

    private async Task<IActionResult> ShowAsync(Fault fault, CancellationToken cancellationToken)
    {
        Hindrance = fault.Told;
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        await LoadAsync(cancellationToken);
        return Page();
    }

    private async Task LoadAsync(CancellationToken cancellationToken)
    {
        Coaches = await coaches.ListAsync(cancellationToken);
        Teams = await squad.TeamsAsync(cancellationToken);
        Keys = await keys.ListAsync(cancellationToken);
    }
}
