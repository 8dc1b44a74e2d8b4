using System.Runtime.InteropServices.JavaScript;
using System.Text.Json;
using KeepTally.Core.Clock;
using KeepTally.Core.Dealing;
using KeepTally.Core.Events;
using KeepTally.Core.Floor;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Scoring;
using KeepTally.Core.Time;
using KeepTally.Core.Words;
using KeepTally.Screen;

namespace KeepTally.Browser;

/// <summary>
/// What the run screen calls. Times are milliseconds from the run's origin on the shared clock; answers are JSON texts,
/// camelCase. Every rule is the core's; the script only shows, keeps and sends.
/// </summary>
internal static partial class Bridge
{
    private static IReadOnlyList<OpenRun> _opened = [];
    private static LivePractice? _practice;
    private static RunFace? _face;
    private static ClockPulse? _pulse;
    private static IReadOnlyList<string> _habits = [];
    private static ViewChanges _changes = new();

    private static LivePractice Practice => _practice ?? throw new InvalidOperationException("No practice is open.");

    /// <summary>Opens a practice; the first fault as one line, or an empty text.</summary>
    [JSExport]
    internal static string Open(string json, string device)
    {
        var file = JsonSerializer.Deserialize(json, ViewJson.Default.PracticeFile)!;
        var opened = PracticeOpener.Open(file, null);
        if (!opened.IsOk)
        {
            return opened.Faults[0].Problem;
        }

        Show(file, opened.Value, device);
        return "";
    }

    /// <summary>
    /// Opens the practice anew, its timing sheet having changed. Sheets that are open already go on with all that was said on them here;
    /// a drill that was begun here stays, though it was taken off before anybody else knew.
    /// </summary>
    /// <returns>The ids of the runs in their order now, with commas between; an empty text where it cannot be read.</returns>
    [JSExport]
    internal static string Reopen(string json, string device)
    {
        var file = JsonSerializer.Deserialize(json, ViewJson.Default.PracticeFile)!;
        var opened = PracticeOpener.Open(file, _opened);
        if (!opened.IsOk)
        {
            return "";
        }

        Show(file, opened.Value, device);
        return string.Join(',', opened.Value.Select(run => run.Id));
    }

    private static void Show(PracticeFile file, IReadOnlyList<OpenRun> runs, string device)
    {
        _opened = runs;
        _practice = new LivePractice(new DeviceId(device), [.. runs.Select(run => run.Live)])
        {
            Limits = (file.Limits ?? new Dictionary<string, Restrictions>()).ToDictionary(
                limit => new PlayerId(limit.Key),
                limit => limit.Value
            ),
            Spare = new Duration(file.Spare),
        };
        _habits = file.Habits ?? [];
        _face = new RunFace(_practice, _habits) { Calls = _face?.Calls };
        _pulse = new ClockPulse(_practice);
        _changes = new ViewChanges();
        foreach (var sheet in file.Runs.SelectMany(run => run.Sheets))
        {
            Take(sheet.Id, sheet.Events);
        }
    }

    /// <summary>Takes in a history of a sheet, one line an event, folded once.</summary>
    [JSExport]
    internal static void ReceiveAll(string sheet, string lines) => Take(sheet, lines.Split('\n'));

    /// <summary>
    /// Takes in an event as it stands on record; why it cannot stand, or an empty text. Where this device says something else
    /// under its id, the one on record takes its place.
    /// </summary>
    [JSExport]
    internal static string Receive(string sheet, string device, int n, string line)
    {
        // One that is here already need not be read; only ids that devices share can mean two things.
        var id = new EventId(new DeviceId(device), n);
        if (
            id.Device != EventId.ClockDevice
            && id.Device != EventId.CircuitDevice
            && Practice.Find(new SheetId(sheet))?.Log.Holds(id) == true
        )
        {
            return "";
        }

        var read = EventReader.Read(line);
        return read.IsOk ? Practice.Receive(new SheetId(sheet), read.Value)?.ToString() ?? "" : read.Faults[0].ToString();
    }

    /// <summary>The server refused an event of this device: it is taken out.</summary>
    [JSExport]
    internal static void Retract(string sheet, string line)
    {
        if (EventReader.Read(line) is { IsOk: true } refused)
        {
            Practice.Retract(new SheetId(sheet), refused.Value);
        }
    }

