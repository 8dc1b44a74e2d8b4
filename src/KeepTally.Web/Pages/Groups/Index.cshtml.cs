using KeepTally.Core.Dealing;
using KeepTally.Core.Faults;
using KeepTally.Core.Groups;
using KeepTally.Core.Identity;
using KeepTally.Core.Words;
using KeepTally.Store.Practices;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.ModelBinding;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Groups;

/// <summary>Groups of a practice that has not begun: how they are made, by hand where the coach knows better.</summary>
public sealed class IndexModel(
    PracticeBook book,
    SquadBook squad,
    PairBook pairs,
    GroupPlan plan,
    GroupWriter writer,
    PlayerLevels levels
) : PageModel
{
    public required Practice Practice { get; set; }

    public PlannedGroups Planned { get; private set; } = new(0, null, [], []);

    public IReadOnlyList<Player> Players { get; private set; } = [];

    public IReadOnlyList<KeptPair> Pairs { get; private set; } = [];

    /// <summary>Drills by whose results groups can be made level.</summary>
    public IReadOnlyList<(string Card, string Name)> LevelChoices { get; private set; } = [];

    /// <summary>The failure, in words for the coach.</summary>
    public string? Hindrance { get; private set; }

    /// <summary>How even the groups changed now were before; null where none were.</summary>
    public (int? Block, string Words)? Before { get; private set; }

    public bool IsBegun => Practice.Blocks.Any(block => block.Run is not null);

    public string NameOf(int player) => Players.FirstOrDefault(each => each.Id == player)?.Name ?? "A player";

    public static string EvenWordsOf(DealtGroups groups) =>
        EvenWords.Of([.. groups.Groups.Select(group => group.Players.Count)], groups.Evenness);

    /// <summary>The limit on the number of groups, in words.</summary>
    public static string BoundWords(GroupBound bound) =>
        bound switch
        {
            GroupBound.Players => "more would be too small",
            GroupBound.Balls => "there are no more balls",
            GroupBound.Courts => "there are no more courts",
            GroupBound.Coaches => "there are no more coaches",
        };

    public async Task<IActionResult> OnGetAsync(int id, CancellationToken cancellationToken) =>
        await LoadAsync(id, cancellationToken) ? Page() : NotFound();

    [ForAssistants]
    public Task<IActionResult> OnPostSplitAsync(int id, SplitWay way, int seed, string? by, CancellationToken cancellationToken) =>
        DoneAsync(
            id,
            writer.SplitAsync(
                id,
                way == SplitWay.Level && string.IsNullOrEmpty(by) ? SplitWay.Listed : way,
                seed,
                by ?? "",
                cancellationToken
            ),
            cancellationToken
        );

    [ForAssistants]
    public Task<IActionResult> OnPostMeansAsync(
        int id,
        [BindRequired] int? balls,
        [BindRequired] int? courts,
        [BindRequired] int? coaches,
        CancellationToken cancellationToken
    ) => DoneAsync(id, writer.MeansAsync(id, balls, courts, coaches, cancellationToken), cancellationToken);

    [ForAssistants]
    public Task<IActionResult> OnPostCountAsync(int id, int block, GroupsBy by, int number, CancellationToken cancellationToken) =>
        DoneAsync(id, writer.CountAsync(id, block, by, number, cancellationToken), cancellationToken);

    [ForAssistants]
    public Task<IActionResult> OnPostMoveAsync(int id, int? block, string player, int to, CancellationToken cancellationToken) =>
        ByHandAsync(id, block, () => writer.MoveAsync(id, block, new PlayerId(player), to, cancellationToken), cancellationToken);

    [ForAssistants]
    public Task<IActionResult> OnPostExchangeAsync(
        int id,
        int? block,
        string player,
        string other,
        CancellationToken cancellationToken
    ) =>
        ByHandAsync(
            id,
            block,
            () => writer.ExchangeAsync(id, block, new PlayerId(player), new PlayerId(other), cancellationToken),
            cancellationToken
        );

    [ForAssistants]
    public Task<IActionResult> OnPostSettleAsync(int id, int block, CancellationToken cancellationToken) =>
        DoneAsync(id, writer.SettleAsync(id, block, cancellationToken), cancellationToken);

    [ForAssistants]
    public Task<IActionResult> OnPostLetGoAsync(int id, int? block, CancellationToken cancellationToken) =>
        DoneAsync(id, writer.LetGoAsync(id, block, cancellationToken), cancellationToken);

    public async Task<IActionResult> OnPostPairAsync(int id, int one, int other, bool together, CancellationToken cancellationToken)
    {
        if (await book.FindAsync(id, cancellationToken) is not { } practice)
        {
            return NotFound();
        }

        Hindrance = (await pairs.KeepAsync(practice.TeamId, one, other, together, cancellationToken)).FirstFault?.Told;
        return await AnswerAsync(id, cancellationToken);
    }

    public async Task<IActionResult> OnPostUnpairAsync(int id, int pair, CancellationToken cancellationToken) =>
        await book.FindAsync(id, cancellationToken) is { } practice
        && await pairs.LetGoAsync(practice.TeamId, pair, cancellationToken)
            ? await AnswerAsync(id, cancellationToken)
            : NotFound();

    private async Task<IActionResult> ByHandAsync(
        int id,
        int? block,
        Func<Task<Result<Done>>> change,
        CancellationToken cancellationToken
    )
    {
        var before = await EvenAsync(id, block, cancellationToken);
        var changed = await change();
        Before = before is null || !changed.IsOk ? null : (block, before);
        return await AnswerAsync(id, changed, cancellationToken);
    }

    private async Task<string?> EvenAsync(int id, int? block, CancellationToken cancellationToken)
    {
        if (await book.FindAsync(id, cancellationToken) is not { } practice)
        {
            return null;
        }

        var planned = await plan.OfAsync(practice, cancellationToken: cancellationToken);
        var groups = block is null ? planned.Settled : planned.Blocks.FirstOrDefault(each => each.Block.Id == block)?.Groups;
        return groups is null ? null : EvenWordsOf(groups);
    }

    private async Task<IActionResult> DoneAsync(int id, Task<Result<Done>> change, CancellationToken cancellationToken) =>
        await AnswerAsync(id, await change, cancellationToken);

    private async Task<IActionResult> AnswerAsync(int id, Result<Done> changed, CancellationToken cancellationToken)
    {
        Hindrance = changed.FirstFault?.Told;
        return await AnswerAsync(id, cancellationToken);
    }

    private async Task<IActionResult> AnswerAsync(int id, CancellationToken cancellationToken)
    {
        if (!Request.Headers.ContainsKey("HX-Request") && Hindrance is null)
        {
            return RedirectToPage(new { id });
        }

        if (!await LoadAsync(id, cancellationToken))
        {
            return NotFound();
        }

        return Request.Headers.ContainsKey("HX-Request") ? Partial("_Groups", this) : Page();
    }

    private async Task<bool> LoadAsync(int id, CancellationToken cancellationToken)
    {
        if (await book.FindAsync(id, cancellationToken) is not { } practice)
        {
            return false;
        }

        Practice = practice;
        Players = await squad.ListAsync(practice.TeamId, cancellationToken);
        Pairs = await pairs.ListAsync(practice.TeamId, cancellationToken);
        LevelChoices = await levels.ChoicesAsync(practice.TeamId, cancellationToken);
        Planned = await plan.OfAsync(practice, cancellationToken: cancellationToken);
        return true;
    }
}
