using KeepTally.Core.Floor;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Rules.Effects;
using KeepTally.Core.Rules.Ladders;
using KeepTally.Core.Time;
using KeepTally.Core.Words;

namespace KeepTally.Core.Reports;

/// <summary>How long a sheet took, and what of it was work.</summary>
/// <param name="Began">When it was begun; null where it never was.</param>
/// <param name="Over">When it was ended, else when the last was said on it.</param>
/// <param name="Ran">How long it ran, pauses and teaching stops left out, over all its games.</param>
/// <param name="Players">For how long each player was busy, and for how long work ran while they were on the sheet; nobody where it never ran.</param>
/// <param name="Rungs">Of a ladder, step by step: how many goes it took and for how long; empty without one.</param>
public sealed record SheetWork(
    Instant? Began,
    Instant Over,
    Duration Ran,
    IReadOnlyList<PlayerWork> Players,
    IReadOnlyList<RungWork> Rungs
)
{
    /// <summary>The wall-clock time it took; zero where it was never started.</summary>
    public Duration Took => Began is { } began && Over > began ? Over - began : Duration.Zero;

    /// <summary>The units that finished by the drill's own rules in the first game, with their running times.</summary>
    public IReadOnlyDictionary<PlayerId, Duration> PlayedOut { get; init; } = new Dictionary<PlayerId, Duration>();

    /// <summary>
    /// Points that an outcome cost in all, as they were lost or given away; only of outcomes that take all points away, since what
    /// the others cost stands on the card.
    /// </summary>
    public IReadOnlyDictionary<string, double> Costs { get; init; } = new Dictionary<string, double>();

    internal static SheetWork Of(Sheet live)
    {
        var resets = live
            .Stage.Outcomes.Where(outcome => outcome.Does.Contains(OutcomeEffects.Reset))
            .Select(outcome => outcome.Id);
        var costly = resets.ToHashSet(StringComparer.Ordinal);
        TapStep[] steps = SimulationWords.Ends(live.Stage) || costly.Count > 0 ? [.. TapStep.Of(live)] : [];
        return new SheetWork(
            live.Score.FirstBegan,
            live.Ended?.At ?? live.Log.LastAt,
            live.Score.Report(live.Log.LastAt).Games.Aggregate(Duration.Zero, (all, game) => all + game.Running.SinceStart),
            PlayersOf(live),
            live.Stage.Ladder is { } ladder ? RungLog.Of(ladder, steps.Length > 0 ? steps : TapStep.Of(live)) : []
        )
        {
            PlayedOut = SimulationWords.Ends(live.Stage) ? PlayedOutLog.Of(steps) : new Dictionary<PlayerId, Duration>(),
            Costs = steps
                .Where(step => step.Outcome is { } tapped && costly.Contains(tapped))
                .GroupBy(step => step.Outcome!, StringComparer.Ordinal)
                .ToDictionary(each => each.Key, each => each.Sum(step => step.Cost), StringComparer.Ordinal),
        };
    }

    private static PlayerWork[] PlayersOf(Sheet live) =>
        [
            .. BusyLog
                .Of(live)
                .Select(each => new PlayerWork(each.Key, each.Value.Busy, each.Value.There)
                {
                    Jobs = live.JobsOf(each.Key, live.Log.LastAt),
                }),
        ];
}

/// <summary>How long a player was busy, of how long in all while the work ran.</summary>
public sealed record PlayerWork(PlayerId Player, Duration Busy, Duration There)
{
    /// <summary>The player's time and reps at each place, by its name.</summary>
    public IReadOnlyList<JobTime> Jobs { get; init; } = [];
}
