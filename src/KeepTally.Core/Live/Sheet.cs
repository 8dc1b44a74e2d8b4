using KeepTally.Core.Cards;
using KeepTally.Core.Clock;
using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Floor;
using KeepTally.Core.Identity;
using KeepTally.Core.Places;
using KeepTally.Core.Scoring;
using KeepTally.Core.Time;

namespace KeepTally.Core.Live;

/// <summary>
/// A sheet being kept: its log, and the sheet and floor folded from it. Events may arrive in any order and more than
/// once; they are folded when the sheet is read, once for however many arrived meanwhile.
/// </summary>
public sealed class Sheet
{
    private readonly DrillCard _card;
    private Timeline? _timeline;
    private readonly IReadOnlyDictionary<PlayerId, string> _callNames;
    private ClockPassing? _passing;
    private readonly TapAddress _known;
    private readonly CheckpointedFold _fold;
    private (Instant At, int Version, ScoreReport Report)? _looked;
    private (ClockTime Until, int Version)? _quiet;
    private (int Version, int Round, Instant Until, LastBall? Ball)? _lastBall;

    private Sheet(DrillCard card, LogHead head, Score empty)
    {
        _card = card;
        Head = head;
        Stage = empty.Stage;
        _callNames = CallNames.Of(head.Everyone);
        _known = new TapAddress(Stage, head);
        var floor = new FloorState(Stage, head.Units);
        _fold = new CheckpointedFold(() => new CheckpointedFold.Checkpoint(0, empty.Copy(), floor.Copy(), null, null));
    }

    /// <summary>An empty sheet, where the head fits the card.</summary>
    public static Result<Sheet> Open(DrillCard card, LogHead head)
    {
        var sheet = Score.Open(card, head);
        return sheet.IsOk ? Result<Sheet>.Ok(new Sheet(card, head, sheet.Value)) : Result<Sheet>.Fail(sheet.Faults);
    }

    /// <summary>The card it is kept by.</summary>
    public DrillCard Card => _card;

    /// <summary>The head of its log.</summary>
    public LogHead Head { get; }

    /// <summary>The stage it is kept by.</summary>
    public Stage Stage { get; }

    /// <summary>Its events.</summary>
    public EventLog Log { get; } = new();

    /// <summary>The score, folded from the events so far.</summary>
    public Score Score => Now.Score;

    /// <summary>The places of players, folded from the events so far.</summary>
    public FloorState Floor => Now.Floor;

    /// <summary>Grows with every change to what is folded: as long as it is the same, everything but the clock is.</summary>
    public int Version => Now.Version;

    /// <summary>The short name of a unit: a player's call name, a group's or side's full name.</summary>
    public string CallNameOf(PlayerId id) => _callNames.TryGetValue(id, out var name) ? name : Head.NameOf(id);

    /// <summary>Returns the jobs of a player by a moment, with times and reps.</summary>
    public IReadOnlyList<JobTime> JobsOf(PlayerId player, Instant at) => Floor.JobsOf(player, Score.ClockTimeAt(at));

    /// <summary>Everyone who carries a score on the sheet, who came in later and who went off too.</summary>
    public IReadOnlyList<Unit> Units => Score.Units;

    /// <summary>The units that are on the sheet now.</summary>
    public IReadOnlyList<Unit> UnitsOn =>
        Stage.Scores == Scorer.Player ? [.. Units.Where(unit => Score.Roster.Has(unit.Id))] : Units;

    /// <summary>A player of the squad who is not on the sheet may come in: the head's bench, and who went off.</summary>
    public bool MayCome(PlayerId player) =>
        !Score.Roster.Has(player)
        && (
            (Head.Bench ?? []).Any(each => each.Id == player)
            || Head.Units.SelectMany(unit => unit.People).Any(each => each.Id == player)
        );

    /// <summary>The timeline of the stage's clock, with what coaches have added to it; null where it has none.</summary>
    public Timeline? Timeline
    {
        get
        {
            if (!ReferenceEquals(_timeline?.Plan, Score.Plan))
            {
                _timeline = Score.Plan is { } plan ? new Timeline(plan, Head.Seed) : null;
                _passing = null;
            }

            return _timeline;
        }
    }

    private ClockPassing Passing
    {
        get
        {
            var timeline = Timeline;
            return _passing ??= new ClockPassing(Stage, timeline);
        }
    }

    /// <summary>The coach's end of the drill, where it stands.</summary>
    public RunEvent.End? Ended => Now.Ended;

