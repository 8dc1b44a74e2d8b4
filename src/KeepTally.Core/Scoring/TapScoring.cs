using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Rules;
using KeepTally.Core.Rules.Effects;
using KeepTally.Core.Rules.Streaks;
using KeepTally.Core.Tallies;
using KeepTally.Core.Time;

namespace KeepTally.Core.Scoring;

/// <summary>How a tap is taken: by the rules of a stage, in the order of the format. Source: docs/formats.md, section 1.</summary>
internal sealed class TapScoring
{
    private readonly Stage _stage;
    private readonly OutcomeRule[] _outcomes;
    private readonly StreakMiss _onMiss;
    private readonly bool _breaksOthers;
    private readonly Judges _judges;
    private readonly EndingJudge _endings;

    internal TapScoring(Stage stage, Judges judges)
    {
        _stage = stage;
        _judges = judges;
        _onMiss = stage.Streak;
        _breaksOthers = stage.SuccessBreaksOtherRuns;
        _outcomes = [.. stage.Outcomes.Select(outcome => new OutcomeRule(outcome))];
        _endings = new EndingJudge(stage, movesOthers: Array.Exists(_outcomes, outcome => outcome.OtherPoints.Length > 0));
    }

    /// <param name="tap">The tap.</param>
    /// <param name="state">The score so far.</param>
    /// <param name="address">The unit and outcome the tap is for.</param>
    /// <param name="started">Whether the sheet has started.</param>
    /// <param name="running">Running time at the tap.</param>
    internal EventResult Take(RunEvent.Tap tap, ScoreState state, TapAddress address, bool started, RunningTime running)
    {
        if (address.Find(tap, state.Done ? -1 : state.Turn, state.Ball, out var found) is { } fault)
        {
            return EventResult.Refused(fault);
        }

        var unit = found.Unit < 0 ? null : state.Units[found.Unit];
        var outcome = found.Outcome < 0 ? null : _outcomes[found.Outcome];
        var late = state.Done || (unit?.Done == true && outcome?.IsOfJob != true) || !started;
        if (unit is null || (late && !tap.CountsLate))
        {
            state.CountLate(unit);
            return EventResult.Late(found.Unit);
        }

        var breach = _judges.Breached(unit, tap);
        if (breach?.IsVoid == true)
        {
            unit.Voids++;
            return EventResult.Void(found.Unit, breach);
        }

        var judged = outcome?.IsOfJob == true ? null : _judges.Attempt(unit, found.Zone, outcome?.Attempt);
        // A breach that counts is a failure, wherever the ball went.
        var attempt = breach is null ? judged : false;
        Count(tap, found, unit, outcome, attempt);
        if (_breaksOthers && attempt == true)
        {
            AttemptRule.BreakOthers(unit, state.Units);
        }

        var turns = state.TurnsPassed;
        var passes = AwardPoints(found, unit, outcome, attempt, state, address, breached: breach is not null, running);
        _endings.Judge(state, unit, passes, running);
        return EventResult.Counted(found.Unit, attempt, breach, state.TurnsPassed != turns, outcome?.IsOfJob == true);
    }

    private void Count(RunEvent.Tap tap, Addressed found, UnitTally unit, OutcomeRule? outcome, bool? attempt)
    {
        unit.Taps += outcome?.IsOfJob == true ? 0 : 1;
        var counted = outcome is not null ? found.Outcome : _outcomes.Length + (attempt == true ? 0 : 1);
        unit.Counts[counted]++;
        _judges.Count(unit, new CountedTap(tap, found.Zone, counted));
        if (attempt is { } success)
        {
            AttemptRule.Count(unit, success, _onMiss);
        }

        if (tap.Value is { } value && outcome?.TakesReading == true)
        {
            unit.Readings.Add(value);
        }
    }

    /// <summary>Points, what rules finish, and effects, in the order of the format; true where the turn passes.</summary>
    private bool AwardPoints(
        Addressed found,
        UnitTally unit,
        OutcomeRule? outcome,
        bool? attempt,
        ScoreState state,
        TapAddress address,
        bool breached,
        RunningTime running
    )
    {
        if (!breached)
        {
            unit.Points += _judges.Points(unit, found.Zone, attempt);
            if (outcome is not null)
            {
                PointsRule.Give(outcome, unit, state.Units, address.Units);
            }
        }

        if (_judges.Finishes(unit, attempt))
        {
            state.Finish(unit, running, finished: true);
        }

        if (breached || outcome is not { Does.Length: > 0 })
        {
            return false;
        }

        var open = state.Winner < 0;
        var passes = new EffectScene(_stage, state, unit, running).Do(outcome.Does);
        if (open && state.Winner >= 0)
        {
            state.WonWith = found.Outcome;
        }

        return passes;
    }
}
