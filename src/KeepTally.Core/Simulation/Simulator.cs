using KeepTally.Core.Cards;
using KeepTally.Core.Clock;
using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Identity;
using KeepTally.Core.Rules.Endings;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Rules.Zones;
using KeepTally.Core.Scoring;
using KeepTally.Core.Time;

namespace KeepTally.Core.Simulation;

/// <summary>
/// Plays a drill ahead with stand-in players, by the very fold that keeps it on the day. A rep happens every pace, the first
/// at the pace; what would fall outside of work, or after the time is up, does not happen.
/// </summary>
public sealed class Simulator
{
    private static readonly DeviceId Device = new("fit");

    private readonly Stage _stage;
    private readonly Score _empty;
    private readonly Skill _skill;
    private readonly PlayerId[] _units;
    private readonly Timeline? _timeline;
    private readonly string[] _zones;

    /// <summary>What may come of a unit's go; the first so many are goes that were made.</summary>
    private readonly (Likely[] Outcomes, int Makes)[] _goes;

    /// <summary>The kinds of tap of one unit: its outcomes, then the zones.</summary>
    private readonly int _kinds;
    private readonly TapShelf _taps;

    private Simulator(Stage stage, Score empty, Skill skill, PlayerId[] units)
    {
        (_stage, _empty, _skill, _units) = (stage, empty, skill, units);
        _timeline = stage.Clock is { } clock ? new Timeline(clock) : null;
        _zones = stage.Targets is { } targets ? [.. targets.Names, Targets.None] : [];
        IReadOnlyList<UnitSkill> goes = skill switch
        {
            Skill.Own own => own.Units,
            Skill.Ball ball => ball.Sides,
            _ => [],
        };
        _goes = [.. goes.Select(unit => (unit.Outcomes.ToArray(), unit.Makes))];
        var outcomes = skill is Skill.Rally rally ? rally.Outcomes.Count : _goes.Max(go => go.Outcomes.Length);
        _kinds = _zones.Length + outcomes;
        _taps = new TapShelf(Device, _kinds * Math.Max(1, units.Length));
    }

    /// <summary>A stage to be played by such players, or why it cannot be.</summary>
    /// <param name="card">The drill card.</param>
    /// <param name="stage">The stage of the card, from 0.</param>
    /// <param name="skill">The chance that a go succeeds.</param>
    public static Result<Simulator> Open(DrillCard card, int stage, Skill skill)
    {
        if (stage < 0 || stage >= card.Stages.Count)
        {
            return Result<Simulator>.Fail([
                new Fault("stage", $"the card has no stage {stage}", $"write a stage from 0 to {card.Stages.Count - 1}"),
            ]);
        }

        var played = card.Stages[stage];
        PlayerId[] units = skill switch
        {
            Skill.Own own => [.. own.Units.Select(unit => unit.Unit)],
            Skill.Ball ball => [.. ball.Sides.Select(side => side.Unit)],
            Skill.Rally rally => played.Sides.Count > 0
                ? [.. played.Sides.Select(side => new PlayerId(side))]
                : [.. rally.Outcomes.Select(each => each.Unit).Distinct()],
            _ => throw new InvalidOperationException("The kinds of skill are a closed set."),
        };
        var head = new LogHead(
            card.Id,
            stage,
            card.Chosen,
            [.. units.Select(unit => new Unit(unit, unit.Value, []))],
            CountIn: Duration.Zero
        );
        var score = Score.Open(card, head);
        return score.IsOk
            ? Result<Simulator>.Ok(new Simulator(score.Value.Stage, score.Value, skill, units))
            : Result<Simulator>.Fail(score.Faults);
    }

