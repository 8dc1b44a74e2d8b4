using KeepTally.Core.Faults;
using KeepTally.Core.Live;
using KeepTally.Core.Reports;
using KeepTally.Store.Practices;
using KeepTally.Store.Tables;

namespace KeepTally.Store.Results;

/// <summary>The results of a practice: every drill's sheets as they ended, ranked.</summary>
public sealed class PracticeResults(ScoredRuns outcomes, BestBook bests, TimeProvider clock)
{
    /// <summary>The results of every drill that can be scored, in the order of the timing sheet.</summary>
    public async Task<IReadOnlyList<DrillResult>> OfAsync(int practiceId, CancellationToken cancellationToken = default) =>
        [.. (await KeptAsync(practiceId, cancellationToken)).SelectMany(DrillResult.Of)];

    /// <summary>The bests of earlier practices for each sheet of a practice, by its id.</summary>
    public async Task<IReadOnlyDictionary<string, PastBests>> BestsBeforeAsync(
        Practice practice,
        CancellationToken cancellationToken = default
    ) =>
        await bests.OfAsync(
            practice,
            [.. (await outcomes.OfPracticeAsync(practice.Id, cancellationToken)).Where(run => run.Fault is null)],
            cancellationToken
        );

    /// <summary>
    /// What a practice was, drill by drill and as a whole; today's is still on until all of it has been ended, and a coach who never
    /// ends it has gone home by tomorrow.
    /// </summary>
    public async Task<PracticeReport> ReportAsync(Practice practice, CancellationToken cancellationToken = default) =>
        PracticeReport.Of(
            practice.Title,
            practice.Team!.Name,
            practice.Date,
            await KeptAsync(practice.Id, cancellationToken),
            stillOn: practice.Date >= DateOnly.FromDateTime(clock.GetLocalNow().DateTime)
        );

    /// <summary>Everything of a practice that was run and can be scored, breaks too, in the order of the timing sheet.</summary>
    private async Task<IReadOnlyList<KeptRun>> KeptAsync(int practiceId, CancellationToken cancellationToken = default) =>
        [
            .. (await outcomes.OfPracticeAsync(practiceId, cancellationToken))
                .Where(run => run.Fault is null)
                .Select(run => run.Kept()),
        ];

    /// <summary>Drills of a practice whose card no longer reads, by block, each with what is wrong. Every tap of them is kept.</summary>
    public async Task<IReadOnlyList<(int Block, Fault Fault)>> UnreadableAsync(
        int practiceId,
        CancellationToken cancellationToken = default
    ) =>
        [
            .. (await outcomes.OfPracticeAsync(practiceId, cancellationToken))
                .Where(run => run.Fault is not null)
                .Select(run => (run.Run.BlockId, run.Fault!)),
        ];
}
