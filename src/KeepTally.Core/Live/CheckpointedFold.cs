using KeepTally.Core.Clock;
using KeepTally.Core.Events;
using KeepTally.Core.Floor;
using KeepTally.Core.Scoring;
using KeepTally.Core.Time;

namespace KeepTally.Core.Live;

/// <summary>
/// The fold of a log onto a sheet and its floor, as far as it has gone. Now and then it keeps how everything stood, so that
/// a late event or an undo folds anew from near where it stands and not from the start.
/// </summary>
internal sealed class CheckpointedFold
{
    /// <summary>The number of events between two checkpoints.</summary>
    private const int Between = 128;

    private readonly Func<Checkpoint> _empty;

    /// <summary>The result of each event of the log, as far as it is folded, in order.</summary>
    private readonly List<EventResult> _verdicts = [];
    private readonly List<Checkpoint> _kept = [];
    private Checkpoint _now;

    /// <summary>How everything stands after so many events of the log.</summary>
    internal sealed record Checkpoint(int Folded, Score Score, FloorState Floor, RunEvent.End? Ended, ClockTime? RepFrom)
    {
        internal Checkpoint Copy() => this with { Score = Score.Copy(), Floor = Floor.Copy() };
    }

    /// <param name="empty">Makes the sheet and the floor before any event.</param>
    internal CheckpointedFold(Func<Checkpoint> empty)
    {
        _empty = empty;
        _now = empty();
    }

    internal Score Score => _now.Score;

    internal FloorState Floor => _now.Floor;

    internal RunEvent.End? Ended => _now.Ended;

    /// <summary>The clock time at which the last rep began, by a counted tap or a whistle; null before the first.</summary>
    internal ClockTime? RepFrom => _now.RepFrom;

    /// <summary>How many events of the log it has taken.</summary>
    internal int Folded => _now.Folded;

    /// <summary>Grows with every change, so that what was worked out from it can be kept until then.</summary>
    internal int Version { get; private set; }

    /// <summary>The result of the event at a folded position of the log.</summary>
    internal EventResult ResultAt(int position) => _verdicts[position];

    /// <summary>The log reads differently from a position on: the fold goes back to before it.</summary>
    internal void RewindTo(int position)
    {
        if (position >= _now.Folded)
        {
            return;
        }

        Version++;
        while (_kept.Count > 0 && _kept[^1].Folded > position)
        {
            _kept.RemoveAt(_kept.Count - 1);
        }

        _now = _kept.Count > 0 ? _kept[^1].Copy() : _empty();
        _verdicts.RemoveRange(_now.Folded, _verdicts.Count - _now.Folded);
    }

    /// <summary>Takes whatever the log holds that was not taken yet.</summary>
    internal void CatchUp(EventLog log)
    {
        var events = log.Events;
        if (_now.Folded == events.Count)
        {
            return;
        }

        Version++;
        var (sheet, floor, ended, repFrom) = (_now.Score, _now.Floor, _now.Ended, _now.RepFrom);
        for (var i = _now.Folded; i < events.Count; i++)
        {
            if (i % Between == 0 && i > 0 && (_kept.Count == 0 || _kept[^1].Folded < i))
            {
                _kept.Add(new Checkpoint(i, sheet.Copy(), floor.Copy(), ended, repFrom));
            }

            var next = log.ReadAt(i);
            if (!log.StandsAt(i) || next is RunEvent.Undo or RunEvent.Amend)
            {
                _verdicts.Add(EventResult.Taken);
                continue;
            }

            var result = sheet.Apply(next);
            _verdicts.Add(result);
            floor.Apply(next, result, sheet);
            switch (next)
            {
                case RunEvent.Tap:
                    repFrom =
                        result is { Kind: EventResultKind.Counted, OfJob: false } && sheet.Stage.Clock?.RepFrom == RepStart.Tap
                            ? sheet.Clock.At(next.At)
                            : repFrom;
                    break;
                case RunEvent.Whistle:
                    repFrom = sheet.Clock.At(next.At);
                    break;
                case RunEvent.Again when result.Kind == EventResultKind.Taken:
                    repFrom = null;
                    break;
                case RunEvent.End end:
                    ended = end;
                    break;
            }
        }

        _now = new Checkpoint(events.Count, sheet, floor, ended, repFrom);
    }
}
