using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Store.Database;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Caching.Memory;

namespace KeepTally.Store.Squads;

/// <summary>Erases a player on request: the results stay, and say nobody's name.</summary>
public sealed class PlayerErasure(TallyDb db, IMemoryCache cache, LastErasure last, TimeProvider clock)
{
    /// <summary>What stands in results where the name stood.</summary>
    public const string Nameless = "Nameless";

    /// <summary>Erases everything that is kept of a player; false where there is none with that id.</summary>
    public async Task<bool> EraseAsync(int id, CancellationToken cancellationToken = default)
    {
        if (await db.Players.SingleOrDefaultAsync(player => player.Id == id, cancellationToken) is not { } player)
        {
            return false;
        }

        await using var transaction = await db.Database.BeginTransactionAsync(cancellationToken);
        var unit = player.UnitId;
        foreach (var sheet in await db.Sheets.Where(sheet => sheet.HeadJson.Contains($"\"{unit}\"")).ToListAsync(cancellationToken))
        {
            var head = HeadReader.Read(sheet.HeadJson).Require();
            db.Entry(sheet).Property(each => each.HeadJson).CurrentValue = HeadReader.Write(
                head with
                {
                    Units = [.. head.Units.Select(each => Without(each, unit))],
                    Bench = [.. (head.Bench ?? []).Select(member => Without(member, unit))],
                }
            );
        }

        await db.Attendance.Where(each => each.PlayerId == id).ExecuteDeleteAsync(cancellationToken);
        await db.KeptPairs.Where(pair => pair.OneId == id || pair.OtherId == id).ExecuteDeleteAsync(cancellationToken);
        db.Players.Remove(player);
        await db.SaveChangesAsync(cancellationToken);
        await transaction.CommitAsync(cancellationToken);
        // What was written before lies in the file's own journal until it is taken over.
        await db.Database.ExecuteSqlRawAsync("PRAGMA wal_checkpoint(TRUNCATE)", cancellationToken);
        last.At = clock.GetUtcNow().ToUnixTimeMilliseconds();
        // No name is kept in memory either.
        (cache as MemoryCache)?.Clear();
        return true;
    }

    private static Unit Without(Unit each, PlayerId unit) =>
        each with
        {
            Name = each.Id == unit ? Nameless : each.Name,
            Players = [.. each.Players.Select(member => Without(member, unit))],
        };

    private static Member Without(Member member, PlayerId unit) => member.Id == unit ? member with { Name = Nameless } : member;
}