    /// <summary>
    /// What an event made now is stamped: later than every one this sheet has already seen, by a millisecond at least, so
    /// that an answer never ties with what it answers.
    /// </summary>
    public Instant Stamp(Instant now) =>
        Log.Count == 0 ? Instant.Max(Instant.Origin, now) : Instant.Max(now, Log.LastAt + Duration.Millisecond);

    /// <summary>Returns the change that the clock will make when the rest under way is over; none outside of a rest.</summary>
    public ClockPass AfterRest(Instant at) => Score.IsDoneAt(at) ? default : Passing.AfterRest(Score, Floor, at);

    /// <summary>The last ball of the round before, while it can still be counted; else null.</summary>
    public LastBall? LastBallAt(Instant at)
    {
        var round = RoundAt(at);
        if (_lastBall is not { } known || known.Version != Version || known.Round != round || known.Until < at)
        {
            var ball = LastBall.Of(this, at);
            _lastBall = known = (Version, round, ball is null ? at : ball.At + Duration.Millisecond + LastBall.Window, ball);
        }

        return known.Ball;
    }

    /// <summary>Whether places will move on again: not once the sheet is done, nor in the last round of the clock that moves them.</summary>
    public bool WillMove(Instant at) => !Score.IsDoneAt(at) && Passing.WillMove(Score, at);

    /// <summary>
    /// Returns how everyone stands next, as the banner, the list of people and the board all say it: once the turn passes when the
    /// rest under way is over, else after the next rotation as far as it is decided, else as they stand now.
    /// </summary>
    public Placement NextAt(Instant at)
    {
        if (Score.IsDoneAt(at))
        {
            return Floor.Now;
        }

        var pass = AfterRest(at);
        if (pass.Turns)
        {
            return Score.NextTurn is { } turn ? Floor.AfterTurn(turn, Score.Roster, pass.Moves) : Floor.Now;
        }

        return WillMove(at) ? Floor.NextSure : Floor.Now;
    }

    /// <summary>The round of its clock under way, from 1; a change-over belongs to the round before it. 1 where it has no clock.</summary>
    public int RoundAt(Instant at) =>
        Timeline is { } timeline && Score.Clock.IsStarted ? Math.Max(1, timeline.At(Score.ClockTimeAt(at)).Round) : 1;

    /// <summary>The cue for the next rep, for one unit or, with null, for all; null where none is pinned.</summary>
    public string? CueFor(PlayerId? unit) => Score.Cues.For(unit);

    /// <summary>The move called for a unit next; null where none is called, or all is over. In a match one call is for all sides.</summary>
    /// <param name="sheet">What this sheet is known by: groups and pairs are called apart.</param>
    /// <param name="unit">The id of the unit.</param>
    /// <param name="at">The moment that is asked about.</param>
    public string? AskedOf(SheetId sheet, PlayerId unit, Instant at) =>
        Stage.Asks is not { } asks || Score.IsDoneAt(at) ? null
        : Stage.Play == Play.Match ? asks.After(Units.Sum(each => Score.SnapshotOf(each.Id, at).Taps), Head.Seed, $"{sheet}/")
        : asks.After(Score.SnapshotOf(unit, at).Taps, Head.Seed, $"{sheet}/{unit}");

    /// <summary>
    /// What is left of the rep at a moment, where the clock gives each rep so long: a rep begins with the work and anew
    /// with every counted tap, or with the coach's whistle. Null outside of work, and before the whistle that is waited for.
    /// </summary>
    public Duration? RepLeft(Instant at)
    {
        if (Timeline is not { Plan.Rep: { } rep } timeline || !Score.Clock.IsStarted || Score.IsDoneAt(at))
        {
            return null;
        }

        var elapsed = Score.Clock.At(at);
        var interval = timeline.At(elapsed);
        if (interval.Kind != IntervalKind.Work)
        {
            return null;
        }

        if (timeline.Plan.RepFrom == RepStart.Whistle && (_fold.RepFrom is not { } whistled || whistled < interval.Start))
        {
            return null;
        }

        var began = ClockTime.Max(interval.Start, _fold.RepFrom ?? ClockTime.Zero);
        return Duration.Max(Duration.Zero, began + rep - elapsed);
    }

    /// <summary>The tag values that a unit must not repeat now, by the limits of the stage.</summary>
    public IEnumerable<(string Tag, string Value)> Barred(PlayerId unit) => Score.Barred(unit);

    /// <summary>The tags of a unit's next tap until the coach picks others.</summary>
    public IEnumerable<(string Tag, string Value)> Standing(PlayerId unit) => Score.Standing(unit);

