using KeepTally.Core.Dealing;
using KeepTally.Core.Events;
using KeepTally.Core.Formats;
using KeepTally.Core.Groups;
using KeepTally.Core.Identity;
using KeepTally.Core.Planning;
using KeepTally.Core.Reports;
using KeepTally.Core.Text;
using KeepTally.Core.Words;
using KeepTally.Store.Database;
using KeepTally.Store.Planning;
using KeepTally.Store.Practices;
using KeepTally.Store.Results;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages;

/// <summary>Today: the timing sheet, who is here, and Start.</summary>
public sealed class IndexModel(
    PracticeBook book,
    SquadBook squad,
    PracticeStart start,
    BlockWriter blocks,
    PlanBook plans,
    PracticeList practices,
    GroupPlan groups,
    GroupWriter writer,
    PracticeResults results,
    UnreachedDrills unreached,
    DataFolder data,
    TimeProvider clock
) : PageModel
{
    public Practice? Practice { get; private set; }

    public IReadOnlyList<Player> Players { get; private set; } = [];

    public IReadOnlySet<int> Absent { get; private set; } = new HashSet<int>();

    /// <summary>The arithmetic of its timing sheet.</summary>
    public PlanReport? Report { get; private set; }

    /// <summary>The sheet itself.</summary>
    public OpenPlan? Open { get; private set; }

    public bool IsToday { get; private set; }

    /// <summary>Why the practice could not be started, in words for the coach.</summary>
    public string? Hindrance { get; private set; }

    /// <summary>Whether the disk of the server is full, so that nothing new can be stored.</summary>
    public bool IsDiskFull => DiskSpace.IsUsedUp(data.Path);

    public int Here => Players.Count - Absent.Count;

    /// <summary>The restrictions a player can have, in the coach's words.</summary>
    public static IReadOnlyList<(Restrictions Limit, string Words)> LimitWords { get; } =
    [(Restrictions.NoThrowing, "no throwing"), (Restrictions.NoContact, "no contact")];

    /// <summary>The players left out of drills by a restriction, and why.</summary>
    public IReadOnlyList<(string Name, string Why, string Drills)> LeftOut { get; private set; } = [];

    /// <summary>The groups of each drill, as they would be dealt now.</summary>
    public IReadOnlyList<DealtBlock> Dealt { get; private set; } = [];

    public Presence PresenceOf(Player player) => Entry(player)?.Presence ?? Presence.Here;

    /// <summary>The attendance after a tap on the name: here, late, absent, and here again.</summary>
    public static Presence NextOf(Presence presence) =>
        presence switch
        {
            Presence.Here => Presence.Late,
            Presence.Late => Presence.Absent,
            Presence.Absent => Presence.Here,
        };

    public Restrictions LimitsOf(Player player) => Entry(player)?.Limits ?? Restrictions.None;

    public bool IsBegun => Practice?.Blocks.Any(block => block.Run is not null) == true;

    /// <summary>Whether it was run and every drill of it has ended.</summary>
    public bool IsOver => Outcome is { StillOn: false };

    /// <summary>The result so far; null before it starts.</summary>
    private PracticeReport? Outcome { get; set; }

    /// <summary>The drills that were begun, with who won or was first in each.</summary>
    public IEnumerable<(string Drill, string Result)> Outcomes =>
        Outcome!
            .Drills.Where(drill => drill.Begun)
            .Select(drill => (drill.Title, VerdictWords.Of(drill.Verdict)))
            .Where(each => each.Item2.Length > 0);

    /// <summary>How many drills were done, and which were not reached.</summary>
    public string DoneWords
    {
        get
        {
            var runs = Outcome!.Drills.GroupBy(drill => drill.RunId).ToArray();
            var left = runs.Where(run => run.All(drill => !drill.Begun)).ToArray();
            var done = $"Done: {runs.Length - left.Length} of {runs.Length} {Phrase.Plural(runs.Length, "drill")}.";
            return left.Length == 0
                ? done
                : $"{done} Not reached, suggested for next time: {string.Join("; ", left.Select(TitleOf))}.";
        }
    }

    private string TitleOf(IGrouping<int, DrillResult> run) => Practice!.Blocks.First(block => block.Run?.Id == run.Key).Title;

    /// <summary>The players who are not here, by call name: "late: Nell", "absent: Greta and Mina".</summary>
    public IReadOnlyList<string> Away =>
        [
            .. new[] { Presence.Late, Presence.Absent }
                .Select(presence => (presence, Names: Players.Where(player => PresenceOf(player) == presence).ToArray()))
                .Where(each => each.Names.Length > 0)
                .Select(each =>
                    $"{each.presence.ToString().ToLowerInvariant()}: {Phrase.List([.. each.Names.Select(player => CallNames[player.UnitId])])}"
                ),
        ];

    /// <summary>The clock time so many seconds into the practice.</summary>
    public string ClockTime(double seconds) =>
        Practice!.Start.Add(TimeSpan.FromSeconds(seconds)).ToString("HH:mm", System.Globalization.CultureInfo.InvariantCulture);

    /// <summary>The call names of the squad, by unit id.</summary>
    public IReadOnlyDictionary<PlayerId, string> CallNames { get; private set; } = new Dictionary<PlayerId, string>();

    /// <summary>How the players here fall into a block's groups, in words.</summary>
    public string GroupWords(Block block) => BlockWords.Groups(block, Dealt.FirstOrDefault(each => each.Block.Id == block.Id));

    /// <summary>Groups of a drill that are too small or too big for its card, with what would put them right.</summary>
    public IEnumerable<(PlanWarning Warning, IReadOnlyList<Fix> Fixes)> GroupTroubles(Block block) =>
        Open is not { } open || Report is not { } report || IsBegun
            ? []
            : report
                .Warnings.Where(warning => warning.Code is WarningCode.GroupTooSmall or WarningCode.GroupTooBig)
                .Where(warning => warning.Block is { } index && open.Plan.Blocks[index].Key == block.Id)
                .Select(warning => (warning, new PlanFixes(open.Plan, open.Shelf, open.Spares).For(warning)));

    public IReadOnlyList<Team> Teams { get; private set; } = [];

    /// <summary>The team of the practice shown, or the chosen one where it has none; null where there is no team.</summary>
    public Team? Shown { get; private set; }

    /// <summary>Today's practices of other teams that were begun.</summary>
    public IEnumerable<PracticeTitle> BegunElsewhere => Others.Where(other => other is { IsToday: true, IsBegun: true });

    /// <summary>Other practices whose sheet is still open.</summary>
    public IReadOnlyList<PracticeTitle> Others { get; private set; } = [];

    /// <summary>The drills planned last time and not reached.</summary>
    public IReadOnlyList<Block> Unreached { get; private set; } = [];

    /// <summary>Why a practice that was made to start at once has not started, on the page that follows.</summary>
    [TempData]
    public string? Unstarted { get; set; }

    public async Task OnGetAsync(int? practice, CancellationToken cancellationToken)
    {
        Hindrance = Unstarted;
        await LoadAsync(practice, cancellationToken);
    }

    /// <summary>Begins another practice today, for a team.</summary>
    public async Task<IActionResult> OnPostNewAsync(int team, CancellationToken cancellationToken) =>
        await blocks.BeginAsync(team, cancellationToken) is { } practice ? RedirectToPage(new { practice }) : NotFound();

    /// <summary>Puts a drill's groups right for those who are here.</summary>
    public async Task<IActionResult> OnPostFixAsync(
        int practice,
        WarningCode code,
        int key,
        int? station,
        string label,
        CancellationToken cancellationToken
    )
    {
        Hindrance = (await plans.EditAsync(practice, open => open.Mended(code, key, station, null, label), cancellationToken))
            .FirstFault
            ?.Told;
        if (Hindrance is null)
        {
            return RedirectToPage(new { practice });
        }

        await LoadAsync(practice, cancellationToken);
        return Page();
    }

    /// <summary>Puts in what was not reached last time.</summary>
    public async Task<IActionResult> OnPostPutInAsync(int practice, int block, CancellationToken cancellationToken)
    {
        Hindrance = (await unreached.PutInAsync(practice, block, cancellationToken)).FirstFault?.Told;
        if (Hindrance is null)
        {
            return RedirectToPage(new { practice });
        }

        await LoadAsync(practice, cancellationToken);
        return Page();
    }

    [ForAssistants]
    public async Task<IActionResult> OnPostMarkAsync(
        int practice,
        int player,
        Presence presence,
        CancellationToken cancellationToken
    ) =>
        await MarkedAsync(practice, player, await book.MarkAsync(practice, player, presence, cancellationToken), cancellationToken);

    /// <summary>Keeps a player from something today, or lets it go.</summary>
    [ForAssistants]
    public async Task<IActionResult> OnPostLimitAsync(
        int practice,
        int player,
        Restrictions limit,
        CancellationToken cancellationToken
    ) => await MarkedAsync(practice, player, await book.LimitAsync(practice, player, limit, cancellationToken), cancellationToken);

    /// <summary>Makes the groups another way, or anew.</summary>
    [ForAssistants]
    public async Task<IActionResult> OnPostSplitAsync(int practice, SplitWay way, int seed, CancellationToken cancellationToken)
    {
        Hindrance = (await writer.SplitAsync(practice, way, seed, "", cancellationToken)).FirstFault?.Told;
        if (await book.FindAsync(practice, cancellationToken) is null)
        {
            return NotFound();
        }

        if (!IsByScript && Hindrance is null)
        {
            return RedirectToPage(new { practice });
        }

        await LoadAsync(practice, cancellationToken);
        return IsByScript ? Partial("_Groups", this) : Page();
    }

    private async Task<IActionResult> MarkedAsync(int practice, int player, bool known, CancellationToken cancellationToken)
    {
        if (!known)
        {
            return NotFound();
        }

        if (!IsByScript)
        {
            return RedirectToPage(new { practice });
        }

        await LoadAsync(practice, cancellationToken);
        return Partial("_Marked", (this, Players.First(each => each.Id == player)));
    }

    /// <summary>Whether only a part of the page was asked for.</summary>
    public bool IsByScript => Request.Headers.ContainsKey("HX-Request");

    [ForAssistants]
    public async Task<IActionResult> OnPostStartAsync(int practice, CancellationToken cancellationToken)
    {
        Hindrance = (await start.BeginAsync(practice, cancellationToken)).FirstFault?.Told;
        if (Hindrance is null)
        {
            return RedirectToPage("/Run/Index", new { id = practice });
        }

        await LoadAsync(practice, cancellationToken);
        return Page();
    }

    private async Task LoadAsync(int? practice, CancellationToken cancellationToken)
    {
        var today = DateOnly.FromDateTime(clock.GetLocalNow().DateTime);
        Teams = await squad.TeamsAsync(cancellationToken);
        Shown = Teams.FirstOrDefault(team => team.Id == HttpContext.ChosenTeam());
        Practice =
            (practice is { } id ? await book.FindAsync(id, cancellationToken) : null)
            ?? await book.ForDayAsync(today, Shown?.Id, cancellationToken);
        if (Practice is null)
        {
            Shown ??= Teams.Count > 0 ? Teams[0] : null;
            Players = Shown is { } empty ? await squad.ListAsync(empty.Id, cancellationToken) : [];
            return;
        }

        Shown = Practice.Team;

        Others = [.. (await practices.TitlesAsync(cancellationToken)).Where(other => other.Id != Practice.Id)];
        Unreached = await unreached.ForAsync(Practice, cancellationToken);
        IsToday = Practice.Date == today;
        Players = await squad.ListAsync(Practice.TeamId, cancellationToken);
        CallNames = Core.Live.CallNames.Of(Players.Select(player => new Member(player.UnitId, player.Name)));
        Absent = PracticeBook.Absent(Practice);
        LeftOut =
        [
            .. Players
                .Where(player => PresenceOf(player) != Presence.Absent && LimitsOf(player) != Restrictions.None)
                .SelectMany(LeftOutOf),
        ];
        Dealt = IsBegun || Practice.Blocks.Count == 0 ? [] : (await groups.OfAsync(Practice, Players, cancellationToken)).Blocks;
        var open = await plans.ReadAsync(Practice, Players, cancellationToken);
        Outcome = IsBegun ? await results.ReportAsync(Practice, cancellationToken) : null;
        (Report, Open) = (PlanReport.Of(open.Plan, open.Shelf), open);
    }

    private IEnumerable<(string Name, string Why, string Drills)> LeftOutOf(Player player)
    {
        var limits = LimitsOf(player);
        var drills = Practice!
            .Blocks.SelectMany(block =>
                block.Circuit is { } circuit
                    ? circuit.Stations.Select(station =>
                        (Name: $"{station.CardVersion!.Name} in the circuit", station.CardVersion.Json)
                    )
                : block.CardVersion is { } version ? [(Name: block.Title, version.Json)]
                : []
            )
            .Where(drill => CardReader.Read(drill.Json).Value is { } card && Participation.Forbids(limits, card))
            .Select(drill => drill.Name)
            .ToArray();
        if (drills.Length > 0)
        {
            var why = Phrase.List([.. LimitWords.Where(each => limits.HasFlag(each.Limit)).Select(each => each.Words)]);
            yield return (player.Name, why, Phrase.List(drills));
        }
    }

    private Attendance? Entry(Player player) => Practice?.Attendance.FirstOrDefault(each => each.PlayerId == player.Id);
}
