using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Practices;

/// <summary>Practices with their team, who is there, and every line of their sheet; not to be written.</summary>
internal static class PracticeRows
{
    /// <summary>Practices without who is there: <see cref="ReadAsync"/> adds that.</summary>
    internal static IQueryable<Practice> Whole(TallyDb db) =>
        db
            .Practices.AsNoTracking()
            // Lines and their stations lie one within the other: one query reads no more than several would.
            .AsSingleQuery()
            .Include(practice => practice.Team)
            .Include(practice => practice.Blocks.Where(block => !block.Dropped).OrderBy(block => block.Order))
                .ThenInclude(block => block.CardVersion)
            .Include(practice => practice.Blocks.Where(block => !block.Dropped).OrderBy(block => block.Order))
                .ThenInclude(block => block.Run)
            .Include(practice => practice.Blocks.Where(block => !block.Dropped).OrderBy(block => block.Order))
                .ThenInclude(block => block.Circuit!.Stations.OrderBy(station => station.Order))
                    .ThenInclude(station => station.CardVersion);

    /// <summary>Reads practices whole, in two queries however many they are.</summary>
    internal static async Task<List<Practice>> ReadAsync(
        TallyDb db,
        IQueryable<Practice> practices,
        CancellationToken cancellationToken
    )
    {
        var read = await practices.ToListAsync(cancellationToken);
        if (read.Count == 0)
        {
            return read;
        }

        var ids = read.Select(practice => practice.Id).ToArray();
        var entries = await db
            .Attendance.AsNoTracking()
            .Where(entry => ids.Contains(entry.PracticeId))
            .ToListAsync(cancellationToken);
        foreach (var entry in entries)
        {
            read.Find(practice => practice.Id == entry.PracticeId)!.Attendance.Add(entry);
        }

        return read;
    }
}
