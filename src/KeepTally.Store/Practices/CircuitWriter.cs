using KeepTally.Core.Dealing;
using KeepTally.Core.Faults;
using KeepTally.Core.Formats;
using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Practices;

/// <summary>Puts circuits on the timing sheet of a practice, and finds them there.</summary>
public sealed class CircuitWriter(TallyDb db, BlockWriter blocks)
{
    public const int FewestStations = 2;
    public const int MostStations = 12;

    /// <summary>The practice a circuit stands in, with its timing sheet; null where there is no such circuit.</summary>
    public async Task<int?> PracticeOfAsync(int blockId, CancellationToken cancellationToken = default) =>
        await db
            .Blocks.Where(block => block.Id == blockId && block.Circuit != null)
            .Select(block => (int?)block.PracticeId)
            .SingleOrDefaultAsync(cancellationToken);

    /// <summary>Puts a circuit at the end of a practice's timing sheet; a new practice is made for today where none is named.</summary>
    /// <returns>The practice, or why the circuit could not be put there.</returns>
    public async Task<Result<int>> AddAsync(CircuitLine line, CancellationToken cancellationToken = default)
    {
        if (line.Cards.Count is < FewestStations or > MostStations)
        {
            return Result.Fail<int>(
                new Fault("stations", $"a circuit has {FewestStations} to {MostStations} stations", "choose a drill for each")
            );
        }

        var stations = new List<Station>();
        foreach (var (order, id) in line.Cards.Index())
        {
            var version = await db
                .CardVersions.Where(card => card.CardId == id)
                .OrderByDescending(card => card.Version)
                .FirstOrDefaultAsync(cancellationToken);
            if (version is null)
            {
                return Result.Fail<int>(
                    new Fault($"stations[{order}]", $"station {order + 1}: there is no such card", "choose another")
                );
            }

            var read = CardReader.Read(version.Json);
            if (!read.IsOk)
            {
                return Result.Fail<int>(read.Faults[0].For($"station {order + 1}, {version.Name}: the card no longer reads"));
            }

            if (StageDealer.Unfit(read.Value, 0) is { } unfit)
            {
                return Result.Fail<int>(unfit.For($"station {order + 1}, {version.Name}, cannot be run yet"));
            }

            stations.Add(new Station { Order = order, CardVersionId = version.Id });
        }

        var practice = await blocks.OpenOrNewAsync(line.Practice, cancellationToken);
        if (practice is null)
        {
            return Result.Fail<int>(BlockWriter.NoSheet(line.Practice));
        }

        var circuit = new CircuitBlock
        {
            MinutesEach = line.MinutesEach,
            ChangeSeconds = line.ChangeSeconds,
            Reverse = line.Reverse,
            CoachesMove = line.CoachesMove,
            Stations = stations,
        };
        practice.Blocks.Add(
            new Block
            {
                Order = BlockWriter.NextOrder(practice),
                CardVersionId = stations[0].CardVersionId,
                Circuit = circuit,
                Minutes = CircuitPlans.Minutes(circuit, line.Groups),
                Groups = line.Groups,
                ChangeSeconds = BlockWriter.WalkTo(practice),
            }
        );
        await db.SaveChangesAsync(cancellationToken);
        return Result.Ok(practice.Id);
    }
}

/// <summary>A circuit to put on a timing sheet.</summary>
/// <param name="Practice">The practice, or null for a new one today.</param>
/// <param name="Cards">The card of each station, in the order of going.</param>
public sealed record CircuitLine(
    int? Practice,
    IReadOnlyList<string> Cards,
    double MinutesEach,
    int ChangeSeconds,
    int Groups,
    bool Reverse,
    bool CoachesMove
);