    /// <summary>An event in the coach's words: "Ada · Clean".</summary>
    [JSExport]
    internal static string Describe(string sheet, string line) =>
        Practice.Find(new SheetId(sheet)) is { } live && EventReader.Read(line) is { IsOk: true } read
            ? RunFace.Describe(new SheetId(sheet), live, read.Value)
            : "";

    /// <summary>Takes a touch of the pad and says why it did what it did.</summary>
    /// <param name="tags">What else it says, as a JSON object; empty where nothing.</param>
    /// <param name="value">The number it carries; not a number where none.</param>
    [JSExport]
    internal static string Tap(string sheet, string? unit, string? outcome, string? zone, string tags, double value, double now)
    {
        var live = Practice.Find(new SheetId(sheet));
        var before = live?.Score.Snapshot(live.Stamp(Moment(now)));
        var whose = Player(unit) ?? live?.Score.Turn;
        var bests = BestsOf(new SheetId(sheet));
        var best = BestOf(live, bests, whose, live?.Stamp(Moment(now)) ?? default);
        var fault = Practice.Tap(
            new SheetId(sheet),
            new TapCommand(
                Player(unit),
                outcome,
                zone,
                tags.Length == 0 ? null : JsonSerializer.Deserialize(tags, ViewJson.Default.DictionaryStringString),
                double.IsNaN(value) ? null : value
            ),
            Moment(now),
            out var appended
        );
        if (live is null || appended is not [{ Event: RunEvent.Tap tap }])
        {
            return Answers.Of(appended, fault?.ToString());
        }

        var after = live.Score.Snapshot(tap.At);
        return Answers.Of(
            appended,
            fault?.ToString(),
            TapWords.Explain(live, tap, before!, after),
            TapMark.Of(live.ResultOf(tap.Id), before!, after, best, BestOf(live, bests, whose, tap.At))
        );
    }

    private static PastBests BestsOf(SheetId sheet) =>
        Practice.Runs.SelectMany(run => run.Sheets).FirstOrDefault(each => each.Id == sheet)?.Bests ?? PastBests.None;

    private static BestKind BestOf(Sheet? live, PastBests bests, PlayerId? unit, Instant at) =>
        bests.Squad is not null && unit is { } whose && live?.Score.UnitAt(whose, at) is { } report
            ? bests.Judge(live.Stage, report)
            : BestKind.None;

    /// <summary>Passes the turn to a unit, or with an empty text to the next.</summary>
    [JSExport]
    internal static string PassTurn(string sheet, string unit, double now)
    {
        var fault = Practice.PassTurn(new SheetId(sheet), Player(unit), Moment(now), out var appended);
        return Answers.Of(appended, fault?.ToString());
    }

    /// <summary>Another game on a sheet that is played out.</summary>
    /// <param name="ends">Sides change ends first.</param>
    /// <param name="moves">Those who wait come on first.</param>
    [JSExport]
    internal static string Again(string sheet, bool ends, bool moves, double now) =>
        Move(() => Practice.Again(new SheetId(sheet), ends, moves, Moment(now)));

    /// <summary>Something looked for all practice long was seen, of a player or, with an empty text, of the team.</summary>
    [JSExport]
    internal static string See(string habit, string player, double now)
    {
        var fault = Practice.See(habit, Player(player), Moment(now), out var appended);
        return Answers.Of(appended, fault?.ToString());
    }

    /// <summary>Moves the places of a sheet on, and says who won.</summary>
    [JSExport]
    internal static string RotateWith(string sheet, string winner, double now) =>
        Move(() => Practice.RotateWith(new SheetId(sheet), new PlayerId(winner), Moment(now)));

    /// <summary>Executes a command on the drill under way.</summary>
    /// <param name="word">One of <see cref="RunCommand"/> by name.</param>
    [JSExport]
    internal static string Execute(string word, string reason, double now) =>
        Enum.TryParse<RunCommand>(word, ignoreCase: true, out var meant)
            ? Move(() => Practice.Execute(meant, Moment(now), reason))
            : Answers.Of([], $"\"{word}\" is not a command.");

