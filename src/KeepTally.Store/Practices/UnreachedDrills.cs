using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Practices;

/// <summary>What was planned last time and never begun keeps for next time: it is offered when the next sheet is written.</summary>
public sealed class UnreachedDrills(TallyDb db)
{
    /// <summary>
    /// Blocks of the team's last practice that were never begun and do not stand on this sheet yet, in their order; none once
    /// this practice has begun.
    /// </summary>
    public async Task<IReadOnlyList<Block>> ForAsync(Practice practice, CancellationToken cancellationToken = default)
    {
        if (practice.Blocks.Any(block => block.Run is not null))
        {
            return [];
        }

        var last = await db
            .Practices.Where(other => other.TeamId == practice.TeamId && other.Id != practice.Id && other.Date <= practice.Date)
            .Where(other => other.Blocks.Any(block => block.Run != null))
            .OrderByDescending(other => other.Date)
            .ThenByDescending(other => other.Id)
            .Select(other => (int?)other.Id)
            .FirstOrDefaultAsync(cancellationToken);
        var left = await Whole()
            .Where(block => block.PracticeId == last)
            .Where(block =>
                !block.Run!.Sheets.Any(sheet =>
                    db.Events.Any(row => row.SheetId == sheet.Id && row.Line.Contains(EventRow.StartMark))
                )
            )
            .OrderBy(block => block.Order)
            .ToListAsync(cancellationToken);
        return [.. left.Where(block => !practice.Blocks.Exists(other => IsSame(other, block)))];
    }

    /// <summary>Puts a block that was not reached at the end of a sheet, as it was planned; false where either is not there.</summary>
    public async Task<bool> PutInAsync(int practiceId, int blockId, CancellationToken cancellationToken = default)
    {
        var practice = await db
            .Practices.Include(each => each.Blocks)
                .ThenInclude(block => block.Run)
            .Include(each => each.Blocks)
                .ThenInclude(block => block.CardVersion)
            .Include(each => each.Blocks)
                .ThenInclude(block => block.Circuit!.Stations)
                    .ThenInclude(station => station.CardVersion)
            .SingleOrDefaultAsync(each => each.Id == practiceId, cancellationToken);
        if (
            practice is null
            || (await ForAsync(practice, cancellationToken)).FirstOrDefault(block => block.Id == blockId) is not { } planned
        )
        {
            return false;
        }

        practice.Blocks.Add(
            new Block
            {
                Order = BlockWriter.NextOrder(practice),
                CardVersionId = planned.CardVersionId,
                Stage = planned.Stage,
                Part = planned.Part,
                Minutes = planned.Minutes,
                FitsClock = planned.FitsClock,
                Groups = planned.Groups,
                GroupsBy = planned.GroupsBy,
                ChangeSeconds = BlockWriter.WalkTo(practice),
                OptionsJson = planned.OptionsJson,
                Circuit = planned.Circuit is { } circuit ? Again(circuit) : null,
            }
        );
        await db.SaveChangesAsync(cancellationToken);
        return true;
    }

    private static CircuitBlock Again(CircuitBlock circuit) =>
        new()
        {
            MinutesEach = circuit.MinutesEach,
            ChangeSeconds = circuit.ChangeSeconds,
            Reverse = circuit.Reverse,
            CoachesMove = circuit.CoachesMove,
            Stations =
            [
                .. circuit.Stations.Select(station => new Station
                {
                    Order = station.Order,
                    CardVersionId = station.CardVersionId,
                    Stage = station.Stage,
                }),
            ],
        };

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
