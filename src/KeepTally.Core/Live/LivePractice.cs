using KeepTally.Core.Dealing;
using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Identity;
using KeepTally.Core.Loads;
using KeepTally.Core.Time;

namespace KeepTally.Core.Live;

/// <summary>
/// A practice being run: its drills in order, each with its sheets. It turns what the coach does into events, gives
/// them their ids and times, and takes in the events of other devices. The drill under way follows from the events alone.
/// </summary>
/// <param name="device">This device's own id; its events are numbered per sheet.</param>
/// <param name="runs">The runs of the practice, in order.</param>
public sealed partial class LivePractice(DeviceId device, IReadOnlyList<LiveRun> runs)
{
    /// <summary>How much longer work goes on when a coach gives it another moment.</summary>
    public static readonly Duration More = Duration.FromSeconds(20);

    /// <summary>How long after a habit was tapped for the team naming a player names that one, and counts no second.</summary>
    private static readonly Duration Naming = Duration.FromSeconds(15);

    private readonly Dictionary<SheetId, Sheet> _sheets = runs.SelectMany(run => run.Sheets)
        .ToDictionary(each => each.Id, each => each.Sheet);

    /// <summary>The drills of the practice, in order.</summary>
    public IReadOnlyList<LiveRun> Runs { get; } = runs;

    /// <summary>Devices whose taps are this coach's own, too: this screen before it was loaded again.</summary>
    public IReadOnlySet<DeviceId> Earlier { get; init; } = new HashSet<DeviceId>();

    /// <summary>The restrictions of players today, for those who have any.</summary>
    public IReadOnlyDictionary<PlayerId, Restrictions> Limits { get; init; } = new Dictionary<PlayerId, Restrictions>();

    /// <summary>The load allowance of players today, where a limit is known.</summary>
    public IReadOnlyList<LoadAllowance> Loads { get; init; } = [];

    /// <summary>The slack of the timing sheet; negative where it does not fit.</summary>
    public Duration Spare { get; init; }

    /// <summary>How often something looked for all practice long was seen so far, of any player and of the team.</summary>
    public int Seen(string habit)
    {
        // Asked at every look: most sheets have seen nothing.
        var count = 0;
        foreach (var sheet in _sheets.Values)
        {
            if (sheet.Score.Habits is { Count: > 0 } seen)
            {
                count += seen.Where(each => each.Habit == habit).Sum(each => each.Count);
            }
        }

        return count;
    }

    /// <summary>
    /// The drill under way: the first that was begun and not ended, else the first that was not ended; as many as there are drills
    /// once all are. What is put on the sheet before a drill that runs already does not take its place.
    /// </summary>
    public int Current
    {
        get
        {
            var next = Runs.Count;
            for (var index = 0; index < Runs.Count; index++)
            {
                if (Runs[index].IsEnded)
                {
                    continue;
                }

                if (Runs[index].IsStarted)
                {
                    return index;
                }

                next = Math.Min(next, index);
            }

            return next;
        }
    }

    /// <summary>The drills that are left: the one under way first.</summary>
    public IReadOnlyList<LiveRun> Left => Current < Runs.Count ? [Now, .. Runs.Where(run => !run.IsEnded && run != Now)] : [];

    /// <summary>The sheet with an id, or null.</summary>
    public Sheet? Find(SheetId sheet) => _sheets.GetValueOrDefault(sheet);

    /// <summary>Takes in an event from anywhere; null where it stands, else why it cannot.</summary>
    public Fault? Receive(SheetId sheet, RunEvent runEvent) =>
        Find(sheet) is { } live
            ? live.Receive(runEvent)
            : new Fault("sheet", $"there is no sheet \"{sheet}\" in this practice", "reload the page");

    /// <summary>The server refused an event: it is removed, and nothing counts it any more.</summary>
    public void Retract(SheetId sheet, RunEvent refused) => Find(sheet)?.Retract(refused);