    /// <summary>Plays it as often as it is told, and says what came of it.</summary>
    /// <exception cref="OperationCanceledException">Nobody waits for it any more.</exception>
    public SimulationReport Run(SimulationSettings settings, CancellationToken cancellationToken = default)
    {
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(settings.Pace.Milliseconds);
        ArgumentOutOfRangeException.ThrowIfNegativeOrZero(settings.Runs);
        var (reps, seconds) = (new double[settings.Runs], new double[settings.Runs]);
        var points = Array.ConvertAll(_units, _ => new double[settings.Runs]);
        var cleared = Array.ConvertAll(_units, _ => new double[settings.Runs]);
        var (wins, pars) = (new int[_units.Length], new int[_units.Length]);
        var (finished, playedOut) = (0, 0);
        var schedule = new RepTimes(_timeline, EndsAfter(settings.Given), settings.Pace);
        for (var run = 0; run < settings.Runs; run++)
        {
            if (run % 64 == 0)
            {
                cancellationToken.ThrowIfCancellationRequested();
            }

            var played = PlayOnce(run, settings, schedule);
            reps[run] = played.Reps;
            seconds[run] = played.Score.RunningTimeAt(played.At).SinceStart.TotalSeconds;
            finished += played.Ended == Ended.ByCap ? 0 : 1;
            playedOut += played.Ended == Ended.ByRules ? 1 : 0;
            var end = played.Score.Snapshot(played.At);
            for (var unit = 0; unit < _units.Length; unit++)
            {
                points[unit][run] = end.Units[unit].Points;
                cleared[unit][run] = end.Units[unit].Cleared;
                wins[unit] += end.Winner == _units[unit] ? 1 : 0;
                pars[unit] +=
                    _stage.Par is not null && played.Score.HasParAt(unit, played.At, played.Ended == Ended.ByRules) ? 1 : 0;
            }
        }

        var apart = Array.ConvertAll(points, Apart);
        return new SimulationReport(
            settings.Runs,
            (double)finished / settings.Runs,
            (double)playedOut / settings.Runs,
            Distribution.Of(reps),
            Distribution.Of(seconds),
            [
                .. _units.Select(
                    (unit, index) =>
                        new UnitSimulation(
                            unit,
                            Distribution.Of(points[index]),
                            Distribution.Of(cleared[index]),
                            (double)wins[index] / settings.Runs,
                            (double)pars[index] / settings.Runs
                        )
                        {
                            Apart = apart[index],
                        }
                ),
            ]
        );
    }

    /// <summary>
    /// For how many running seconds it lasts, try by try; without end where it is given up. Tries are in the order of the draw, so
    /// that those of several drills can be added up.
    /// </summary>
    public double[] Lasts(SimulationSettings settings, CancellationToken cancellationToken = default)
    {
        var schedule = new RepTimes(_timeline, EndsAfter(settings.Given), settings.Pace);
        var seconds = new double[settings.Runs];
        for (var run = 0; run < settings.Runs; run++)
        {
            if (run % 64 == 0)
            {
                cancellationToken.ThrowIfCancellationRequested();
            }

            var played = PlayOnce(run, settings, schedule);
            seconds[run] =
                played.Ended == Ended.ByCap
                    ? double.PositiveInfinity
                    : played.Score.RunningTimeAt(played.At).SinceStart.TotalSeconds;
        }

        return seconds;
    }

    /// <summary>The mean distance between the best and the last of several tries, taken as several who are alike.</summary>
    private static double Apart(double[] points)
    {
        var groups = points.Length / UnitSimulation.Alike;
        var sum = 0.0;
        for (var group = 0; group < groups; group++)
        {
            var side = points.AsSpan(group * UnitSimulation.Alike, UnitSimulation.Alike);
            var (low, high) = (side[0], side[0]);
            foreach (var each in side)
            {
                (low, high) = (Math.Min(low, each), Math.Max(high, each));
            }

            sum += high - low;
        }

        return groups == 0 ? 0 : sum / groups;
    }

    private enum Ended
    {
        ByRules,
        ByTime,
        ByCap,
    }

    private readonly record struct Played(Score Score, int Reps, Instant At, Ended Ended);

    /// <summary>The time after which nothing happens: of the stage, of its clock, or what is given.</summary>
    private Duration? EndsAfter(Duration? given)
    {
        var limit =
            _stage.Play == Play.Turns ? null
            : TimeEnding.LimitOf(_stage.Until) is { } time ? time.Cut ?? time.Finish
            : null;
        return Least(Least(limit, _stage.Clock?.Total), given);

        static Duration? Least(Duration? one, Duration? other) => one is { } a && other is { } b ? (a < b ? a : b) : one ?? other;
    }

