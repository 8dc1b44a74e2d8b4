using KeepTally.Core.Places;
using KeepTally.Core.Planning;
using KeepTally.Core.Words;
using KeepTally.Store.Practices;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Groups;

/// <summary>Groups of a practice that has not begun: how they are made, by hand where the coach knows better.</summary>
public sealed class IndexModel(
    PracticeBook book,
    SquadBook squad,
    PairBook pairs,
    GroupPlan plan,
    GroupDesk desk,
    PlayerLevels levels
) : PageModel
{
    /// <summary>The ways of making groups, in the coach's words.</summary>
    public static IReadOnlyList<(SplitWay Way, string Words)> Ways { get; } =
    [
        (SplitWay.Listed, "as listed"),
        (SplitWay.Shuffle, "shuffled"),
        (SplitWay.Spread, "positions spread"),
        (SplitWay.Fresh, "fresh partners"),
    ];

    public required Practice Practice { get; set; }

    public PlannedGroups Planned { get; private set; } = new(0, null, [], []);

    public IReadOnlyList<Player> Players { get; private set; } = [];

    public IReadOnlyList<KeptPair> Pairs { get; private set; } = [];

    /// <summary>Drills by whose results groups can be made level.</summary>
    public IReadOnlyList<(string Card, string Name)> LevelChoices { get; private set; } = [];

    /// <summary>What could not be done, in words for the coach.</summary>
    public string? Hindrance { get; private set; }

    /// <summary>How even the groups changed now were before; null where none were.</summary>
    public (int? Block, string Words)? Before { get; private set; }

    public bool IsBegun => Practice.Blocks.Any(block => block.Run is not null);

    public string NameOf(int player) => Players.FirstOrDefault(each => each.Id == player)?.Name ?? "A player";

    public static string EvenWordsOf(DealtGroups groups) =>
        EvenWords.Of([.. groups.Groups.Select(group => group.Players.Count)], groups.Evenness);

    /// <summary>What keeps the groups from being more, in words.</summary>
    public static string BoundWords(GroupBound bound) =>
        bound switch
        {
            GroupBound.Players => "more would be too small",
            GroupBound.Balls => "there are no more balls",
            GroupBound.Courts => "there are no more courts",
            GroupBound.Coaches => "there are no more coaches",
        };

    public async Task<IActionResult> OnGetAsync(int id, CancellationToken stop) => await LoadAsync(id, stop) ? Page() : NotFound();

    public Task<IActionResult> OnPostSplitAsync(int id, SplitWay way, int seed, string? by, CancellationToken stop) =>
        DoneAsync(
            id,
            desk.SplitAsync(id, way == SplitWay.Level && string.IsNullOrEmpty(by) ? SplitWay.Listed : way, seed, by ?? "", stop),
            stop
        );

    public Task<IActionResult> OnPostMeansAsync(int id, int? balls, int? courts, int? coaches, CancellationToken stop) =>
        DoneAsync(id, desk.MeansAsync(id, balls, courts, coaches, stop), stop);

    public Task<IActionResult> OnPostCountAsync(int id, int block, GroupsBy by, int number, CancellationToken stop) =>
        DoneAsync(id, desk.CountAsync(id, block, by, number, stop), stop);

    public Task<IActionResult> OnPostMoveAsync(int id, int? block, string player, int to, CancellationToken stop) =>
        ByHandAsync(id, block, () => desk.MoveAsync(id, block, player, to, stop), stop);

    public Task<IActionResult> OnPostExchangeAsync(int id, int? block, string player, string other, CancellationToken stop) =>
        ByHandAsync(id, block, () => desk.ExchangeAsync(id, block, player, other, stop), stop);

    public Task<IActionResult> OnPostSettleAsync(int id, int block, CancellationToken stop) =>
        DoneAsync(id, desk.SettleAsync(id, block, stop), stop);

    public Task<IActionResult> OnPostLetGoAsync(int id, int? block, CancellationToken stop) =>
        DoneAsync(id, desk.LetGoAsync(id, block, stop), stop);

    public async Task<IActionResult> OnPostPairAsync(int id, int one, int other, bool together, CancellationToken stop)
    {
        if (await book.FindAsync(id, stop) is not { } practice)
        {
            return NotFound();
        }

        Hindrance = await pairs.KeepAsync(practice.TeamId, one, other, together, stop);
        return await AnswerAsync(id, stop);
    }

    public async Task<IActionResult> OnPostUnpairAsync(int id, int pair, CancellationToken stop) =>
        await book.FindAsync(id, stop) is { } practice && await pairs.LetGoAsync(practice.TeamId, pair, stop)
            ? await AnswerAsync(id, stop)
            : NotFound();

    private async Task<IActionResult> ByHandAsync(int id, int? block, Func<Task<bool>> change, CancellationToken stop)
    {
        var before = await EvenAsync(id, block, stop);
        if (!await change())
        {
            return NotFound();
        }

        Before = before is null ? null : (block, before);
        return await AnswerAsync(id, stop);
    }

    private async Task<string?> EvenAsync(int id, int? block, CancellationToken stop)
    {
        if (await book.FindAsync(id, stop) is not { } practice)
        {
            return null;
        }

        var planned = await plan.OfAsync(practice, stop);
        var groups = block is null ? planned.Settled : planned.Blocks.FirstOrDefault(each => each.Block.Id == block)?.Groups;
        return groups is null ? null : EvenWordsOf(groups);
    }

    private async Task<IActionResult> DoneAsync(int id, Task<bool> change, CancellationToken stop) =>
        await change ? await AnswerAsync(id, stop) : NotFound();

    private async Task<IActionResult> AnswerAsync(int id, CancellationToken stop)
    {
        if (!Request.Headers.ContainsKey("HX-Request") && Hindrance is null)
        {
            return RedirectToPage(new { id });
        }

        await LoadAsync(id, stop);
        return Request.Headers.ContainsKey("HX-Request") ? Partial("_Groups", this) : Page();
    }

    private async Task<bool> LoadAsync(int id, CancellationToken stop)
    {
        if (await book.FindAsync(id, stop) is not { } practice)
        {
            return false;
        }

        Practice = practice;
        Players = await squad.ListAsync(practice.TeamId, stop);
        Pairs = await pairs.ListAsync(practice.TeamId, stop);
        LevelChoices = await levels.ChoicesAsync(practice.TeamId, stop);
        Planned = await plan.OfAsync(practice, stop);
        return true;
    }
}
