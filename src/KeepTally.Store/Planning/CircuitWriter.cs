using KeepTally.Core.Faults;
using KeepTally.Core.Planning;
using KeepTally.Store.Database;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Planning;

/// <summary>Puts circuits on the timing sheet of a practice, and finds them there.</summary>
public sealed class CircuitWriter(TallyDb db, BlockWriter blocks)
{
    public const int FewestStations = 2;
    public const int MostStations = PlanReader.MostStations;

    /// <summary>The practice a circuit stands in, with its timing sheet; null where there is no such circuit.</summary>
    public async Task<int?> PracticeOfAsync(int blockId, CancellationToken cancellationToken = default) =>
        await db
            .Blocks.Where(block => block.Id == blockId && block.Circuit != null)
            .Select(block => (int?)block.PracticeId)
            .SingleOrDefaultAsync(cancellationToken);

    /// <summary>Puts a circuit at the end of a practice's timing sheet; a new practice is made for today where none is named.</summary>
    /// <returns>The practice, or why the circuit could not be put there.</returns>
    public async Task<Result<int>> AddAsync(CircuitLine line, CancellationToken cancellationToken = default) =>
        line.Cards.Count is < FewestStations or > MostStations
            ? Result.Fail<int>(
                new Fault("stations", $"a circuit has {FewestStations} to {MostStations} stations", "choose a drill for each")
            )
            : await blocks.AddAsync(
                line.Practice,
                new PlanBlock.Circuit(line.Cards, line.MinutesEach, line.Groups)
                {
                    BetweenSeconds = line.ChangeSeconds,
                    Reverse = line.Reverse,
                    CoachesMove = line.CoachesMove,
                    ChangeInside = line.ChangeInside,
                },
                cancellationToken
            );
}

/// <summary>A circuit to put on a timing sheet.</summary>
/// <param name="Practice">The practice, or null for a new one today.</param>
/// <param name="Cards">The card of each station, in the order of going.</param>
/// <param name="MinutesEach">The minutes of each station.</param>
/// <param name="ChangeSeconds">The seconds of a change.</param>
/// <param name="Groups">The number of groups; null for as many as stations.</param>
/// <param name="Reverse">True where the groups go round backwards.</param>
/// <param name="CoachesMove">True where the coaches move with the groups.</param>
/// <param name="ChangeInside">The walks between are part of the minutes at the stations.</param>
public sealed record CircuitLine(
    int? Practice,
    IReadOnlyList<string> Cards,
    double MinutesEach,
    int ChangeSeconds,
    int Groups,
    bool Reverse,
    bool CoachesMove,
    bool ChangeInside = false
);
