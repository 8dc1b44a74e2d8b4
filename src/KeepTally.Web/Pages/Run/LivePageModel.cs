using KeepTally.Core.Faults;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Loads;
using KeepTally.Core.Time;
using KeepTally.Screen;
using KeepTally.Screen.Views;
using KeepTally.Store.Planning;
using KeepTally.Store.Practices;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Run;

/// <summary>
/// A page on which a practice that has begun stands as it is now, before any script has run; the core in the browser goes on
/// from there. Who comes too early is sent to Today.
/// </summary>
[ResponseCache(NoStore = true)]
public abstract class LivePageModel(PracticeBook book, RunStore runStore, PracticeClock clock) : PageModel
{
    public required Practice Practice { get; set; }

    /// <summary>The ids of the runs on the page, in their order.</summary>
    protected IReadOnlyList<string> Keys { get; private set; } = [];

    /// <summary>The block of each run, in the order of the runs.</summary>
    protected IReadOnlyList<Block> Blocks { get; private set; } = [];

    /// <summary>Drills of the practice that cannot be shown since their card no longer reads, with what is wrong.</summary>
    public IReadOnlyList<(string Drill, Fault Fault)> Unreadable { get; private set; } = [];

    /// <summary>The habits of the practice.</summary>
    public IReadOnlyList<string> Habits { get; private set; } = [];

    /// <summary>Before the start a coach is sent to Today, where it is started; all others wait.</summary>
    protected virtual bool SendsCoachesToToday => false;

    /// <summary>Whether the page may hold what players may not do today.</summary>
    protected virtual bool TellsLimits => false;

    /// <summary>The best results of earlier practices, by sheet; none where the page has no business with them.</summary>
    protected virtual Task<IReadOnlyDictionary<string, PastBests>> BestsAsync(
        Practice practice,
        IReadOnlyList<StoredRun> runs,
        CancellationToken cancellationToken
    ) => Task.FromResult<IReadOnlyDictionary<string, PastBests>>(new Dictionary<string, PastBests>());

    /// <summary>Whether the page leaves out scores and results.</summary>
    protected virtual Task<bool> HidesScoresAsync(Practice practice, CancellationToken cancellationToken) => Task.FromResult(false);

    /// <summary>The load that players may still take of a kind today; empty where the page does not need it.</summary>
    protected virtual Task<IReadOnlyList<LoadAllowance>> LoadsAsync(
        Practice practice,
        IReadOnlyList<StoredRun> runs,
        CancellationToken cancellationToken
    ) => Task.FromResult<IReadOnlyList<LoadAllowance>>([]);

    /// <summary>The practice for the core in the browser, as JSON.</summary>
    public string PracticeJson { get; private set; } = "";

    /// <summary>The origin of the times of the practice.</summary>
    public RunOrigin Origin { get; private set; }

    /// <summary>When the page was made, on the shared clock.</summary>
    public DateTimeOffset Now { get; private set; }

    /// <summary>The last event that stands in <see cref="PracticeJson"/>; listening goes on from there.</summary>
    public long LastSequence { get; private set; }

    /// <summary>The screen as it stands when the page is made.</summary>
    public PracticeView View { get; private set; } = new(0, false, false, null);

    public async Task<IActionResult> OnGetAsync(int id, CancellationToken cancellationToken)
    {
        if (await book.FindAsync(id, cancellationToken) is not { } practice)
        {
            return NotFound();
        }

        var all = await runStore.OfAsync(id, cancellationToken);
        if (all.Count == 0)
        {
            return SendsCoachesToToday && HttpContext.Caller() is { IsCoach: true }
                ? RedirectToPage("/Index", new { practice = id })
                : RedirectToPage("/Run/Wait", new { id });
        }

        var runs = all.Where(run => run.Fault is null).ToArray();
        if (runs.Length == 0)
        {
            // The results say what is wrong with each.
            return RedirectToPage("/Results/Practice", new { id });
        }

        Unreadable =
        [
            .. all.Where(run => run.Fault is not null).Select(run => (LiveOpening.BlockOf(practice, run).Title, run.Fault!)),
        ];

        Practice = practice;
        Origin = runs[0].Run.Origin;
        Now = clock.Now;
        LastSequence = PracticeText.LastSequence(runs);
        Habits = CoachList.Habits.Of(practice.Team!.Habits);
        var times = SheetTimes.Of(practice, Origin, clock.Zone);
        var past = await BestsAsync(practice, runs, cancellationToken);
        var loads = await LoadsAsync(practice, runs, cancellationToken);
        var hidesScores = await HidesScoresAsync(practice, cancellationToken);
        PracticeJson = PracticeText.Of(practice, runs, Habits, TellsLimits, times, past, loads, hidesScores);
        Keys = [.. runs.Select(PracticeText.KeyOf)];
        Blocks = [.. runs.Select(run => LiveOpening.BlockOf(practice, run))];
        var live = LiveOpening.Open(new DeviceId("page"), practice, runs, clock.Zone, past);
        // What the clock calls for by now is shown as every device will show it; the devices append it themselves.
        var now = Origin.InstantAt(Now);
        live.AppendDue(now);
        View = new RunPresenter(live, Habits) { TellsResults = !hidesScores }.At(now);
        await LayOutAsync(live, cancellationToken);
        return Page();
    }

    /// <summary>The other parts of the page.</summary>
    protected abstract Task LayOutAsync(LivePractice live, CancellationToken cancellationToken);
}
