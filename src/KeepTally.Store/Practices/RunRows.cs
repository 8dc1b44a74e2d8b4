using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Practices;

/// <summary>Runs with their sheets in order, without their events.</summary>
internal static class RunRows
{
    /// <summary>The runs of a practice, in the order of its blocks.</summary>
    internal static Task<List<Run>> OfPracticeAsync(TallyDb db, int practice, CancellationToken cancellationToken) =>
        WithSheets(db)
            .Where(run => run.Block!.PracticeId == practice && !run.Block.Dropped)
            .OrderBy(run => run.Block!.Order)
            .ToListAsync(cancellationToken);

    /// <summary>Runs in the order asked for.</summary>
    internal static async Task<List<Run>> OfAsync(TallyDb db, IReadOnlyList<int> ids, CancellationToken cancellationToken)
    {
        var found = await WithSheets(db).Where(run => ids.Contains(run.Id)).ToDictionaryAsync(run => run.Id, cancellationToken);
        return [.. ids.Select(id => found[id])];
    }

    private static IQueryable<Run> WithSheets(TallyDb db) =>
        db.Runs.AsNoTracking().Include(run => run.Block).Include(run => run.Sheets.OrderBy(sheet => sheet.Order));
}
