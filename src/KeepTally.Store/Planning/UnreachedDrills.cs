using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Planning;
using KeepTally.Store.Database;
using KeepTally.Store.Practices;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Planning;

/// <summary>Drills that were planned last time and never started; they are offered for the next sheet.</summary>
public sealed class UnreachedDrills(TallyDb db, PracticeBook practices, PlanBook plans, TimeProvider clock)
{
    /// <summary>
    /// Blocks of the team's last practice that were never begun and do not stand on this sheet yet, in their order; none once
    /// this practice has begun.
    /// </summary>
    public async Task<IReadOnlyList<Block>> ForAsync(Practice practice, CancellationToken cancellationToken = default)
    {
        if (practice.Blocks.Exists(block => block.Run is not null))
        {
            return [];
        }

        var last = db
            .Practices.Where(other => other.TeamId == practice.TeamId && other.Id != practice.Id && other.Date <= practice.Date)
            .Where(other => other.Blocks.Any(block => block.Run != null))
            .OrderByDescending(other => other.Date)
            .ThenByDescending(other => other.Id)
            .Take(1);
        var today = DateOnly.FromDateTime(clock.GetLocalNow().DateTime);
        var left = await Whole()
            .Where(block => last.Any(other => other.Id == block.PracticeId) && block.Pause == null && !block.Dropped)
            .Where(block =>
                !block.Run!.Sheets.Any(sheet =>
                    db.Events.Any(row => row.SheetId == sheet.Id && row.Type == RunEvent.Start.TypeName)
                )
            )
            // While a practice is still on, what it has not reached may come yet, unless it was ended unbegun.
            .Where(block =>
                last.Any(other => other.Date < today)
                || block.Run!.Sheets.Any(sheet =>
                    db.Events.Any(row => row.SheetId == sheet.Id && row.Type == RunEvent.End.TypeName)
                )
            )
            .OrderBy(block => block.Order)
            .ToListAsync(cancellationToken);
        return [.. left.Where(block => !practice.Blocks.Exists(other => !other.IsPause && IsSame(other, block)))];
    }

    /// <summary>Puts a block that was not reached at the end of a sheet, in groups for the players who are here; or says why it cannot.</summary>
    public async Task<Result<Done>> PutInAsync(int practiceId, int blockId, CancellationToken cancellationToken = default)
    {
        if (
            await practices.FindAsync(practiceId, cancellationToken) is not { } practice
            || (await ForAsync(practice, cancellationToken)).FirstOrDefault(block => block.Id == blockId) is not { } planned
            || await plans.OpenAsync(planned.PracticeId, cancellationToken) is not { } last
            || last.IndexOf(blockId) is not { } index
        )
        {
            return NotOffered;
        }

        var line = last.Plan.Blocks[index] with { Key = null };
        return await plans.EditAsync(
            practiceId,
            open =>
                Result.Ok(
                    open.Plan.Inserted(
                        open.Plan.Blocks.Count,
                        SuggestedCount.ForPlayers(open.Plan, line, open.Shelf) with
                        {
                            ChangeSeconds = open.Plan.WalkTo(),
                        }
                    )
                ),
            cancellationToken
        );
    }

    private static readonly Fault NotOffered = new(
        "block",
        "the plan has changed meanwhile, and this drill is not offered any more",
        "look at the plan again"
    );

    private static bool IsSame(Block one, Block other) => Drills(one).SequenceEqual(Drills(other));

    private static IEnumerable<(string Card, int Stage)> Drills(Block block) =>
        block.Circuit is { } circuit
            ? circuit.Stations.OrderBy(station => station.Order).Select(station => (station.CardVersion!.CardId, station.Stage))
            : [(block.CardVersion!.CardId, block.Stage)];

    private IQueryable<Block> Whole() =>
        db
            .Blocks.AsNoTracking()
            .AsSplitQuery()
            .Include(block => block.CardVersion)
            .Include(block => block.Circuit!.Stations.OrderBy(station => station.Order))
                .ThenInclude(station => station.CardVersion);
}
