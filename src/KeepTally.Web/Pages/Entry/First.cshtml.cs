using System.Net;
using System.Security.Cryptography;
using System.Text;
using KeepTally.Core.Faults;
using KeepTally.Store.Backups;
using KeepTally.Store.Book;
using KeepTally.Store.People;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using KeepTally.Web.Hosting;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Entry;

/// <summary>
/// The first start with an empty data folder: the head coach's account and the team. Only on the machine itself, by the link
/// that the program shows there.
/// </summary>
[AllowAnonymous]
[ForAssistants]
[RequestSizeLimit(BackupFacts.MostBytes)]
[RequestFormLimits(MultipartBodyLengthLimit = BackupFacts.MostBytes)]
public sealed class FirstModel(
    CoachBook coaches,
    CallerBook callers,
    SquadBook squad,
    DrillBook book,
    AuditLog audit,
    BackupRestore restore,
    Restarts restarts,
    Running running
) : PageModel
{
    private const int LongestTeam = 80;

    [BindProperty(SupportsGet = true)]
    public string? Key { get; set; }

    public string Name { get; private set; } = "";

    public string Team { get; private set; } = "";

    /// <summary>The sport of the team; empty for several.</summary>
    public string Sport { get; private set; } = "";

    /// <summary>The sports of the drill book.</summary>
    public IReadOnlyList<string> Sports { get; private set; } = [];

    /// <summary>The faults, by the name of the field.</summary>
    public IReadOnlyDictionary<string, string> Faults { get; private set; } = new Dictionary<string, string>();

    /// <summary>Whether the caller may set up: they sit at the machine and have the link.</summary>
    public bool MaySetUp =>
        (HttpContext.Connection.RemoteIpAddress is not { } from || IPAddress.IsLoopback(from))
        && CryptographicOperations.FixedTimeEquals(Encoding.UTF8.GetBytes(Key ?? ""), Encoding.UTF8.GetBytes(running.FirstKey));

    public async Task<IActionResult> OnGetAsync(CancellationToken cancellationToken)
    {
        Sports = await book.SportsAsync(cancellationToken);
        return await coaches.IsEmptyAsync(cancellationToken) ? Page() : RedirectToPage("/Entry/SignIn");
    }

    public async Task<IActionResult> OnPostAsync(
        string? name,
        string? password,
        string? team,
        string? sport,
        CancellationToken cancellationToken
    )
    {
        if (!MaySetUp || !await coaches.IsEmptyAsync(cancellationToken))
        {
            return NotFound();
        }

        Sports = await book.SportsAsync(cancellationToken);
        (Name, Team) = ((name ?? "").Trim(), (team ?? "").Trim());
        Sport = Sports.Contains(sport ?? "") ? sport! : "";
        if (Team.Length is 0 or > LongestTeam)
        {
            return Refuse(new Fault("team", "the team has no name", $"write one of 1 to {LongestTeam} letters"));
        }

        var first = await coaches.FirstAsync(Name, password ?? "", cancellationToken);
        if (!first.IsOk)
        {
            return Refuse(first.Faults[0]);
        }

        var made = await squad.FirstTeamAsync(Team, Sport, cancellationToken);
        var coach = first.Value;
        await audit.AddAsync(coach.UserName!, AuditAct.Access, "Set up this installation", cancellationToken);
        await HttpContext.LetInAsync(
            (await callers.FindAsync(CallerKind.Head, coach.Id, coach.SecurityStamp!, cancellationToken))!,
            stays: true
        );
        return RedirectToPage("/Begin/Squad", new { team = made });
    }

    /// <summary>Whether the application is about to start anew with the restored data.</summary>
    public bool IsRestoring { get; private set; }

    /// <summary>Begins with a backup of a club that was somewhere else before.</summary>
    public async Task<IActionResult> OnPostRestoreAsync(IFormFile? file, CancellationToken cancellationToken)
    {
        if (!MaySetUp || !await coaches.IsEmptyAsync(cancellationToken))
        {
            return NotFound();
        }

        Sports = await book.SportsAsync(cancellationToken);
        if (file is not { Length: > 0 })
        {
            return Refuse(new Fault("file", "no file was chosen", "choose a backup"));
        }

        await using var content = file.OpenReadStream();
        var received = await restore.ReceiveAsync(content, cancellationToken);
        if (!received.IsOk)
        {
            return Refuse(received.Faults[0]);
        }

        restore.LayReceivedReady();
        restarts.After(Response);
        IsRestoring = true;
        return Page();
    }

    private PageResult Refuse(Fault fault)
    {
        Faults = new Dictionary<string, string> { [fault.Path] = fault.Told };
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }
}
