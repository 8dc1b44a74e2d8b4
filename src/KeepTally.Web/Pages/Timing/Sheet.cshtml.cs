using System.Text;
using KeepTally.Core.Faults;
using KeepTally.Core.Planning;
using KeepTally.Core.Text;
using KeepTally.Store.People;
using KeepTally.Store.Planning;
using KeepTally.Store.Practices;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using KeepTally.Web.Api;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Timing;

/// <summary>
/// The timing sheet of a practice, read and written. Before practice the head coach writes it; while it runs anyone who helps with
/// it may, and every device hears of it.
/// </summary>
public sealed class SheetModel(
    PlanBook plans,
    UnreachedDrills unreached,
    PracticeList practices,
    TemplateBook templates,
    LinkBook links,
    CoachBook coaches,
    PracticeNews news,
    PlanNews elsewhere,
    PracticeClock shared,
    TimeProvider clock
) : PageModel
{
    private const double BreakMinutes = 2;

    public required SheetViewModel Sheet { get; set; }

    public Practice Practice => Sheet.Open.Practice;

    /// <summary>Why something could not be done, in words for the coach.</summary>
    public string? Hindrance { get; private set; }

    /// <summary>The drills planned last time and not reached.</summary>
    public IReadOnlyList<Block> Unreached { get; private set; } = [];

    /// <summary>Drills put forward, what fits this sheet first.</summary>
    public IReadOnlyList<DrillPick> Picked { get; private set; } = [];

    /// <summary>The time of the team in the four weeks before.</summary>
    public Balance Lately { get; private set; } = new([], new double[Balance.MostEffort]);

    /// <summary>The coaches who may take a line.</summary>
    public IReadOnlyList<string> Coaches { get; private set; } = [];

    /// <summary>Anyone who looks may change the sheet.</summary>
    public bool MayWrite => !IsPast && HttpContext.Caller() is { } you && (you.IsHead || (Sheet.Open.IsRunning && you.IsCoach));

    private DateOnly Today => DateOnly.FromDateTime(clock.GetLocalNow().DateTime);

    /// <summary>Whether it was held on an earlier day.</summary>
    public bool IsPast => Sheet.Open.IsPast(Today);

    /// <summary>Whether it runs, or ran today.</summary>
    public bool IsRunning => Sheet.Open.IsRunning && !IsPast;

    /// <summary>Seconds into the sheet it is now; null where it does not run.</summary>
    public double? Elapsed => IsRunning ? Sheet.Open.ElapsedAt(shared.Now, shared.Zone) : null;

    public async Task<IActionResult> OnGetAsync(int id, CancellationToken cancellationToken) =>
        await LoadAsync(id, cancellationToken) ? Page() : NotFound();

    /// <summary>Drills of the book by their words.</summary>
    public async Task<IActionResult> OnGetFindAsync(int id, string? text, CancellationToken cancellationToken)
    {
        if (!await LoadAsync(id, cancellationToken))
        {
            return NotFound();
        }

        Picked = DrillPick.Of(Sheet.Open, string.IsNullOrWhiteSpace(text) ? null : text, Today);
        return Partial("_Picks", this);
    }

    /// <summary>Returns the changes of other coaches since a version of the plan; no content where there are none.</summary>
    public async Task<IActionResult> OnGetNewsAsync(int id, int version, CancellationToken cancellationToken) =>
        await plans.VersionAsync(id, cancellationToken) is not { } now ? NotFound()
        : now == version ? new NoContentResult()
        : Partial("_News", elsewhere.Since(id, version));

    /// <summary>The sheet as a file.</summary>
    public async Task<IActionResult> OnGetJsonAsync(int id, CancellationToken cancellationToken) =>
        await plans.OpenAsync(id, cancellationToken) is { } open
            ? File(Encoding.UTF8.GetBytes(PlanWriter.Write(open.Plan)), "application/json", $"practice-{id}.json")
            : NotFound();

    /// <summary>The content of a link to the plan, for another club.</summary>
    public async Task<IActionResult> OnGetLinkAsync(int id, CancellationToken cancellationToken) =>
        await links.OfPlanAsync(id, cancellationToken) is { } content ? Content(content, "application/json") : NotFound();

    /// <summary>The line that was just removed, so that it can be put back; null where none was.</summary>
    public RemovedLine? Removed { get; private set; }

    [ForAssistants]
    public async Task<IActionResult> OnPostActAsync(int id, int key, LineAct act, CancellationToken cancellationToken)
    {
        RemovedLine? removed = null;
        var answer = await LineAsync(
            id,
            key,
            (open, index) =>
            {
                removed = RemovedLine.Of(open, index);
                return open.Plan.Apply(index, act, open.Shelf, open.FirstOpen);
            },
            cancellationToken
        );
        Removed = act == LineAct.Off && Hindrance is null ? removed : null;
        return answer;
    }

    /// <summary>Puts a removed line back where it stood.</summary>
    [ForAssistants]
    public Task<IActionResult> OnPostPutBackAsync(int id, int index, string block, CancellationToken cancellationToken) =>
        EditAsync(
            id,
            open =>
                PlanReader.Read(block) is { IsOk: true, Value.Blocks: [var line] }
                    ? Result.Ok(
                        open.Plan.Inserted(Math.Clamp(index, open.FirstOpen, open.Plan.Blocks.Count), line with { Key = null })
                    )
                    : Gone(),
            cancellationToken
        );

    /// <summary>Puts a line in another place.</summary>
    [ForAssistants]
    public Task<IActionResult> OnPostPlaceAsync(int id, int key, int to, CancellationToken cancellationToken) =>
        LineAsync(
            id,
            key,
            (open, index) => Result.Ok(open.Plan.Moved(index, Math.Clamp(to, open.FirstOpen, open.Plan.Blocks.Count - 1))),
            cancellationToken
        );

    /// <summary>Makes a line longer or shorter, as by dragging its end.</summary>
    [ForAssistants]
    public Task<IActionResult> OnPostMinutesAsync(int id, int key, double minutes, CancellationToken cancellationToken) =>
        LineAsync(
            id,
            key,
            (open, index) => Result.Ok(open.Plan.With(index, open.Plan.Blocks[index].WithMinutes(minutes))),
            cancellationToken
        );

    /// <summary>Takes a line as it is filled in.</summary>
    [ForAssistants]
    public async Task<IActionResult> OnPostLineAsync(int id, int key, LineForm form, CancellationToken cancellationToken) =>
        ModelState.IsValid
            ? await LineAsync(id, key, (open, index) => form.Into(open.Plan, index), cancellationToken)
            : await ShownAsync(id, FirstError, cancellationToken);

    [ForAssistants]
    public Task<IActionResult> OnPostFixAsync(
        int id,
        WarningCode code,
        int? key,
        int? station,
        string? item,
        string label,
        CancellationToken cancellationToken
    ) => EditAsync(id, open => open.Mended(code, key, station, item, label), cancellationToken);

    /// <summary>Takes what would keep more players busy.</summary>
    [ForAssistants]
    public Task<IActionResult> OnPostBusierAsync(int id, int key, CancellationToken cancellationToken) =>
        LineAsync(
            id,
            key,
            (open, index) =>
                StandingAbout.Best(open.Plan, index, open.Shelf, open.Plan.Reserve) is { Missing.Length: 0 } change
                    ? Result.Ok(change.Then)
                    : Gone(),
            cancellationToken
        );

    /// <summary>Makes the clock of a drill and its minutes go together.</summary>
    [ForAssistants]
    public Task<IActionResult> OnPostFitAsync(int id, int key, ClockFitWay way, CancellationToken cancellationToken) =>
        LineAsync(
            id,
            key,
            (open, index) => BlockWriter.Fitted(open, index, way) is { } fitted ? Result.Ok(open.Plan.With(index, fitted)) : Gone(),
            cancellationToken
        );

    /// <summary>Stretches or squeezes what is left into the time.</summary>
    [ForAssistants]
    public Task<IActionResult> OnPostIntoTimeAsync(int id, CancellationToken cancellationToken) =>
        EditAsync(id, open => Result.Ok(FitToTime.Of(open.Plan, open.Shelf, open.FirstOpen, BehindOf(open))), cancellationToken);

    /// <summary>Puts a drill at the end, in as many groups as suit it.</summary>
    [ForAssistants]
    public Task<IActionResult> OnPostAddAsync(int id, string card, CancellationToken cancellationToken) =>
        EditAsync(id, open => LineFor(open, card), cancellationToken);

    [ForAssistants]
    public Task<IActionResult> OnPostPauseAsync(int id, Pause kind, CancellationToken cancellationToken) =>
        EditAsync(
            id,
            open =>
                Result.Ok(
                    open.Plan.Inserted(
                        PlaceFor(open),
                        kind == Pause.Break ? new PlanBlock.Break("Water", BreakMinutes) : new PlanBlock.Talk("Talk", BreakMinutes)
                    )
                ),
            cancellationToken
        );

    /// <summary>Puts a drill into the reserve, or takes it out.</summary>
    [ForAssistants]
    public Task<IActionResult> OnPostReserveAsync(int id, string card, bool keep, CancellationToken cancellationToken) =>
        EditAsync(
            id,
            open =>
                Result.Ok(
                    open.Plan with
                    {
                        Reserve = keep
                            ? [.. open.Plan.Reserve.Append(card).Distinct()]
                            : [.. open.Plan.Reserve.Where(each => each != card)],
                    }
                ),
            cancellationToken
        );

    /// <summary>Removes a borrowed item.</summary>
    [ForAssistants]
    public Task<IActionResult> OnPostGiveBackAsync(int id, string item, CancellationToken cancellationToken) =>
        EditAsync(
            id,
            open =>
                open.Plan.Equipment is { } things && PlanRows.Borrowed(open.Practice).TryGetValue(item, out var more)
                    ? Result.Ok(open.Plan with { Equipment = new Dictionary<string, int>(things) { [item] = things[item] - more } })
                    : Gone(),
            cancellationToken
        );

    /// <summary>Puts in what was not reached last time.</summary>
    public async Task<IActionResult> OnPostPutInAsync(int id, int block, CancellationToken cancellationToken) =>
        await ShownAsync(id, (await unreached.PutInAsync(id, block, cancellationToken)).FirstFault?.Told, cancellationToken);

    public async Task<IActionResult> OnPostHeadAsync(int id, HeadForm form, CancellationToken cancellationToken) =>
        ModelState.IsValid
            ? await EditAsync(id, form.Into, cancellationToken)
            : await ShownAsync(id, FirstError, cancellationToken);

    /// <summary>Keeps the sheet to be used again.</summary>
    public async Task<IActionResult> OnPostTemplateAsync(int id, string? name, CancellationToken cancellationToken) =>
        await plans.OpenAsync(id, cancellationToken) is not { } open ? NotFound()
        : (await templates.KeepAsync(name ?? "", open.Plan, cancellationToken)).FirstFault is { } fault
            ? await ShownAsync(id, fault.Told, cancellationToken)
        : RedirectToPage("/Timing/Index");

    /// <summary>Takes a practice away that was never begun.</summary>
    public async Task<IActionResult> OnPostDeleteAsync(int id, CancellationToken cancellationToken) =>
        (await plans.DeleteAsync(id, cancellationToken)).FirstFault is { } fault
            ? await ShownAsync(id, fault.Told, cancellationToken)
            : RedirectToPage("/Timing/Index");

    /// <summary>Seconds practice runs behind its sheet; nought where it does not run, or is in time.</summary>
    public double Behind => IsPast ? 0 : BehindOf(Sheet.Open);

    private double BehindOf(OpenPlan open) => open.BehindAt(shared.Now, shared.Zone);

    private string? FirstError => ModelState.Values.SelectMany(value => value.Errors).FirstOrDefault()?.ErrorMessage;

    private static Result<Plan> LineFor(OpenPlan open, string card)
    {
        if (open.Shelf.Find(card) is not { } found)
        {
            return Result.Fail<Plan>(new Fault("card", $"there is no drill \"{card}\" in the book", "choose another"));
        }

        // While practice runs, what is put in is what comes next.
        return Result.Ok(open.Plan.Inserted(PlaceFor(open), open.Plan.NewDrill(found)));
    }

    private static int PlaceFor(OpenPlan open) => open.IsRunning ? open.FirstOpen : open.Plan.Blocks.Count;

    private static Result<Plan> Gone() =>
        Result.Fail<Plan>(new Fault("sheet", "the sheet has changed meanwhile, and that is no longer offered", "look at it again"));

    private Task<IActionResult> LineAsync(
        int id,
        int key,
        Func<OpenPlan, int, Result<Plan>> edit,
        CancellationToken cancellationToken
    ) => EditAsync(id, open => open.IndexOf(key) is { } index ? edit(open, index) : Gone(), cancellationToken);

    private async Task<IActionResult> EditAsync(int id, Func<OpenPlan, Result<Plan>> edit, CancellationToken cancellationToken)
    {
        if (await plans.OpenAsync(id, cancellationToken) is not { } open)
        {
            return NotFound();
        }

        if (HttpContext.Caller() is not { } you || !(you.IsHead || open.IsRunning))
        {
            return Forbid();
        }

        if (open.IsPast(Today))
        {
            return await ShownAsync(id, "That practice is over; its sheet stands as it was.", cancellationToken);
        }

        var before = open.Plan;
        IReadOnlyList<string> changes = [];
        var written = await plans.EditAsync(
            open,
            opened =>
            {
                var edited = edit(opened);
                changes = edited.IsOk ? PlanChanges.Of(before, edited.Value, opened.Shelf) : [];
                return edited;
            },
            cancellationToken
        );
        if (!written.IsOk)
        {
            return await ShownAsync(id, written.Faults[0].Told, cancellationToken);
        }

        elsewhere.Add(id, new PlanNewsItem(written.Value, you.Name, Phrase.Capital(string.Join("; ", changes))));
        if (open.IsRunning)
        {
            news.SheetChanged(id, written.Value);
        }

        return await ShownAsync(id, null, cancellationToken, open);
    }

    /// <summary>The sheet anew: only itself where a script asked, else the whole page.</summary>
    /// <param name="id">The id of the practice.</param>
    /// <param name="hindrance">Why it could not be changed; null where it was.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    /// <param name="before">The sheet as it was opened for an edit; null where there was none.</param>
    private async Task<IActionResult> ShownAsync(
        int id,
        string? hindrance,
        CancellationToken cancellationToken,
        OpenPlan? before = null
    )
    {
        Hindrance = hindrance;
        var byScript = Request.Headers.ContainsKey("HX-Request");
        if (!byScript && hindrance is null)
        {
            return RedirectToPage(new { id });
        }

        return !await LoadAsync(id, cancellationToken, before) ? NotFound()
            : byScript ? Partial("_Sheet", this)
            : Page();
    }

    private async Task<bool> LoadAsync(int id, CancellationToken cancellationToken, OpenPlan? before = null)
    {
        var opened = before is null
            ? await plans.OpenAsync(id, cancellationToken)
            : await plans.RefreshAsync(before, cancellationToken);
        if (opened is not { } open)
        {
            return false;
        }

        Sheet = SheetViewModel.Of(open);
        Unreached = await unreached.ForAsync(open.Practice, cancellationToken);
        Lately = await practices.LatelyAsync(open.Practice, open.Book, cancellationToken);
        // The list of coaches lies outside of what a press shows anew.
        Coaches = Request.Headers.ContainsKey("HX-Request")
            ? []
            :
            [
                .. (await coaches.ListAsync(cancellationToken))
                    .Where(coach => coach.IsHead || coach.Teams.Exists(team => team.TeamId == open.Practice.TeamId))
                    .Select(coach => coach.UserName!),
            ];
        Picked = DrillPick.Of(open, null, Today);
        return true;
    }
}
