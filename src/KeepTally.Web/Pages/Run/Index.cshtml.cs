using System.Text.Json;
using KeepTally.Core.Live;
using KeepTally.Core.Loads;
using KeepTally.Core.Measures;
using KeepTally.Store.People;
using KeepTally.Store.Practices;
using KeepTally.Store.Results;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using Microsoft.AspNetCore.Authorization;

namespace KeepTally.Web.Pages.Run;

/// <summary>The run screen: laid out and filled once here; from then on the core in the browser does.</summary>
[Authorize(Policies.Practice)]
public sealed class IndexModel(
    PaceBook paces,
    BestBook bests,
    LoadBook loads,
    PracticeBook book,
    RunStore runStore,
    PracticeClock clock
) : LivePageModel(book, runStore, clock)
{
    public IReadOnlyList<DrillPad> Drills { get; private set; } = [];

    /// <summary>The reader's units and stride.</summary>
    public Pacing Pacing { get; private set; }

    protected override bool SendsCoachesToToday => true;

    /// <summary>Restrictions of players are for coaches, not for helpers of one practice.</summary>
    protected override bool TellsLimits => HttpContext.Caller() is { IsCoach: true };

    /// <summary>The sheets the caller counts for, and no others, with commas between; empty for all.</summary>
    public string Own => string.Join(',', HttpContext.Caller()!.Sheets);

    /// <summary>The pages that can be read without a network besides, as JSON: Today of this practice, and its cards.</summary>
    public string Reads =>
        JsonSerializer.Serialize(
            HttpContext.Caller() is { IsCoach: true }
                ? Practice
                    .Blocks.SelectMany(block =>
                        block.Circuit is { } circuit ? circuit.Stations.Select(station => station.CardVersion!.CardId)
                        : block.CardVersion is { } version ? [version.CardId]
                        : []
                    )
                    .Distinct()
                    .Select(card => $"/drills/{card}")
                    .Prepend($"/?practice={Practice.Id}")
                : []
        );

    protected override Task<IReadOnlyDictionary<string, PastBests>> BestsAsync(
        Practice practice,
        IReadOnlyList<StoredRun> runs,
        CancellationToken cancellationToken
    ) => bests.OfAsync(practice, runs, cancellationToken);

    /// <summary>As what they may not do today: for coaches alone.</summary>
    protected override async Task<IReadOnlyList<LoadAllowance>> LoadsAsync(
        Practice practice,
        IReadOnlyList<StoredRun> runs,
        CancellationToken cancellationToken
    ) =>
        TellsLimits
            ? await loads.AllowancesAsync(
                practice,
                [.. runs.SelectMany(run => run.Sheets).Select(sheet => sheet.Card.Load?.Kind).OfType<string>().Distinct()],
                cancellationToken
            )
            : [];

    protected override async Task LayOutAsync(LivePractice live, CancellationToken cancellationToken)
    {
        (Pacing, _) = await paces.OfAsync(HttpContext.Caller()!, cancellationToken);
        Drills =
        [
            .. live.Runs.Select(
                (run, index) =>
                    DrillPad.Of(index, run.Name, Blocks[index].Minutes, run.Sheets) with
                    {
                        Key = Keys[index],
                        Now = index == View.Block ? View.Run : null,
                        Unreadable = Unreadable,
                    }
            ),
        ];
    }
}
