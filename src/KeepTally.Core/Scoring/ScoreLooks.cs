using KeepTally.Core.Clock;
using KeepTally.Core.Identity;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Tallies;
using KeepTally.Core.Time;

namespace KeepTally.Core.Scoring;

/// <summary>How a sheet stands at a moment. Looking changes nothing.</summary>
public sealed partial class Score
{
    /// <summary>How the sheet stands at a moment not before its last event. Looking changes nothing.</summary>
    public ScoreReport Report(Instant at) => ReportOfGame(at) with { Earlier = [.. _games.Over] };

    private ScoreReport ReportOfGame(Instant at)
    {
        var report = Whole(at);
        return _hasHalves && _clock.IsStarted
            ? report with
            {
                Units =
                [
                    .. report.Units.Zip(
                        _state.Units,
                        (unit, tally) => unit with { FirstHalf = _half.Of(Plan, ClockTimeAt(at), tally) }
                    ),
                ],
            }
            : report;
    }

    private ScoreReport Whole(Instant at) =>
        ScoreReporter.Report(
            _stageIndex,
            _stage,
            _state,
            _limit,
            IsStartedAt(at),
            RunningAt(at),
            _freezes.Report(at),
            Roster.Stays
        ) with
        {
            Habits = [.. _habits.Seen],
            PlayedOut = _playedOut ?? IsPlayedOutAt(at),
        };

    /// <summary>The own count of a unit in a round of this game; null where it reported none.</summary>
    public int? OwnCountOf(PlayerId unit, int round) => _own.Of(_address.Units.Of(unit), round);

    /// <summary>The cues pinned for the next rep.</summary>
    public Cues Cues => _cues;

    /// <summary>The habits seen so far.</summary>
    public IReadOnlyList<HabitReport> Habits => _habits.Seen;

    /// <summary>The games that are over because another was begun, the first one first.</summary>
    public IReadOnlyList<ScoreReport> EarlierGames => _games.Over;

    /// <summary>The sides have the ends that they did not begin with.</summary>
    public bool EndsChanged => _games.EndsChanged;

    /// <summary>Whether a unit, by its index, is done by what was said, whatever the clock reads.</summary>
    internal bool IsUnitDone(int unit) => _state.Units[unit].Done;

    /// <summary>Everyone who is done by what was said.</summary>
    internal IEnumerable<PlayerId> DoneByRules => _state.Units.Where(unit => unit.Done).Select(unit => unit.Unit.Id);

    /// <summary>Whether it is done for good, and not only by its clock.</summary>
    internal bool IsClosed => _state.Done;

    /// <summary>The clock time at which the game before ended.</summary>
    internal ClockTime GameBeforeOver => _games.LastOver;

    /// <summary>When the first game was started; null before.</summary>
    public Instant? FirstBegan => _games.FirstBegan;

    /// <summary>All there is to play was played, and the coach has not ended it: it can be played again.</summary>
    public bool IsPlayedOutAt(Instant at) =>
        _playedOut is null
        && _clock.IsStarted
        && (IsDoneAt(at) || (Plan is { } plan && _clock.At(at) >= ClockTime.Zero + plan.Total));

    /// <summary>How the sheet stands at a moment, as far as words about one tap ask for it.</summary>
    public ScoreSnapshot Snapshot(Instant at) => ScoreReporter.Snapshot(_stage, _state, _limit, IsStartedAt(at), RunningAt(at));

    /// <summary>The figures of one unit at a moment.</summary>
    public UnitSnapshot SnapshotOf(PlayerId unit, Instant at)
    {
        var tally = _state.Units[_address.Units.Of(unit)];
        return UnitReporter.Snapshot(_stage, tally, _state.IsUnitDoneAt(tally, _limit, IsStartedAt(at), RunningAt(at)));
    }

    /// <summary>The position among the targets of the zone that a unit, by its index, is asked next; -1 where none is.</summary>
    internal int AskedOf(int unit, Instant at) =>
        UnitReporter.Asked(
            _stage,
            _state.Units[unit],
            _state.IsUnitDoneAt(_state.Units[unit], _limit, IsStartedAt(at), RunningAt(at))
        );

    /// <summary>Whether a unit, by its index, has reached the par of the stage by a moment.</summary>
    internal bool HasParAt(int unit, Instant at, bool playedOut) =>
        ParJudge.IsMet(
            _stage,
            UnitFigures.Of(
                _stage,
                _state.Units[unit],
                _state.UnitTimeAt(_state.Units[unit], _limit, IsStartedAt(at), RunningAt(at))
            ),
            _state.Units[unit].HadGo,
            playedOut
        );

    /// <summary>How one unit stands at a moment; null where there is no such unit.</summary>
    public UnitReport? UnitAt(PlayerId unit, Instant at) =>
        _address.Units.Of(unit) is >= 0 and var index
            ? ScoreReporter.UnitAt(_stage, _state, _limit, IsStartedAt(at), _state.Units[index], RunningAt(at))
            : null;

    /// <summary>The unit ranked first at a moment, where it is alone there: of those who had a go, in a match of all sides.</summary>
    public PlayerId? LeaderAt(Instant at) =>
        ScoreReporter.Leader(_stage, _state, _limit, IsStartedAt(at), RunningAt(at), whoHadGo: true) is >= 0 and var leader
            ? UnitAt(leader)
            : null;

    /// <summary>The points of each unit, in their order.</summary>
    public IReadOnlyList<double> Points => Array.ConvertAll(_state.Units, unit => unit.Points);

    /// <summary>The unit with the ball, or null.</summary>
    public PlayerId? Ball => UnitAt(_state.Ball);

    /// <summary>Whether the sheet is done at a moment not before its last event, without writing a report.</summary>
    public bool IsDoneAt(Instant at) =>
        _state.Done || (_limit.Cut is not null && _state.IsDoneAt(_limit, IsStartedAt(at), RunningAt(at)));

    /// <summary>Running time at a moment; once the sheet is done its clock stands where it was done.</summary>
    public RunningTime RunningTimeAt(Instant at) => _state.RunningAt(_limit, IsStartedAt(at), RunningAt(at));

    /// <summary>The clock time at a moment; once the sheet is done, the time at which it was done.</summary>
    public ClockTime ClockTimeAt(Instant at) => IsDoneAt(at) ? RunningTimeAt(at).On(_countIn) : _clock.At(at);

    /// <summary>The sheet starts when the count-in is over.</summary>
    private bool IsStartedAt(Instant at) =>
        _clock.IsStarted && !_neverStarted && (_state.Done || _clock.At(at) >= RunningTime.Zero.On(_countIn));

    /// <summary>Running time since the sheet started.</summary>
    private RunningTime RunningAt(Instant at) => _clock.At(at).After(_countIn);

    /// <summary>The clock of the game under way, with what coaches have added; null where the stage has none.</summary>
    public ClockPlan? Plan => _state.Plan;
}