    /// <summary>Executes a command on the sheets of the drill under way.</summary>
    public IReadOnlyList<SheetEvent> Execute(RunCommand word, Instant now, string reason = "")
    {
        if (Current >= Runs.Count && word != RunCommand.Back)
        {
            return [];
        }

        return word switch
        {
            RunCommand.Start => Each(
                Now,
                now,
                sheet => sheet.Stop is null && !sheet.Sheet.Score.Clock.IsStarted,
                (id, at) => new RunEvent.Start(id, at)
            ),
            RunCommand.Pause => Each(Now, now, IsRunning(now), (id, at) => new RunEvent.Pause(id, at)),
            RunCommand.Resume => Each(
                Now,
                now,
                sheet => sheet.Sheet.Score.Clock.IsPaused && !LiveRun.HasStood(sheet),
                (id, at) => new RunEvent.Resume(id, at)
            ),
            RunCommand.Freeze => Each(Now, now, IsRunning(now), (id, at) => new RunEvent.Freeze(id, at, reason)),
            RunCommand.Rotate => Each(
                Now,
                now,
                sheet => CanMove(sheet, now),
                (id, at) => new RunEvent.Rotate(id, at, null, null, null)
            ),
            RunCommand.Add or RunCommand.Take or RunCommand.Skip or RunCommand.Repeat or RunCommand.Another => Each(
                Now,
                now,
                each => ClockCommands.Can(word, Now, each, now),
                (id, at, sheet) => ClockCommands.Make(word, sheet, id, at)
            ),
            RunCommand.Whistle => Each(
                Now,
                now,
                sheet => IsRunning(now)(sheet) && sheet.Sheet.Stage.Clock?.Rep is not null && Now.OpenAt(now).Contains(sheet),
                (id, at) => new RunEvent.Whistle(id, at)
            ),
            RunCommand.Turn => Each(Now, now, IsRunning(now), (id, at) => new RunEvent.Turn(id, at, null)),
            RunCommand.End => Each(Now, now, sheet => sheet.Sheet.Ended is null, (id, at) => new RunEvent.End(id, at)),
            RunCommand.EndPractice => EndAll(now),
            RunCommand.Back => Back(now),
        };
    }

    /// <summary>Drills besides the one under way that were neither begun nor ended; breaks are none.</summary>
    public IReadOnlyList<LiveRun> NotReached => [.. Left.Skip(1).Where(run => run is { IsStarted: false, IsPause: false })];

    /// <summary>One moment for all, by which going back knows what was ended together.</summary>
    private List<SheetEvent> EndAll(Instant now)
    {
        RunSheet[] open = [.. Left.SelectMany(run => run.Sheets).Where(sheet => sheet.Sheet.Ended is null)];
        var at = StampOfAll(open.Select(each => each.Sheet), now);
        return
        [
            .. Left.ToArray()
                .SelectMany(run => Each(run, at, sheet => sheet.Sheet.Ended is null, (id, _) => new RunEvent.End(id, at))),
        ];
    }

    /// <summary>Undoes the end of the drill before; where it was ended with the rest of the practice, of all those drills.</summary>
    private List<SheetEvent> Back(Instant now)
    {
        if (Current == 0)
        {
            return [];
        }

        var last = EndOf(Runs[Current - 1]);
        return
        [
            .. Runs.Take(Current)
                .Where(run => EndOf(run) is var end && end.At == last.At && end.Id.Device == last.Id.Device)
                .ToArray()
                .SelectMany(run => Each(run, now, sheet => sheet.Sheet.Ended!.Id.Device != EventId.CircuitDevice, UndoEnd)),
        ];
    }

    /// <summary>The coach's own end of a drill that is over.</summary>
    private static RunEvent.End EndOf(LiveRun run) =>
        run
            .Sheets.Select(sheet => sheet.Sheet.Ended!)
            .OrderBy(end => end.Id.Device == EventId.CircuitDevice)
            .ThenBy(end => end.At)
            .First();

    /// <summary>
    /// Another game on a sheet. Sheets that share the clock of their card begin together, when all of them are played out.
    /// </summary>
    public IReadOnlyList<SheetEvent> Again(SheetId sheet, bool ends, bool moves, Instant now) =>
        Current < Runs.Count && Now.AgainWith(sheet, now) is { Count: > 0 } together
            ? Each(Now, now, together.Contains, (id, at) => new RunEvent.Again(id, at, ends, moves))
            : [];

    /// <summary>Appends a change of the roster to every sheet it reaches; nothing where it reaches none.</summary>
    public IReadOnlyList<SheetEvent> ChangeRoster(RosterChange change, Instant now)
    {
        var appended = new List<SheetEvent>();
        var changes = change.Over(Left, now);
        var at = StampOfAll(changes.Select(each => _sheets[each.Sheet]), now);
        foreach (var (id, gone, comes) in changes)
        {
            var sheet = _sheets[id];
            var substitution = new RunEvent.Substitution(NextId(sheet), at, gone, comes);
            sheet.Add(substitution);
            appended.Add(new SheetEvent(id, substitution));
        }

        return appended;
    }

