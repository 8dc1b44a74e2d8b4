using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Floor;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Scoring;
using KeepTally.Core.Time;

namespace KeepTally.Core.Reports;

/// <summary>
/// Measures how long each player of a sheet was busy while work ran: standing in an active place, or, in a stage without
/// places, while their unit could be tapped. Source: docs/formats.md, section 5.
/// </summary>
internal sealed class BusyLog
{
    private readonly Stage _stage;
    private readonly Score _score;
    private readonly FloorState? _floor;
    private readonly Dictionary<PlayerId, (Duration Busy, Duration There)> _times = [];
    private ClockTime _until = ClockTime.Zero;

    private BusyLog(Sheet live)
    {
        _stage = live.Stage;
        _score = Score.Open(live.Card, live.Head).Require();
        _floor = _stage.Places.Any(place => place.Active) ? new FloorState(_stage, live.Head.Units) : null;
    }

    /// <summary>Returns for each player the time they were busy, and the running work while they were on the sheet.</summary>
    /// <param name="live">A sheet; one that never started, or on which nothing is tapped and nobody has a place, has nobody.</param>
    internal static IReadOnlyDictionary<PlayerId, (Duration Busy, Duration There)> Of(Sheet live)
    {
        var log = new BusyLog(live);
        if (log._floor is null && live.Stage.Outcomes.Count == 0)
        {
            return log._times;
        }

        foreach (var position in Enumerable.Range(0, live.Log.Count).Where(live.Log.StandsAt))
        {
            if (live.Log.ReadAt(position) is var next and not (RunEvent.Undo or RunEvent.Amend))
            {
                log.Take(next);
            }
        }

        return log._times;
    }

    private void Take(RunEvent next)
    {
        Add(_score.ClockTimeAt(next.At));
        var result = _score.Apply(next);
        _floor?.Apply(next, result, _score);
        _until = _score.ClockTimeAt(next.At);
    }

    /// <summary>Everyone stood as they stand now until the clock read this.</summary>
    private void Add(ClockTime now)
    {
        var ran = _score.Plan is { } plan ? plan.WorkBy(now) - plan.WorkBy(_until) : now - _until;
        if (!_score.Clock.IsStarted || ran <= Duration.Zero)
        {
            return;
        }

        foreach (var player in _score.Roster.Everyone)
        {
            var (busy, there) = _times.GetValueOrDefault(player);
            _times[player] = (IsBusy(player) ? busy + ran : busy, there + ran);
        }
    }

    private bool IsBusy(PlayerId player) =>
        _floor is { } floor
            ? floor.Now.Of(player) is { Active: true }
            : _score.Roster.UnitOf(player) is { } unit && CanBeTapped(unit);

    private bool CanBeTapped(PlayerId unit) =>
        (_stage.Play != Play.Turns || _score.Turn == unit) && !_score.DoneByRules.Contains(unit);
}