    /// <summary>Where a command changes whose lines of the pad they are, it is told.</summary>
    private static string Move(Func<IReadOnlyList<SheetEvent>> command)
    {
        var open = Practice.Current < Practice.Runs.Count ? Practice.Runs[Practice.Current].Sheets : [];
        var before = open.ToDictionary(each => each.Id, each => Slots(each.Sheet));
        var appended = command();
        var moved = appended
            .Where(each => each.Event is RunEvent.Rotate or RunEvent.Again or RunEvent.Substitution)
            .Select(each => each.Sheet)
            .Where(before.ContainsKey)
            .ToHashSet();
        var next = open.Where(each => moved.Contains(each.Id))
            .Select(each => (each.Name, Words: TapWords.WhoIsNext(each.Sheet, before[each.Id])))
            .Where(each => each.Words.Length > 0)
            .Select(each => each.Name.Length == 0 || moved.Count == 1 ? each.Words : $"{each.Name}: {each.Words}");
        return Answers.Of(appended, null, string.Join(' ', next));
    }

    private static HashSet<PlayerId> Slots(Sheet sheet) => [.. ScoringSlots.At(sheet.Stage, sheet.UnitsOn, sheet.Floor)];

    /// <summary>What of a tap can be put right; an empty text where nothing can.</summary>
    [JSExport]
    internal static string Amendable(string sheet, string device, int n) =>
        AmendFace.Of(Practice, new SheetId(sheet), new EventId(new DeviceId(device), n)) is { } view
            ? JsonSerializer.Serialize(view, ViewJson.Default.AmendView)
            : "";

    /// <summary>Puts right what a tap said; what is empty stays as it was.</summary>
    [JSExport]
    internal static string Amend(
        string sheet,
        string device,
        int n,
        string unit,
        string outcome,
        string zone,
        bool counts,
        double now
    )
    {
        var (id, of) = (new SheetId(sheet), new EventId(new DeviceId(device), n));
        var change = new TapAmendment(Player(unit), Word(outcome), Word(zone), null, counts ? true : null);
        var fault = Practice.Amend(id, of, change, Moment(now), out var appended);
        if (fault is not null || Practice.Find(id) is not { } live)
        {
            return Answers.Of(appended, fault?.ToString());
        }

        if (appended is [.., { Event: RunEvent.Tap moved, Sheet: var to }])
        {
            return Answers.Of(appended, null, $"Put right: {RunFace.Describe(to, Practice.Find(to)!, moved)}.");
        }

        var words = RunFace.Describe(id, live, live.Log.Read(of)!);
        var stillLate = counts && live.ResultOf(of)?.Kind == EventResultKind.Late;
        return Answers.Of(appended, null, stillLate ? $"{words}: say whose it was, then it counts." : $"Put right: {words}.");

        static string? Word(string text) => text.Length == 0 ? null : text;
    }

    /// <summary>Writes something down about a unit, or with an empty text for it about the drill, with a star about the practice.</summary>
    [JSExport]
    internal static string Note(string text, string unit, double now)
    {
        var fault = Practice.Note(text, unit == "*" ? null : Player(unit), Moment(now), out var appended, unit == "*");
        return Answers.Of(appended, fault?.ToString(), fault is null ? "Written down." : "");
    }

    /// <summary>The grid of what units have counted themselves.</summary>
    [JSExport]
    internal static string OwnCounts(double now) =>
        JsonSerializer.Serialize(OwnCountFace.Of(Practice, Moment(now)), ViewJson.Default.OwnCountsView);

    /// <summary>A unit says itself how many it had.</summary>
    [JSExport]
    internal static string Count(string sheet, string unit, int count, double now)
    {
        var fault = Practice.Count(new SheetId(sheet), new PlayerId(unit), count, Moment(now), out var appended);
        return Answers.Of(appended, fault?.ToString());
    }

    /// <summary>Pins what is to be said before the next rep, to a unit or, with an empty text for it, to all.</summary>
    [JSExport]
    internal static string Cue(string text, string unit, double now)
    {
        var fault = Practice.Cue(text, Player(unit), Moment(now), out var appended);
        return Answers.Of(appended, fault?.ToString(), fault is not null || text.Trim().Length == 0 ? "" : "Pinned.");
    }

    [JSExport]
    internal static string Undo(string sheet, string device, int n, double now)
    {
        var (id, of) = (new SheetId(sheet), new EventId(new DeviceId(device), n));
        var appended = Practice.Undo(id, of, Moment(now));
        var live = Practice.Find(id);
        var words = appended.Count > 0 && live?.Log.Read(of) is { } reached ? RunFace.Describe(id, live, reached) : "";
        return Answers.Of(
            appended,
            null,
            words.Length == 0 ? ""
                : live!.Log.IsUndone(of) ? $"Taken back: {words}."
                : $"Put back: {words}."
        );
    }

