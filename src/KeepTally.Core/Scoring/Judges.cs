using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Rules;
using KeepTally.Core.Rules.Limits;
using KeepTally.Core.Tallies;

namespace KeepTally.Core.Scoring;

/// <summary>The judges of a stage's rules, each asked only for what it takes part in, in the order of the rules.</summary>
internal sealed class Judges
{
    private readonly TapJudge[] _states;
    private readonly IBreachJudge[] _breaches;
    private readonly IAttemptJudge[] _attempts;
    private readonly ICountJudge[] _counts;
    private readonly IPointsJudge[] _points;
    private readonly IFinishJudge[] _finishes;

    private Judges(IReadOnlyList<TapJudge> all)
    {
        _states = [.. all.Where(judge => judge.NewState() is not null)];
        for (var slot = 0; slot < _states.Length; slot++)
        {
            _states[slot].Slot = slot;
        }

        _breaches = [.. all.OfType<IBreachJudge>()];
        _attempts = [.. all.OfType<IAttemptJudge>()];
        _counts = [.. all.OfType<ICountJudge>()];
        _points = [.. all.OfType<IPointsJudge>()];
        _finishes = [.. all.OfType<IFinishJudge>()];
    }

    internal static Judges Of(Stage stage) =>
        new([.. stage.Rules.OfType<StageRule>().Select(rule => rule.Judge(stage)).OfType<TapJudge>()]);

    /// <summary>The states of a unit before any tap, one for each judge.</summary>
    internal IRuleState[] NewStates() => Array.ConvertAll(_states, judge => judge.NewState()!);

    /// <summary>The first breach a judge finds, or null.</summary>
    internal IBreach? Breached(UnitTally unit, RunEvent.Tap tap)
    {
        foreach (var judge in _breaches)
        {
            if (judge.Breached(unit, tap) is { } breach)
            {
                return breach;
            }
        }

        return null;
    }

    /// <summary>Whether a tap was an attempt and succeeded: what its outcome says, unless a rule knows better.</summary>
    internal bool? Attempt(UnitTally unit, int zone, bool? attempt)
    {
        foreach (var judge in _attempts)
        {
            attempt = judge.Attempt(unit, zone, attempt);
        }

        return attempt;
    }

    internal void Count(UnitTally unit, in CountedTap tap)
    {
        foreach (var judge in _counts)
        {
            judge.Count(unit, tap);
        }
    }

    /// <summary>Points that rules give besides those of the outcome.</summary>
    internal double Points(UnitTally unit, int zone, bool? attempt)
    {
        var points = 0.0;
        foreach (var judge in _points)
        {
            points += judge.Points(unit, zone, attempt);
        }

        return points;
    }

    /// <summary>Whether a rule says that the unit is done. Each rule takes the tap, whatever another says.</summary>
    internal bool Finishes(UnitTally unit, bool? attempt)
    {
        var done = false;
        foreach (var judge in _finishes)
        {
            done |= judge.Finishes(unit, attempt);
        }

        return done;
    }

    /// <summary>The tag values that a unit must not repeat now.</summary>
    internal IEnumerable<(string Tag, string Value)> Barred(UnitTally unit) =>
        _breaches.OfType<LimitJudge>().SelectMany(judge => judge.Barred(unit));
}
