using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Practices;

/// <summary>Practices with their team, who is there, and every line of their sheet; not to be written.</summary>
internal static class PracticeRows
{
    internal static IQueryable<Practice> Whole(TallyDb db) =>
        db
            .Practices.AsNoTracking()
            .AsSplitQuery()
            .Include(practice => practice.Team)
            .Include(practice => practice.Attendance)
            .Include(practice => practice.Blocks.Where(block => !block.Dropped).OrderBy(block => block.Order))
                .ThenInclude(block => block.CardVersion)
            .Include(practice => practice.Blocks.Where(block => !block.Dropped).OrderBy(block => block.Order))
                .ThenInclude(block => block.Run)
            .Include(practice => practice.Blocks.Where(block => !block.Dropped).OrderBy(block => block.Order))
                .ThenInclude(block => block.Circuit!.Stations.OrderBy(station => station.Order))
                    .ThenInclude(station => station.CardVersion);
}
