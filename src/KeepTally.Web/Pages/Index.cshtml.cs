using KeepTally.Core.Formats;
using KeepTally.Core.Places;
using KeepTally.Core.Planning;
using KeepTally.Core.Words;
using KeepTally.Store.Practices;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages;

/// <summary>Today: the timing sheet, who is here, and Start.</summary>
public sealed class IndexModel(
    PracticeBook book,
    SquadBook squad,
    PracticeStart start,
    TimingSheet sheet,
    GroupPlan groups,
    GroupDesk desk,
    TimeProvider clock
) : PageModel
{
    public Practice? Practice { get; private set; }

    public IReadOnlyList<Player> Players { get; private set; } = [];

    public IReadOnlySet<int> Absent { get; private set; } = new HashSet<int>();

    public IReadOnlyList<BlockTime> Times { get; private set; } = [];

    public bool IsToday { get; private set; }

    /// <summary>Why the practice could not be started, in words for the coach.</summary>
    public string? Hindrance { get; private set; }

    public int Here => Players.Count - Absent.Count;

    /// <summary>What a player may be kept from, in the coach's words.</summary>
    public static IReadOnlyList<(Limits Limit, string Words)> LimitWords { get; } =
    [(Limits.NoThrowing, "no throwing"), (Limits.NoContact, "no contact")];

    /// <summary>Who is left out of which drills by a limit, and why.</summary>
    public IReadOnlyList<(string Name, string Why, string Drills)> LeftOut { get; private set; } = [];

    /// <summary>Who is in which group in each drill, as it would be dealt now.</summary>
    public IReadOnlyList<DealtBlock> Dealt { get; private set; } = [];

    public Presence PresenceOf(Player player) => Entry(player)?.Presence ?? Presence.Here;

    public Limits LimitsOf(Player player) => Entry(player)?.Limits ?? Limits.None;

    public bool IsBegun => Practice?.Blocks.Any(block => block.Run is not null) == true;

    /// <summary>Seconds left over; below nought where the sheet does not fit the practice.</summary>
    public double Slack => BlockTimes.Slack(Times, Practice?.Minutes ?? 0);

    /// <summary>The clock time so many seconds into the practice.</summary>
    public string ClockTime(double seconds) =>
        Practice!.Start.Add(TimeSpan.FromSeconds(seconds)).ToString("HH:mm", System.Globalization.CultureInfo.InvariantCulture);

    /// <summary>What each player of the squad is called in passing, by unit id.</summary>
    public IReadOnlyDictionary<string, string> CallNames { get; private set; } = new Dictionary<string, string>();

    /// <summary>How the players here fall into a block's groups, in words.</summary>
    public string GroupWords(Block block) => BlockWords.Groups(block, Dealt.FirstOrDefault(each => each.Block.Id == block.Id));

    public IReadOnlyList<Team> Teams { get; private set; } = [];

    /// <summary>Other practices whose sheet is still open.</summary>
    public IReadOnlyList<Practice> Others { get; private set; } = [];

    public async Task OnGetAsync(int? practice, CancellationToken stop) => await LoadAsync(practice, stop);

    /// <summary>Begins another practice today, for a team.</summary>
    public async Task<IActionResult> OnPostNewAsync(int team, CancellationToken stop) =>
        await sheet.BeginAsync(team, stop) is { } practice ? RedirectToPage(new { practice }) : NotFound();

    /// <summary>Takes a drill off the timing sheet.</summary>
    public async Task<IActionResult> OnPostTakeOffAsync(int practice, int block, CancellationToken stop) =>
        await sheet.RemoveAsync(block, stop) ? RedirectToPage(new { practice }) : NotFound();

    public async Task<IActionResult> OnPostMarkAsync(int practice, int player, Presence presence, CancellationToken stop) =>
        await MarkedAsync(practice, player, await book.MarkAsync(practice, player, presence, stop), stop);

    /// <summary>Says that a player may not do something today, or may again.</summary>
    public async Task<IActionResult> OnPostLimitAsync(int practice, int player, Limits limit, CancellationToken stop) =>
        await MarkedAsync(practice, player, await book.LimitAsync(practice, player, limit, stop), stop);

    /// <summary>Makes the groups another way, or anew.</summary>
    public async Task<IActionResult> OnPostSplitAsync(int practice, SplitWay way, int seed, CancellationToken stop)
    {
        if (!await desk.SplitAsync(practice, way, seed, "", stop))
        {
            return NotFound();
        }

        if (!IsByScript)
        {
            return RedirectToPage(new { practice });
        }

        await LoadAsync(practice, stop);
        return Partial("_Groups", this);
    }

    private async Task<IActionResult> MarkedAsync(int practice, int player, bool known, CancellationToken stop)
    {
        if (!known)
        {
            return NotFound();
        }

        if (!IsByScript)
        {
            return RedirectToPage(new { practice });
        }

        await LoadAsync(practice, stop);
        return Partial("_Marked", (this, Players.First(each => each.Id == player)));
    }

    private bool IsByScript => Request.Headers.ContainsKey("HX-Request");

    public async Task<IActionResult> OnPostStartAsync(int practice, CancellationToken stop)
    {
        Hindrance = await start.BeginAsync(practice, stop);
        if (Hindrance is null)
        {
            return RedirectToPage("/Run/Index", new { id = practice });
        }

        await LoadAsync(practice, stop);
        return Page();
    }

    private async Task LoadAsync(int? practice, CancellationToken stop)
    {
        var today = DateOnly.FromDateTime(clock.GetLocalNow().DateTime);
        Teams = await squad.TeamsAsync(stop);
        Practice = (practice is { } id ? await book.FindAsync(id, stop) : null) ?? await book.ForDayAsync(today, stop);
        if (Practice is null)
        {
            return;
        }

        Others = [.. (await sheet.OpenAsync(stop)).Where(other => other.Id != Practice.Id)];
        IsToday = Practice.Date == today;
        Players = await squad.ListAsync(Practice.TeamId, stop);
        CallNames = Core.Sheets.CallNames.Of(Players.Select(player => new Core.Sheets.Member(player.UnitId, player.Name)));
        Absent = PracticeBook.Absent(Practice);
        LeftOut =
        [
            .. Players
                .Where(player => PresenceOf(player) != Presence.Absent && LimitsOf(player) != Limits.None)
                .SelectMany(LeftOutOf),
        ];
        Dealt = IsBegun || Practice.Blocks.Count == 0 ? [] : (await groups.OfAsync(Practice, stop)).Blocks;
        Times = BlockTimes.Of([.. Practice.Blocks.Select(block => new BlockSpan(block.Minutes, block.ChangeSeconds))]);
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
                    : [(Name: block.Title, block.CardVersion!.Json)]
            )
            .Where(drill => LimitRule.Forbids(limits, CardReader.Read(drill.Json).Sure()))
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
