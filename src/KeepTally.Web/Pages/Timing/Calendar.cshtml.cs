using System.Text;
using KeepTally.Core.Text;
using KeepTally.Store.Calendars;
using KeepTally.Store.Files;
using KeepTally.Store.Planning;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using KeepTally.Web.Hosting;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Timing;

/// <summary>Practices in other calendars: a secret address to subscribe to, a file to export, and practices imported from a file.</summary>
public sealed class CalendarModel(
    PracticeList practices,
    CalendarImport import,
    CalendarFeed feed,
    LastImport last,
    SquadBook squad,
    AuditTrail trail,
    Running running,
    TimeProvider clock
) : PageModel
{
    /// <summary>Practices that recur are read so far ahead.</summary>
    private const int DaysAhead = 400;

    public IReadOnlyList<Team> Teams { get; private set; } = [];

    /// <summary>The team whose practices are imported.</summary>
    public int Team { get; private set; }

    /// <summary>The text of the calendar that is looked at; empty where there is none.</summary>
    public string Text { get; private set; } = "";

    /// <summary>What the events would do; null where no file is looked at.</summary>
    public IReadOnlyList<CalendarRow>? Rows { get; private set; }

    /// <summary>What cannot be imported, a sentence each.</summary>
    public IReadOnlyList<string> Wrong { get; private set; } = [];

    /// <summary>What was wrong with the file, or null.</summary>
    public string? Hindrance { get; private set; }

    /// <summary>The import of the last minutes, which can be undone; null where there was none.</summary>
    public ImportedPractices? Imported =>
        Teams.Select(team => last.Of<ImportedPractices>(team.Id)).FirstOrDefault(each => each is not null);

    /// <summary>What was left as it is by an undo, a sentence; empty where nothing was.</summary>
    [TempData]
    public string? Left { get; set; }

    /// <summary>The secret address of a team's calendar.</summary>
    public string AddressOf(Team team) => running.To(Request, $"/calendar/{team.CalendarToken}.ics");

    /// <summary>The page was asked for by an address that no other device can reach.</summary>
    public bool IsLocal => Request.Host.Host is "localhost" or "127.0.0.1" or "[::1]";

    public async Task OnGetAsync(CancellationToken cancellationToken) => await LoadAsync(cancellationToken);

    /// <summary>Practices to come and past ones as a calendar file.</summary>
    public async Task<IActionResult> OnGetFileAsync(CancellationToken cancellationToken)
    {
        Practice[] all =
        [
            .. (await practices.PastAsync(cancellationToken: cancellationToken)).Reverse(),
            .. await practices.ToComeAsync(cancellationToken: cancellationToken),
        ];
        var lines = await practices.LinesAsync(all, cancellationToken);
        return File(
            Encoding.UTF8.GetBytes(PracticeCalendar.Write(all, practice => lines[practice.Id])),
            "text/calendar",
            "practices.ics"
        );
    }

    /// <summary>Makes a secret address for a team's calendar, in place of the one before.</summary>
    [ForHead]
    public Task<IActionResult> OnPostLinkAsync(int team, CancellationToken cancellationToken) =>
        ChangedAsync(team, feed.OpenAsync, "Made the calendar address", cancellationToken);

    /// <summary>Removes the secret address of a team's calendar.</summary>
    [ForHead]
    public Task<IActionResult> OnPostUnlinkAsync(int team, CancellationToken cancellationToken) =>
        ChangedAsync(team, feed.CloseAsync, "Removed the calendar address", cancellationToken);

    /// <summary>Shows what a calendar file would bring.</summary>
    [ForHead]
    public async Task<IActionResult> OnPostLookAsync(int team, IFormFile? file, CancellationToken cancellationToken)
    {
        await LoadAsync(cancellationToken);
        Team = team;
        if (file is not { Length: > 0 })
        {
            return Refused("No file was chosen. Choose a calendar file (.ics).");
        }

        if (file.Length > CalendarFile.LargestBytes)
        {
            return Refused("The file is larger than 1 MB. Export a shorter period, and choose that file.");
        }

        using var reader = new StreamReader(file.OpenReadStream(), Encoding.UTF8);
        return await LookAsync(await reader.ReadToEndAsync(cancellationToken), cancellationToken) ? Page() : Refused(Hindrance!);
    }

    /// <summary>Takes the practices that were chosen of a calendar that was looked at.</summary>
    /// <param name="team">The id of the team.</param>
    /// <param name="text">The text of the calendar.</param>
    /// <param name="pick">The ids of the events.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    [ForHead]
    public async Task<IActionResult> OnPostTakeAsync(int team, string? text, string[] pick, CancellationToken cancellationToken)
    {
        await LoadAsync(cancellationToken);
        Team = team;
        if (!await LookAsync(text ?? "", cancellationToken))
        {
            return Refused(Hindrance!);
        }

        CalendarRow[] rows = [.. Rows!.Where(row => row.Changes && pick.Contains(row.Entry.Uid))];
        if (rows.Length == 0)
        {
            return Refused("No practice was chosen. Select at least one.");
        }

        var taken = await import.TakeAsync(team, rows, cancellationToken);
        if (!taken.IsOk)
        {
            return Refused(taken.Faults[0].Told);
        }

        last.Put(team, taken.Value);
        await trail.AddAsync(
            AuditAct.Correction,
            $"Imported {Phrase.Of(rows.Length, "practice")} from a calendar",
            cancellationToken
        );
        return RedirectToPage();
    }

    /// <summary>Undoes the import of the last minutes.</summary>
    [ForHead]
    public async Task<IActionResult> OnPostUndoAsync(CancellationToken cancellationToken)
    {
        await LoadAsync(cancellationToken);
        if (Imported is { } imported)
        {
            var left = await import.UndoAsync(imported, cancellationToken);
            last.Forget<ImportedPractices>(imported.Team);
            await trail.AddAsync(AuditAct.Correction, "Undid the import of a calendar", cancellationToken);
            Left =
                left == 0
                    ? null
                    : $"{Phrase.Capital(Phrase.Of(left, "practice"))} had been changed since and {(left == 1 ? "stays as it is" : "stay as they are")}.";
        }

        return RedirectToPage();
    }

    /// <summary>"Two new practices, one changed."</summary>
    public static string InShort(ImportedPractices imported) =>
        Phrase.Sentence(
            string.Join(
                ", ",
                new[]
                {
                    imported.Added.Count > 0 ? Phrase.Of(imported.Added.Count, "new practice") : "",
                    imported.Changed.Count > 0 ? $"{Phrase.Count(imported.Changed.Count)} changed" : "",
                }.Where(part => part.Length > 0)
            )
        );

    /// <summary>The effect of an event, in words.</summary>
    public static string Does(CalendarRow row) =>
        row.Effect switch
        {
            CalendarEffect.New => "new",
            CalendarEffect.Taken => "new, beside another practice at this time",
            CalendarEffect.Changed => $"changes {row.Before!.Title}, {row.Before.Date:d MMM} {row.Before.Start:HH:mm}",
            CalendarEffect.Same => "imported already",
            CalendarEffect.Begun => "its practice was run and stays as it is",
        };

    private async Task<bool> LookAsync(string text, CancellationToken cancellationToken)
    {
        var today = DateOnly.FromDateTime(clock.GetLocalNow().DateTime);
        var read = CalendarFile.Read(text, clock.LocalTimeZone, today, today.AddDays(DaysAhead));
        if (!read.IsOk)
        {
            Hindrance = read.Faults[0].Told;
            return false;
        }

        if (Teams.All(team => team.Id != Team))
        {
            Hindrance = "No team was chosen. Choose the team that the practices are for.";
            return false;
        }

        (Text, Wrong) = (text, read.Value.Wrong);
        Rows = await import.LookAsync(Team, read.Value.Entries, cancellationToken);
        return true;
    }

    private PageResult Refused(string why)
    {
        Hindrance = why;
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }

    private async Task<IActionResult> ChangedAsync(
        int team,
        Func<int, CancellationToken, Task<bool>> change,
        string about,
        CancellationToken cancellationToken
    )
    {
        if (!await change(team, cancellationToken))
        {
            return NotFound();
        }

        await trail.AddAsync(
            AuditAct.Access,
            $"{about} of {(await squad.TeamAsync(team, cancellationToken)).Name}",
            cancellationToken
        );
        return RedirectToPage();
    }

    private async Task LoadAsync(CancellationToken cancellationToken)
    {
        Teams = await squad.TeamsAsync(cancellationToken);
        Team =
            HttpContext.ChosenTeam() is { } chosen && Teams.Any(team => team.Id == chosen) ? chosen
            : Teams.Count > 0 ? Teams[0].Id
            : 0;
    }
}
