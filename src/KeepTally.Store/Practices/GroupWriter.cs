using KeepTally.Core.Faults;
using KeepTally.Core.Groups;
using KeepTally.Core.Identity;
using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Practices;

/// <summary>Writes down how groups of a practice are made, as long as it has not begun.</summary>
public sealed class GroupWriter(TallyDb db, PracticeBook book, GroupPlan plan)
{
    private const int MostGroups = 40;

    /// <summary>Why groups are not changed any more.</summary>
    public static readonly Fault Begun = new(
        "practice",
        "practice has started, so the groups are fixed",
        "use Players on the run screen when a player comes, leaves or changes places"
    );

    private static readonly Fault NotThere = new("groups", "these groups are not there any more", "reload the page");

    /// <summary>
    /// Makes the groups another way, or anew; what was made by hand or settled is let go. Positions that are spread are made
    /// level besides, by the result chosen before.
    /// </summary>
    public Task<Result<Done>> SplitAsync(
        int practiceId,
        SplitWay way,
        int seed,
        string levelBy,
        CancellationToken cancellationToken = default
    ) =>
        ChangeAsync(
            practiceId,
            practice =>
            {
                (practice.Split, practice.SplitSeed) = (way, seed);
                practice.LevelBy = way switch
                {
                    SplitWay.Level => levelBy,
                    SplitWay.Spread => practice.LevelBy,
                    SplitWay.Listed or SplitWay.Shuffle or SplitWay.Fresh => "",
                };
                practice.SettledJson = "";
                practice.Blocks.ForEach(block => block.ByHandJson = "");
            },
            cancellationToken
        );

    /// <summary>Writes down what there is to practise with.</summary>
    public Task<Result<Done>> MeansAsync(
        int practiceId,
        int? balls,
        int? courts,
        int? coaches,
        CancellationToken cancellationToken = default
    ) =>
        ChangeAsync(
            practiceId,
            practice => (practice.Balls, practice.Courts, practice.Coaches) = (Kept(balls), Kept(courts), Kept(coaches)),
            cancellationToken
        );

    /// <summary>Sets into how many groups a block falls.</summary>
    public Task<Result<Done>> CountAsync(
        int practiceId,
        int blockId,
        GroupsBy by,
        int number,
        CancellationToken cancellationToken = default
    ) =>
        ChangeAsync(
            practiceId,
            practice =>
            {
                foreach (var block in practice.Blocks.Where(block => block.Id == blockId))
                {
                    (block.GroupsBy, block.Groups, block.ByHandJson) = (by, Math.Clamp(number, 1, MostGroups), "");
                    if (block.Circuit is { } circuit)
                    {
                        (block.GroupsBy, block.Minutes) = (GroupsBy.Number, CircuitPlans.Minutes(circuit, block.Groups));
                    }
                }
            },
            cancellationToken
        );

    /// <summary>Moves a player by hand, in a block or, where none is named, in the groups settled for the practice.</summary>
    public Task<Result<Done>> MoveAsync(
        int practiceId,
        int? blockId,
        PlayerId player,
        int to,
        CancellationToken cancellationToken = default
    ) => ByHandAsync(practiceId, blockId, groups => StandingGroups.Moved(groups, player, to), cancellationToken);

    /// <summary>Puts two players in each other's places.</summary>
    public Task<Result<Done>> ExchangeAsync(
        int practiceId,
        int? blockId,
        PlayerId one,
        PlayerId other,
        CancellationToken cancellationToken = default
    ) => ByHandAsync(practiceId, blockId, groups => StandingGroups.Exchanged(groups, one, other), cancellationToken);

    /// <summary>Takes the groups of a block as they are for the whole practice.</summary>
    public async Task<Result<Done>> SettleAsync(int practiceId, int blockId, CancellationToken cancellationToken = default) =>
        await GroupsOfAsync(practiceId, blockId, cancellationToken) is { } groups
            ? await ChangeAsync(practiceId, practice => practice.SettledJson = GroupPlan.Written(groups), cancellationToken)
            : NotThere;

    /// <summary>Lets the settled groups go, or what was made by hand in a block.</summary>
    public Task<Result<Done>> LetGoAsync(int practiceId, int? blockId, CancellationToken cancellationToken = default) =>
        ChangeAsync(
            practiceId,
            practice =>
            {
                practice.SettledJson = "";
                practice.Blocks.ForEach(block => block.ByHandJson = block.Id == blockId ? "" : block.ByHandJson);
            },
            cancellationToken
        );

    private async Task<Result<Done>> ByHandAsync(
        int practiceId,
        int? blockId,
        Func<IReadOnlyList<IReadOnlyList<PlayerId>>, IReadOnlyList<IReadOnlyList<PlayerId>>> change,
        CancellationToken cancellationToken
    )
    {
        if (await GroupsOfAsync(practiceId, blockId, cancellationToken) is not { } groups)
        {
            return NotThere;
        }

        var written = GroupPlan.Written(change(groups));
        return await ChangeAsync(
            practiceId,
            practice =>
            {
                if (blockId is null)
                {
                    practice.SettledJson = written;
                }

                foreach (var block in practice.Blocks.Where(block => block.Id == blockId))
                {
                    block.ByHandJson = written;
                }
            },
            cancellationToken
        );
    }

    /// <summary>The groups of a block as they stand, or those settled for the practice; null where there are none.</summary>
    private async Task<IReadOnlyList<IReadOnlyList<PlayerId>>?> GroupsOfAsync(
        int practiceId,
        int? blockId,
        CancellationToken cancellationToken
    )
    {
        if (await book.FindAsync(practiceId, cancellationToken) is not { } practice)
        {
            return null;
        }

        var planned = await plan.OfAsync(practice, cancellationToken: cancellationToken);
        var groups = blockId is null ? planned.Settled : planned.Blocks.FirstOrDefault(each => each.Block.Id == blockId)?.Groups;
        return groups?.Groups.Select(group => group.Players.Select(player => player.Id).ToArray()).ToArray();
    }

    private async Task<Result<Done>> ChangeAsync(int practiceId, Action<Practice> change, CancellationToken cancellationToken)
    {
        var practice = await db
            .Practices.Include(each => each.Blocks)
                .ThenInclude(block => block.Circuit!.Stations)
            .SingleOrDefaultAsync(each => each.Id == practiceId, cancellationToken);
        if (practice is null)
        {
            return NotThere;
        }

        if (await db.Runs.AnyAsync(run => run.Block!.PracticeId == practiceId, cancellationToken))
        {
            return Begun;
        }

        change(practice);
        await db.SaveChangesAsync(cancellationToken);
        return Result.Ok();
    }

    private static int? Kept(int? count) => count is > 0 ? count : null;
}