    /// <summary>The player for whom an outcome of a job counts now; null where nobody has the job.</summary>
    public PlayerId? HolderOf(string job) => Floor.Now.At(job) is [var player, ..] && Score.Roster.Has(player) ? player : null;

    /// <summary>The result of an event that stands; null where it does not.</summary>
    public EventResult? ResultOf(EventId id) =>
        Log.Find(id) is { } runEvent && !Log.IsUndone(id) ? Now.ResultAt(Log.PositionOf(runEvent)) : null;

    /// <summary>The result of the event at a position of the log.</summary>
    public EventResult ResultAt(int position) => Now.ResultAt(position);

    /// <summary>How the sheet stands at a moment. Asked again for the same moment, the answer is at hand.</summary>
    public ScoreReport ReportAt(Instant at)
    {
        if (_looked is not { } looked || looked.At != at || looked.Version != Version)
        {
            _looked = looked = (at, Version, Score.Report(at));
        }

        return looked.Report;
    }

    /// <summary>The verdict of this sheet alone, at a moment.</summary>
    public Verdict VerdictAt(Instant at)
    {
        var report = ReportAt(at);
        return Verdict.OfSheet(Stage, new DrillSheet("", Head, Units, Score.Clock.IsStarted, report), open: !report.Done);
    }

    /// <summary>Why an event cannot stand on this sheet, whatever the state of play; null where it can.</summary>
    public Fault? Check(RunEvent runEvent) => _known.Check(runEvent);

    /// <summary>Takes an event in, or says why it cannot stand. An event that is here already changes nothing.</summary>
    public Fault? Add(RunEvent runEvent)
    {
        if (Check(runEvent) is { } fault)
        {
            return fault;
        }

        Expect(runEvent);
        if (Log.Add(runEvent) is { } from)
        {
            _fold.RewindTo(from);
        }

        return null;
    }

    /// <summary>Takes a whole history in: sorted once, and folded once when the sheet is read. What cannot stand is left out.</summary>
    public void AddAll(IReadOnlyCollection<RunEvent> history)
    {
        foreach (var runEvent in history)
        {
            Expect(runEvent);
        }

        Log.AddAll(history.Where(runEvent => Check(runEvent) is null));
        _fold.RewindTo(0);
    }

    /// <summary>
    /// Takes in an event as it stands on record. Where an own one with the same id says something else, as two devices may of
    /// what the clock calls for, the one on record takes its place.
    /// </summary>
    public Fault? Receive(RunEvent recorded)
    {
        if (Log.Find(recorded.Id) is not { } own)
        {
            return Add(recorded);
        }

        if (!IsSame(own, recorded))
        {
            Replace(recorded.Id, recorded);
        }

        return null;
    }

    /// <summary>
    /// Takes an event out for good, as if it had never been made: nobody else will ever hear of it. Where another stands under
    /// its id by now, that one stays.
    /// </summary>
    public void Retract(RunEvent refused)
    {
        if (Log.Find(refused.Id) is { } own && IsSame(own, refused))
        {
            Replace(refused.Id, null);
        }
    }

    /// <summary>One device says one thing under one id; of the ids that devices share, the moment tells two events apart.</summary>
    private static bool IsSame(RunEvent one, RunEvent other) => one.At == other.At && one.GetType() == other.GetType();

    private void Expect(RunEvent runEvent)
    {
        if (runEvent is RunEvent.Substitution { In: { } comes } && Stage.Scores == Scorer.Player)
        {
            _known.Expect(comes);
        }
    }

    private void Replace(EventId id, RunEvent? other)
    {
        Log.Replace(id, other);
        _fold.RewindTo(0);
    }

    /// <summary>
    /// What the clock calls for by a moment and is not in the log yet. The ids are the clock's own, so that every device says
    /// the same and it counts once.
    /// </summary>
    public IReadOnlyList<RunEvent> Due(Instant at)
    {
        if (Timeline is not { } timeline || !Score.Clock.IsStarted || Score.IsDoneAt(at))
        {
            return [];
        }

        var elapsed = Score.Clock.At(at);
        if (_quiet is { } quiet && quiet.Version == Version && elapsed < quiet.Until)
        {
            return [];
        }

        var due = Passing.Due(Score, Log, elapsed).ToArray();
        // Until the next work begins nothing more comes.
        _quiet = due.Length > 0 ? null : (timeline.NextWork(elapsed), Version);
        return due;
    }

    private CheckpointedFold Now
    {
        get
        {
            _fold.CatchUp(Log);
            return _fold;
        }
    }
}