    /// <summary>Takes an event back, or puts one back that was taken back. Who came or went does so on every sheet again.</summary>
    public IReadOnlyList<SheetEvent> Undo(SheetId sheet, EventId of, Instant now)
    {
        if (Find(sheet) is not { } live || live.Log.Find(of) is not { } reached)
        {
            return [];
        }

        return reached is RunEvent.Substitution or RunEvent.Add or RunEvent.Skip or RunEvent.Rounds or RunEvent.Again
            ? [.. _sheets.SelectMany(each => Same(each.Value, reached).SelectMany(id => Undo(each.Key, each.Value, id, now)))]
            : Undo(sheet, live, of, now);
    }

    /// <summary>Returns what to ask before an event of the current drill is undone by the one big button.</summary>
    /// <param name="run">The drill whose sheet holds the event.</param>
    /// <param name="said">The event.</param>
    public UndoDoubt DoubtOf(LiveRun run, RunEvent said) =>
        said is RunEvent.Substitution or RunEvent.Add or RunEvent.Skip or RunEvent.Rounds or RunEvent.Again
        && Runs.TakeWhile(each => each != run).Any(before => before.Sheets.Any(sheet => Same(sheet.Sheet, said).Length > 0))
            ? UndoDoubt.OtherDrill
        : said.Id.Device == device || Earlier.Contains(said.Id.Device) ? UndoDoubt.None
        : UndoDoubt.OtherDevice;

    /// <summary>One change of the roster, and one word to the clock, is on several sheets, by one device at one moment.</summary>
    private static EventId[] Same(Sheet live, RunEvent said) =>
        [
            .. live
                .Log.Events.Where(other => other.GetType() == said.GetType())
                .Where(other => other.Id.Device == said.Id.Device && other.At == said.At)
                .Where(other => said is not RunEvent.Substitution change || IsOfSome(change, (RunEvent.Substitution)other))
                .Select(other => other.Id),
        ];

    private static bool IsOfSome(RunEvent.Substitution one, RunEvent.Substitution other) =>
        new[] { one.In, one.Out }.Intersect([other.In, other.Out]).Any(player => player is not null);

    private SheetEvent[] Undo(SheetId sheet, Sheet live, EventId of, Instant now)
    {
        var target = live.Log.IsUndone(of) ? live.Log.StandingUndoOf(of)?.Id : of;
        if (target is not { } reached)
        {
            return [];
        }

        var undo = new RunEvent.Undo(NextId(live), live.Stamp(now), reached);
        live.Add(undo);
        return [new SheetEvent(sheet, undo)];
    }

    /// <summary>Appends what the clock calls for by now to every sheet of the drill under way.</summary>
    public IReadOnlyList<SheetEvent> AppendDue(Instant now)
    {
        if (Current >= Runs.Count)
        {
            return [];
        }

        var due = Now.Due(now).ToArray();
        foreach (var (sheet, runEvent) in due)
        {
            _sheets[sheet].Add(runEvent);
        }

        return due;
    }

    private LiveRun Now => Runs[Current];

    /// <summary>Where each group of a circuit is follows from the clock alone.</summary>
    private bool CanMove(RunSheet sheet, Instant now) =>
        sheet != Now.Circuit && sheet.Sheet.Stage.Moves.Count > 0 && Now.OpenAt(now).Contains(sheet) && !LiveRun.HasStood(sheet);

    private static Func<RunSheet, bool> IsRunning(Instant now) =>
        sheet => sheet.Sheet.Score.Clock is { IsStarted: true, IsPaused: false } && !sheet.Sheet.Score.IsDoneAt(now);

    private RunEvent UndoEnd(EventId id, Instant at, Sheet sheet) => new RunEvent.Undo(id, at, sheet.Ended!.Id);

    private List<SheetEvent> Each(LiveRun run, Instant now, Func<RunSheet, bool> where, Func<EventId, Instant, RunEvent> make) =>
        Each(run, now, where, (id, at, _) => make(id, at));

    private List<SheetEvent> Each(
        LiveRun run,
        Instant now,
        Func<RunSheet, bool> where,
        Func<EventId, Instant, Sheet, RunEvent> make
    )
    {
        var appended = new List<SheetEvent>();
        var reached = run.Sheets.Where(where).ToArray();
        var at = StampOfAll(reached.Select(each => each.Sheet), now);
        foreach (var (id, _, sheet, _) in reached)
        {
            var word = make(NextId(sheet), at, sheet);
            sheet.Add(word);
            appended.Add(new SheetEvent(id, word));
        }

        return appended;
    }

    private EventId NextId(Sheet sheet) => new(device, sheet.Log.LastNumberOf(device) + 1);

    /// <summary>One moment for what is appended to several sheets at once, so that their clocks go together.</summary>
    private static Instant StampOfAll(IEnumerable<Sheet> sheets, Instant now) =>
        sheets.Select(sheet => sheet.Stamp(now)).DefaultIfEmpty(now).Max();
}
