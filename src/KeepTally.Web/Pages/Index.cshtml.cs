using KeepTally.Core.Planning;
using KeepTally.Store.Practices;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages;

/// <summary>Today: the timing sheet, who is here, and Start.</summary>
public sealed class IndexModel(PracticeBook book, SquadBook squad, PracticeStart start, TimingSheet sheet, TimeProvider clock)
    : PageModel
{
    public Practice? Practice { get; private set; }

    public IReadOnlyList<Player> Players { get; private set; } = [];

    public IReadOnlySet<int> Absent { get; private set; } = new HashSet<int>();

    public IReadOnlyList<BlockTime> Times { get; private set; } = [];

    public bool IsToday { get; private set; }

    /// <summary>Why the practice could not be started, in words for the coach.</summary>
    public string? Hindrance { get; private set; }

    public int Here => Players.Count - Absent.Count;

    public bool IsBegun => Practice?.Blocks.Any(block => block.Run is not null) == true;

    /// <summary>Seconds left over; below nought where the sheet does not fit the practice.</summary>
    public double Slack => BlockTimes.Slack(Times, Practice?.Minutes ?? 0);

    /// <summary>The clock time so many seconds into the practice.</summary>
    public string ClockTime(double seconds) =>
        Practice!.Start.Add(TimeSpan.FromSeconds(seconds)).ToString("HH:mm", System.Globalization.CultureInfo.InvariantCulture);

    /// <summary>How the players here fall into a block's groups, in words.</summary>
    public string GroupWords(Block block)
    {
        var groups = Math.Clamp(block.Groups, 1, Math.Max(1, Here));
        if (groups == 1)
        {
            return $"all {Here} together";
        }

        var (small, larger) = (Here / groups, Here % groups);
        return larger == 0 ? $"{groups} groups of {small}" : $"{larger} of {small + 1} and {groups - larger} of {small}";
    }

    /// <summary>Other practices whose sheet is still open.</summary>
    public IReadOnlyList<Practice> Others { get; private set; } = [];

    public async Task OnGetAsync(int? practice, CancellationToken stop) => await LoadAsync(practice, stop);

    /// <summary>Takes a drill off the timing sheet.</summary>
    public async Task<IActionResult> OnPostTakeOffAsync(int practice, int block, CancellationToken stop) =>
        await sheet.RemoveAsync(block, stop) ? RedirectToPage(new { practice }) : NotFound();

    public async Task<IActionResult> OnPostMarkAsync(int practice, int player, Presence presence, CancellationToken stop)
    {
        if (!await book.MarkAsync(practice, player, presence, stop))
        {
            return NotFound();
        }

        if (!Request.Headers.ContainsKey("HX-Request"))
        {
            return RedirectToPage(new { practice });
        }

        await LoadAsync(practice, stop);
        return Partial("_Attendance", this);
    }

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
        Practice = (practice is { } id ? await book.FindAsync(id, stop) : null) ?? await book.ForDayAsync(today, stop);
        if (Practice is null)
        {
            return;
        }

        Others = [.. (await sheet.OpenAsync(stop)).Where(other => other.Id != Practice.Id)];
        IsToday = Practice.Date == today;
        Players = await squad.ListAsync(Practice.TeamId, stop);
        Absent = PracticeBook.Absent(Practice);
        Times = BlockTimes.Of([.. Practice.Blocks.Select(block => new BlockSpan(block.Minutes, block.ChangeSeconds))]);
    }
}
