using KeepTally.Core.Cards;
using KeepTally.Core.Clock;
using KeepTally.Core.Faults;
using KeepTally.Core.Places;

namespace KeepTally.Core.Sheets;

/// <summary>
/// A sheet being kept: its log, and the sheet and floor folded from it. Events may arrive in any order and more than
/// once; what stands last is folded on, anything else folds anew.
/// </summary>
public sealed class LiveSheet
{
    private readonly DrillCard _card;
    private readonly Timeline? _timeline;
    private readonly Dictionary<EventId, Verdict> _verdicts = [];
    private readonly IReadOnlyDictionary<string, string> _callNames;
    private Sheet _sheet;
    private Floor _floor;
    private int _folded;
    private long _repFrom;
    private (long At, int Folded, SheetReport Report)? _looked;

    private LiveSheet(DrillCard card, LogHead head, Sheet sheet)
    {
        _card = card;
        Head = head;
        _callNames = CallNames.Of(head.Everyone);
        _sheet = sheet;
        _floor = new Floor(sheet.Stage, head.Units);
        _timeline = sheet.Stage.Clock is { } plan ? new Timeline(plan, head.Seed) : null;
    }

    /// <summary>An empty sheet, where the head fits the card.</summary>
    public static Reading<LiveSheet> Open(DrillCard card, LogHead head)
    {
        var sheet = Sheet.Open(card, head);
        return sheet.IsRead
            ? Reading<LiveSheet>.Of(new LiveSheet(card, head, sheet.Value))
            : Reading<LiveSheet>.Failed(sheet.Faults);
    }

    public DrillCard Card => _card;

    public LogHead Head { get; }

    public Stage Stage => _sheet.Stage;

    public EventLog Log { get; } = new();

    public Sheet Sheet => _sheet;

    public Floor Floor => _floor;

    /// <summary>What somebody is called in passing: a player by call name, a group or a side by all of its name.</summary>
    public string CallNameOf(string id) => _callNames.TryGetValue(id, out var name) ? name : Head.NameOf(id);

    /// <summary>Everyone who carries a score on the sheet, who came in later and who went off too.</summary>
    public IReadOnlyList<Unit> Units => _sheet.Units;

    /// <summary>Those of them who are on the sheet now.</summary>
    public IReadOnlyList<Unit> UnitsOn =>
        Stage.Scores == Scorer.Player ? [.. Units.Where(unit => _sheet.Roll.Has(unit.Id))] : Units;

    /// <summary>Somebody of the squad who is not on the sheet may come in: the head's bench, and who went off.</summary>
    public bool MayCome(string player) =>
        !_sheet.Roll.Has(player)
        && (
            (Head.Bench ?? []).Any(each => each.Id == player)
            || Head.Units.SelectMany(unit => unit.People).Any(each => each.Id == player)
        );

    /// <summary>The timeline of the stage's clock, or null where it has none.</summary>
    public Timeline? Timeline => _timeline;

    /// <summary>The coach's end of the drill, where it stands.</summary>
    public RunEvent.End? Ended { get; private set; }

    /// <summary>
    /// What is left of the rep at a moment, where the clock gives each rep so long: a rep begins with the work and anew
    /// with every counted tap. Null outside of work.
    /// </summary>
    public long? RepLeft(long at)
    {
        if (_timeline is not { Plan.Rep: { } rep } || !_sheet.Clock.IsStarted || ReportAt(at).Done)
        {
            return null;
        }

        var elapsed = _sheet.Clock.At(at);
        var interval = _timeline.At(elapsed);
        return interval.Kind == IntervalKind.Work ? Math.Max(0, Math.Max(interval.Start, _repFrom) + rep - elapsed) : null;
    }

    /// <summary>What a unit may not say again now, by the limits of the stage.</summary>
    public IEnumerable<(string Tag, string Value)> Barred(string unit) => _sheet.Barred(unit);

    /// <summary>What became of a standing event.</summary>
    public Verdict? VerdictOn(EventId id) => _verdicts.TryGetValue(id, out var verdict) ? verdict : null;

    /// <summary>How the sheet stands at a moment. Asked again for the same moment, the answer is at hand.</summary>
    public SheetReport ReportAt(long at)
    {
        if (_looked is not { } looked || looked.At != at || looked.Folded != _folded)
        {
            _looked = looked = (at, _folded, _sheet.Report(at));
        }

        return looked.Report;
    }

    /// <summary>Takes an event in, or says why it cannot stand. An event that is here already changes nothing.</summary>
    public Refusal? Add(RunEvent said)
    {
        if (_sheet.Refuse(said) is { } refusal)
        {
            return refusal;
        }

        if (!Log.Add(said, out var last))
        {
            return null;
        }

        if (last && said is not RunEvent.Undo)
        {
            Fold(said);
        }
        else
        {
            FoldAnew();
        }

        return null;
    }

    /// <summary>Takes another's version of an event in the place of the own one with the same id.</summary>
    public void Yield(RunEvent said)
    {
        Log.Replace(said);
        FoldAnew();
    }

    /// <summary>
    /// What the clock calls for by a moment and nobody has said yet: the end of a round of work passes the turn or moves
    /// the places on. The ids are the clock's own, so that every device says the same and it counts once.
    /// </summary>
    public IEnumerable<RunEvent> Due(long at)
    {
        if (_timeline is null || !_sheet.Clock.IsStarted || ReportAt(at).Done)
        {
            yield break;
        }

        foreach (var (round, moment) in _timeline.WorkDone(_sheet.Clock.At(at)).Where(done => done.Round < _timeline.Plan.Rounds))
        {
            if (
                Stage.Rotate is { On: RotateTrigger.Round } rotate
                && !Floor.AsksWhoWon(Stage)
                && round % rotate.Every == 0
                && NotSaid(2 * round, out var moves)
            )
            {
                yield return new RunEvent.Rotate(moves, _sheet.Clock.InstantOf(moment), null, null, null);
            }

            if (Stage.Play == Play.Turns && NotSaid((2 * round) + 1, out var passes))
            {
                yield return new RunEvent.Turn(passes, _sheet.Clock.InstantOf(moment), null);
            }
        }
    }

    private bool NotSaid(int n, out EventId id)
    {
        id = new EventId(EventId.ClockDevice, n);
        return !Log.Holds(id);
    }

    private void FoldAnew()
    {
        _folded++;
        _sheet = Sheet.Open(_card, Head).Sure();
        _floor = new Floor(_sheet.Stage, Head.Units);
        _verdicts.Clear();
        Ended = null;
        _repFrom = 0;
        foreach (var said in Log.Standing())
        {
            Fold(said);
        }
    }

    private void Fold(RunEvent said)
    {
        _folded++;
        var verdict = _sheet.Apply(said);
        _floor.Apply(said, verdict, _sheet.UnitAt(verdict.Unit), _sheet.Roll, _sheet.Turn);
        switch (said)
        {
            case RunEvent.Tap:
                _verdicts[said.Id] = verdict;
                _repFrom = verdict.Kind == VerdictKind.Counted ? _sheet.Clock.At(said.At) : _repFrom;
                break;
            case RunEvent.End end:
                Ended = end;
                break;
        }
    }
}
