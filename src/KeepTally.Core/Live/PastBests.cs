using KeepTally.Core.Cards;
using KeepTally.Core.Identity;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Scoring;

namespace KeepTally.Core.Live;

/// <summary>The best results of earlier practices in a drill that was scored as it is now, by what its stage ranks by first.</summary>
/// <param name="Own">Of each player who has one.</param>
/// <param name="Squad">Of any player of the squad; null where nobody has one.</param>
public sealed record PastBests(IReadOnlyDictionary<PlayerId, double> Own, double? Squad)
{
    /// <summary>Nobody has a result.</summary>
    public static PastBests None { get; } = new(new Dictionary<PlayerId, double>(), null);

    /// <summary>The same with another result of a player taken in.</summary>
    public PastBests With(Stage stage, PlayerId player, double value)
    {
        var own = new Dictionary<PlayerId, double>(Own);
        own[player] = own.TryGetValue(player, out var before) && !Beats(stage, value, before) ? before : value;
        return new PastBests(own, Squad is { } squad && !Beats(stage, value, squad) ? squad : value);
    }

    /// <summary>
    /// What a result so far is. A count or a reading is told at once; what can still get worse, as a share or a time, once the
    /// player is done. A first result beats nothing.
    /// </summary>
    public BestKind Judge(Stage stage, UnitReport unit)
    {
        if (
            Squad is not { } squad
            || stage.Scores != Scorer.Player
            || !unit.HadGo
            || unit.Value(stage.Measures[0]) is not { } value
        )
        {
            return BestKind.None;
        }

        var measure = stage.Measures[0];
        var standsAtOnce = measure.By.IsReading || (measure.By.IsCount && measure.Better == Better.High);
        return !standsAtOnce && !unit.Done ? BestKind.None
            : Beats(stage, value, squad) ? BestKind.Squad
            : Own.TryGetValue(unit.Id, out var own) && Beats(stage, value, own) ? BestKind.Own
            : BestKind.None;
    }

    private static bool Beats(Stage stage, double value, double other) =>
        stage.Measures[0].Better == Better.High ? value > other : value < other;
}

/// <summary>How a result compares with those before it.</summary>
public enum BestKind
{
    /// <summary>No better than before.</summary>
    None,

    /// <summary>The player's personal best.</summary>
    Own,

    /// <summary>Better than any player of the squad before.</summary>
    Squad,
}
