using KeepTally.Core.Faults;
using KeepTally.Core.Groups;
using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Squads;

/// <summary>Pairs of a team that are kept together or apart.</summary>
public sealed class PairBook(TallyDb db)
{
    public Task<List<KeptPair>> ListAsync(int team, CancellationToken cancellationToken = default) =>
        db.KeptPairs.AsNoTracking().Where(pair => pair.TeamId == team).OrderBy(pair => pair.Id).ToListAsync(cancellationToken);

    /// <summary>Keeps two players of a team together or apart; a pair that is kept already is kept the new way.</summary>
    /// <returns>Why it cannot be done, where it cannot.</returns>
    public async Task<Result<Done>> KeepAsync(
        int team,
        int one,
        int other,
        bool together,
        CancellationToken cancellationToken = default
    )
    {
        if (one == other)
        {
            return new Fault("other", "a pair is two players", "choose two different players");
        }

        if (
            await db.Players.CountAsync(
                player => player.TeamId == team && (player.Id == one || player.Id == other),
                cancellationToken
            ) != 2
        )
        {
            return new Fault("one", "they are not both in this team", "choose two players of this team");
        }

        var (low, high) = one < other ? (one, other) : (other, one);
        var pair = await db.KeptPairs.SingleOrDefaultAsync(each => each.OneId == low && each.OtherId == high, cancellationToken);
        if (pair is null)
        {
            pair = new KeptPair
            {
                TeamId = team,
                OneId = low,
                OtherId = high,
            };
            db.KeptPairs.Add(pair);
        }

        pair.Together = together;
        await db.SaveChangesAsync(cancellationToken);
        return Result.Ok();
    }

    /// <summary>Lets a pair go; false where it is not kept.</summary>
    public async Task<bool> LetGoAsync(int team, int id, CancellationToken cancellationToken = default) =>
        await db.KeptPairs.Where(pair => pair.Id == id && pair.TeamId == team).ExecuteDeleteAsync(cancellationToken) > 0;

    /// <summary>The pairs as a split asks for them, by unit ids.</summary>
    public static IReadOnlySet<Pair> Of(IEnumerable<KeptPair> pairs, bool together) =>
        pairs
            .Where(pair => pair.Together == together)
            .Select(pair => new Pair(Player.UnitIdOf(pair.OneId), Player.UnitIdOf(pair.OtherId)))
            .ToHashSet();
}