    private Played PlayOnce(int run, SimulationSettings settings, RepTimes schedule)
    {
        var score = _empty.Copy();
        var draw = new RunDraw(_skill, settings, run);
        score.Apply(new RunEvent.Start(new EventId(Device, 0), Instant.Origin));
        var (reps, turned) = (0, 0);
        for (var slot = 0; reps < settings.Cap && slot - reps <= settings.Cap; slot++)
        {
            if (schedule.At(slot) is not { } at)
            {
                // The time was up before the next rep.
                var end = schedule.End;
                score.Apply(new RunEvent.End(new EventId(Device, int.MaxValue), end));
                return new Played(score, reps, end, Ended.ByTime);
            }

            turned = PassByClock(score, at, turned);
            var result = Rep(score, draw, slot, at);
            if (score.IsDoneAt(at))
            {
                reps += result ? 1 : 0;
                return new Played(score, reps, at, score.IsClosed ? Ended.ByRules : Ended.ByTime);
            }

            if (!result && _stage.Play == Play.Turns)
            {
                score.Apply(new RunEvent.Turn(new EventId(Device, slot + 1), at, null));
                if (score.IsDoneAt(at))
                {
                    return new Played(score, reps, at, Ended.ByTime);
                }

                continue;
            }

            reps++;
        }

        return new Played(score, reps, schedule.At(settings.Cap - 1) ?? schedule.End, Ended.ByCap);
    }

    /// <summary>Where units play in turns by a clock, it passes the turn when the next work begins.</summary>
    private int PassByClock(Score score, Instant at, int turned)
    {
        if (_stage.Play != Play.Turns || _timeline is null)
        {
            return turned;
        }

        foreach (var (round, moment) in _timeline.RoundsOver(score.Clock.At(at)))
        {
            if (round > turned)
            {
                score.Apply(
                    new RunEvent.Turn(new EventId(EventId.ClockDevice, (2 * round) + 1), score.Clock.InstantOf(moment), null)
                );
                turned = round;
            }
        }

        return turned;
    }

    /// <summary>One rep of the unit whose turn it is; false where none of it counted, as when a turn's time is up.</summary>
    private bool Rep(Score score, RunDraw draw, int slot, Instant at)
    {
        switch (_skill)
        {
            case Skill.Rally rally:
                var kind = draw.Of(rally);
                var drawn = rally.Outcomes[kind];
                return Take(score, _taps.Find(kind, slot, at, drawn.Unit, drawn.Outcome, null));
            case Skill.Ball:
                var side = score.Ball is { } with ? Array.IndexOf(_units, with) : 0;
                return Tap(score, draw, side, slot, at);
            case Skill.Own when _stage.Play == Play.Turns:
                return score.Turn is { } turn && Go(score, draw, Array.IndexOf(_units, turn), slot, at);
            case Skill.Own:
                var counted = false;
                for (var unit = 0; unit < _units.Length; unit++)
                {
                    counted |= Go(score, draw, unit, slot, at);
                }

                return counted;
            default:
                throw new InvalidOperationException("The kinds of skill are a closed set.");
        }
    }

    private bool Go(Score score, RunDraw draw, int unit, int slot, Instant at)
    {
        if (_stage.Targets is null)
        {
            return Tap(score, draw, unit, slot, at);
        }

        // What is drawn does not hang on who is done, so that one player's chance is the same no matter who else plays.
        var (outcomes, makes) = _goes[unit];
        var hit = outcomes[draw.Of(outcomes, makes, unit)].Outcome == SkillReader.Hit;
        if (score.AskedOf(unit, at) is not (>= 0 and var asked))
        {
            return false;
        }

        var zone = hit ? asked : _zones.Length - 1;
        return Take(score, _taps.Find((unit * _kinds) + outcomes.Length + zone, slot, at, _units[unit], null, _zones[zone]));
    }

    /// <summary>Taps what is drawn; true where it counts, or where nothing is tapped of a go that was played.</summary>
    private bool Tap(Score score, RunDraw draw, int unit, int slot, Instant at)
    {
        var (outcomes, makes) = _goes[unit];
        var kind = draw.Of(outcomes, makes, unit);
        var outcome = outcomes[kind].Outcome;
        return outcome.Length == 0
            ? !score.SnapshotOf(_units[unit], at).Done
            : Take(score, _taps.Find((unit * _kinds) + kind, slot, at, _units[unit], outcome, null));
    }

    private static bool Take(Score score, RunEvent.Tap tap) => score.Apply(tap).Kind is not EventResultKind.Late;
}
