using System.Text;
using KeepTally.Core.Faults;
using KeepTally.Core.Planning;
using KeepTally.Store.Book;
using KeepTally.Store.Planning;
using KeepTally.Store.Seasons;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using KeepTally.Web.Pages.Shared;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Timing;

/// <summary>Practices by date: those to come and those that were; new ones from nothing, from another, or from a template.</summary>
public sealed class IndexModel(
    PracticeList practices,
    PlanBook plans,
    NewPractices writer,
    ReadyPracticeWriter ready,
    TemplateBook templates,
    DailyDrill daily,
    DrillBook book,
    SquadBook squad,
    SeasonBook seasons,
    TimeProvider clock
) : PageModel
{
    /// <summary>A list of so many is read, and not searched.</summary>
    public const int Few = 8;

    private const int MostBytes = 200_000;

    public IReadOnlyList<Practice> ToCome { get; private set; } = [];

    public IReadOnlyList<Practice> Past { get; private set; } = [];

    /// <summary>The closed seasons of all teams, the latest first.</summary>
    public IReadOnlyList<ClosedSeason> Seasons { get; private set; } = [];

    public PracticeSearch Search { get; private set; } = new();

    /// <summary>Whether the lists are those of a search.</summary>
    public bool IsSearched { get; private set; }

    public IReadOnlyList<Team> Teams { get; private set; } = [];

    public IReadOnlyList<SheetTemplate> Templates { get; private set; } = [];

    public IReadOnlyList<(string Id, string Name)> Drills { get; private set; } = [];

    public NewForm Form { get; private set; } = new();

    /// <summary>The sport of the team the new practice is for; empty where it has none.</summary>
    public string Sport => Teams.FirstOrDefault(team => team.Id == Form.Team)?.Sport ?? "";

    public DateOnly Today { get; private set; }

    public string? Hindrance { get; private set; }

    /// <summary>The days of the week, Monday first.</summary>
    public static IReadOnlyList<DayOfWeek> Week { get; } =
    [
        DayOfWeek.Monday,
        DayOfWeek.Tuesday,
        DayOfWeek.Wednesday,
        DayOfWeek.Thursday,
        DayOfWeek.Friday,
        DayOfWeek.Saturday,
        DayOfWeek.Sunday,
    ];

    /// <param name="from">A practice whose sheet is to be used for another day.</param>
    /// <param name="search">What is searched for.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task<IActionResult> OnGetAsync(int? from, [FromQuery] PracticeSearch search, CancellationToken cancellationToken)
    {
        await LoadAsync(cancellationToken, search);
        if (Request.Headers.ContainsKey("HX-Request"))
        {
            return Partial("_Practices", this);
        }

        Practice[] all = [.. Past.Reverse(), .. ToCome];
        var last = Array.Find(all, each => each.Id == from) ?? (all.Length > 0 ? all[^1] : null);
        Form = new NewForm
        {
            Team =
                Teams.FirstOrDefault(team => from is null && team.Id == HttpContext.ChosenTeam())?.Id
                ?? last?.TeamId
                ?? (Teams.Count > 0 ? Teams[0].Id : 0),
            Date = last is not null && last.Date.AddDays(7) > Today ? last.Date.AddDays(7) : Today,
            Start = last?.Start ?? new TimeOnly(17, 30),
            Minutes = last?.Minutes ?? 75,
            Place = last?.Place,
            Title = from is null ? null : last?.Title,
            From = from is null ? null : $"practice:{from}",
        };
        return Page();
    }

    public async Task<IActionResult> OnPostNewAsync(NewForm form, CancellationToken cancellationToken)
    {
        if (!ModelState.IsValid)
        {
            return await AgainAsync(
                form,
                ModelState.Values.SelectMany(value => value.Errors).First().ErrorMessage,
                cancellationToken
            );
        }

        var sheet = await SheetAsync(form, cancellationToken);
        if (!sheet.IsOk)
        {
            return await AgainAsync(form, sheet.Faults[0].Told, cancellationToken);
        }

        var plan = form.Dated(sheet.Value, string.IsNullOrWhiteSpace(form.Title) ? Named(sheet.Value.Title) : form.Title.Trim());
        var made = await writer.MakeAsync(form.Team, plan, form.On, form.Until ?? form.Date!.Value, cancellationToken);
        return made.IsOk
            ? RedirectToPage("/Timing/Sheet", new { id = made.Value })
            : await AgainAsync(form, made.Faults[0].Told, cancellationToken);
    }

    /// <summary>Imports a sheet from a file.</summary>
    public async Task<IActionResult> OnPostBringAsync(int team, IFormFile? file, CancellationToken cancellationToken)
    {
        if (file is not { Length: > 0 })
        {
            return await AgainAsync(
                new NewForm { Team = team },
                "No file was chosen. Choose a timing sheet, and import it.",
                cancellationToken
            );
        }

        if (file.Length > MostBytes)
        {
            return await AgainAsync(new NewForm { Team = team }, $"That file has more than {MostBytes} bytes.", cancellationToken);
        }

        using var reader = new StreamReader(file.OpenReadStream(), Encoding.UTF8);
        var read = PlanReader.Read(await reader.ReadToEndAsync(cancellationToken));
        if (!read.IsOk)
        {
            return await AgainAsync(
                new NewForm { Team = team },
                $"{file.FileName}: {string.Join(" ", read.Faults.Select(fault => $"{fault.Place}{fault.Told}"))}",
                cancellationToken
            );
        }

        var plan = read.Value with { Title = Named(read.Value.Title), Date = read.Value.Date ?? Today };
        var made = await plans.NewAsync(team, plan, "", cancellationToken);
        return made.IsOk
            ? RedirectToPage("/Timing/Sheet", new { id = made.Value })
            : await AgainAsync(new NewForm { Team = team }, $"{file.FileName}: {made.Faults[0].Told}", cancellationToken);
    }

    public async Task<IActionResult> OnPostThrowAwayAsync(int template, CancellationToken cancellationToken) =>
        await templates.RemoveAsync(template, cancellationToken) ? RedirectToPage() : NotFound();

    /// <summary>Settles the short drill that stands in every practice of a team.</summary>
    public async Task<IActionResult> OnPostDailyAsync(
        int team,
        string? card,
        double minutes,
        CancellationToken cancellationToken
    ) =>
        (await daily.SettleAsync(team, card ?? "", minutes, cancellationToken)).FirstFault is { } fault
            ? await AgainAsync(new NewForm { Team = team }, fault.Told, cancellationToken)
            : RedirectToPage();

    private static string Named(string title) => title.Length > 0 ? title : "Practice";

    /// <summary>The sheet a new practice begins with.</summary>
    private async Task<Result<Plan>> SheetAsync(NewForm form, CancellationToken cancellationToken)
    {
        var (kind, id) = (form.From ?? "").Split(':', 2) is [var one, var other] ? (one, other) : ("", "");
        _ = int.TryParse(id, System.Globalization.CultureInfo.InvariantCulture, out var number);
        if (kind == "ready")
        {
            return await ready.SheetAsync(id, form.Team, cancellationToken);
        }

        var found = kind switch
        {
            "practice" => (await plans.OpenAsync(number, cancellationToken))?.Plan,
            "template" => await templates.FindAsync(number, cancellationToken),
            _ => new Plan
            {
                Start = default,
                Minutes = 1,
                Players = 0,
                Blocks = [],
            },
        };
        return found is null
            ? Result.Fail<Plan>(new Fault("from", "the sheet it was to be made from is no longer there", "choose another"))
            : Result.Ok(found);
    }

    private async Task<IActionResult> AgainAsync(NewForm form, string why, CancellationToken cancellationToken)
    {
        await LoadAsync(cancellationToken);
        form.Date ??= Today;
        form.Start ??= new TimeOnly(17, 30);
        (Form, Hindrance) = (form, why);
        return Page();
    }

    private async Task LoadAsync(CancellationToken cancellationToken, PracticeSearch? search = null)
    {
        Search = search ?? new PracticeSearch();
        var filter = await Search.FilterAsync(seasons, cancellationToken);
        IsSearched = filter.IsSet || filter.Season is not null;
        Seasons = await seasons.ClosedAsync(cancellationToken);
        Today = DateOnly.FromDateTime(clock.GetLocalNow().DateTime);
        ToCome = await practices.ToComeAsync(null, filter with { PresentOnly = false }, cancellationToken);
        Past = await practices.PastAsync(filter, cancellationToken);
        Teams = await squad.TeamsAsync(cancellationToken);
        Templates = await templates.ListAsync(cancellationToken);
        Drills = [.. (await book.ListAsync(cancellationToken: cancellationToken)).Select(entry => (entry.Id, entry.Card.Name))];
    }
}