    /// <summary>Changes the roster, by a change as JSON.</summary>
    [JSExport]
    internal static string ChangeRoster(string change, double now)
    {
        var file = JsonSerializer.Deserialize(change, ViewJson.Default.ChangeFile)!;
        var wished = file.Sheet is { } sheet ? new SheetId(sheet) : (SheetId?)null;
        return Move(() => Practice.ChangeRoster(new RosterChange(Player(file.Off), Player(file.In), wished), Moment(now)));
    }

    /// <summary>Who is on the drill under way and who may come in.</summary>
    [JSExport]
    internal static string Who(double now) => JsonSerializer.Serialize(WhoFace.Of(Practice, Moment(now)), ViewJson.Default.WhoView);

    /// <summary>What is looked for all practice long: how often it was seen, and of whom.</summary>
    [JSExport]
    internal static string Habits() =>
        JsonSerializer.Serialize(HabitFace.Of(Practice, _habits), ViewJson.Default.IReadOnlyListHabitView);

    /// <summary>The boards of the drill under way, one for each sheet.</summary>
    [JSExport]
    internal static string Boards(double now) =>
        JsonSerializer.Serialize(BoardFace.Of(Practice, Moment(now)), ViewJson.Default.IReadOnlyListBoardView);

    /// <summary>Appends what the clock calls for by now, and hands over what has changed on the screen since the last look.</summary>
    [JSExport]
    internal static string Look(double now)
    {
        var due = Practice.AppendDue(Moment(now));
        return _changes.To(_face!.At(Moment(now)), due);
    }

    /// <summary>As <see cref="Look"/>, of the pads and the clock alone: what is shown of a tap at once.</summary>
    [JSExport]
    internal static string Glance(double now)
    {
        var due = Practice.AppendDue(Moment(now));
        return _changes.To(_face!.GlanceAt(Moment(now)), due);
    }

    /// <summary>The whole screen.</summary>
    [JSExport]
    internal static string View(double now) => JsonSerializer.Serialize(_face!.At(Moment(now)), ViewJson.Default.PracticeView);

    /// <summary>What is left of the interval, from 0 to 1, for every frame; -1 where the clock reads differently than at the last.</summary>
    [JSExport]
    internal static double Pulse(double now) => _pulse!.At(Moment(now));

    /// <summary>The clock alone; an empty text once all drills are over.</summary>
    [JSExport]
    internal static string Clock(double now) =>
        Practice.Current < Practice.Runs.Count
            ? JsonSerializer.Serialize(
                ClockFace.Of(Practice.Runs[Practice.Current], Moment(now), _face!.Calls),
                ViewJson.Default.ClockView
            )
            : "";

    /// <summary>Has the time left called at these seconds in place of the card's; why not, or an empty text.</summary>
    [JSExport]
    internal static string CallAt(string seconds)
    {
        var read = OwnCalls.Read(seconds);
        if (!read.IsOk)
        {
            return read.Faults[0].Told;
        }

        _face!.Calls = read.Value.Count > 0 ? read.Value : null;
        return "";
    }

    /// <summary>What is to be heard later than <paramref name="from"/> and not later than <paramref name="to"/>, while the clock runs.</summary>
    [JSExport]
    internal static string Signals(double from, double to)
    {
        var signals =
            Practice.Current < Practice.Runs.Count
                ? SignalFace.Of(Practice.Runs[Practice.Current], Moment(from), Moment(to), _face!.Calls)
                : [];
        return JsonSerializer.Serialize(signals, ViewJson.Default.IReadOnlyListSignalView);
    }

    /// <summary>Whom the script means: an empty text and none are nobody.</summary>
    private static PlayerId? Player(string? id) => string.IsNullOrEmpty(id) ? null : new PlayerId(id);

    /// <summary>The instant the script means: it counts milliseconds from the run's origin, with a fraction.</summary>
    private static Instant Moment(double milliseconds) => new((long)milliseconds);

    private static void Take(string sheet, IReadOnlyList<string> lines)
    {
        if (Practice.Find(new SheetId(sheet)) is { } live && lines.Count > 0)
        {
            live.AddAll([.. lines.Select(EventReader.Read).Where(read => read.IsOk).Select(read => read.Require())]);
        }
    }
}
