using System.Globalization;
using System.Runtime.InteropServices.JavaScript;
using KeepTally.Core.Events;
using KeepTally.Core.Floor;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Scoring;
using KeepTally.Core.Time;
using KeepTally.Core.Words;
using KeepTally.Screen;

namespace KeepTally.Browser;

/// <summary>Turns a coach's commands into events; each returns its result.</summary>
internal static partial class Bridge
{
    /// <summary>Takes a touch of the pad and says why it did what it did.</summary>
    /// <param name="sheet">The id of the sheet.</param>
    /// <param name="unit">The id of the unit.</param>
    /// <param name="outcome">The id of the outcome.</param>
    /// <param name="zone">The zone; null for none.</param>
    /// <param name="tags">What else it says, as a JSON object; empty where nothing.</param>
    /// <param name="value">The number it carries; not a number where none.</param>
    /// <param name="laps">What a watch read lap by lap, with commas between; empty where nothing.</param>
    /// <param name="lastBall">When the coach asked that it be the last ball of the round before; not a number where they did not.</param>
    /// <param name="now">The present moment, in milliseconds of the shared clock.</param>
    [JSExport]
    internal static string Tap(
        string sheet,
        string? unit,
        string? outcome,
        string? zone,
        string tags,
        double value,
        string laps,
        double lastBall,
        double now
    )
    {
        var live = Practice.Find(new SheetId(sheet));
        var before = live?.Score.Snapshot(live.Stamp(Moment(now)));
        var whose = Player(unit) ?? live?.Score.Turn;
        var bests = BestsOf(new SheetId(sheet));
        var best = BestOf(live, bests, whose, live?.Stamp(Moment(now)) ?? default);
        var command = new TapCommand(
            Player(unit),
            outcome,
            zone,
            tags.Length == 0 ? null : PracticeReader.Tags(tags),
            double.IsNaN(value) ? null : value,
            laps.Length == 0 ? null : [.. laps.Split(',').Select(lap => double.Parse(lap, CultureInfo.InvariantCulture))]
        );
        var came = double.IsNaN(lastBall)
            ? Practice.Tap(new SheetId(sheet), command, Moment(now))
            : Practice.TapLastBall(new SheetId(sheet), command, Moment(lastBall));
        if (live is null || came.Value is not [{ Event: RunEvent.Tap tap }] appended)
        {
            return Answers.Of(came);
        }

        var after = live.Score.Snapshot(tap.At);
        return Answers.Of(
            appended,
            null,
            TapWords.Explain(live, tap, before!, after),
            TapMark.Of(live.ResultOf(tap.Id), before!, after, best, BestOf(live, bests, whose, tap.At))
        );
    }

    /// <summary>Moves the tap since the horn to the round before; no events where there is none.</summary>
    [JSExport]
    internal static string MoveToLastBall(double now) => Answers.Of(Practice.MoveToLastBall(Moment(now)), null);

    private static PastBests BestsOf(SheetId sheet) =>
        Practice.Runs.SelectMany(run => run.Sheets).FirstOrDefault(each => each.Id == sheet)?.Bests ?? PastBests.None;

    private static BestKind BestOf(Sheet? live, PastBests bests, PlayerId? unit, Instant at) =>
        bests.Squad is not null && unit is { } whose && live?.Score.UnitAt(whose, at) is { } report
            ? bests.Judge(live.Stage, report)
            : BestKind.None;

    /// <summary>Passes the turn to a unit, or with an empty text to the next.</summary>
    [JSExport]
    internal static string PassTurn(string sheet, string unit, double now) =>
        Answers.Of(Practice.PassTurn(new SheetId(sheet), Player(unit), Moment(now)));

    /// <summary>Another game on a sheet that is played out.</summary>
    /// <param name="sheet">The id of the sheet.</param>
    /// <param name="ends">Sides change ends first.</param>
    /// <param name="moves">Those who wait come on first.</param>
    /// <param name="now">The present moment, in milliseconds of the shared clock.</param>
    [JSExport]
    internal static string Again(string sheet, bool ends, bool moves, double now) =>
        Move(() => Practice.Again(new SheetId(sheet), ends, moves, Moment(now)));

    /// <summary>Something looked for all practice long was seen, of a player or, with an empty text, of the team.</summary>
    [JSExport]
    internal static string See(string habit, string player, double now) =>
        Answers.Of(Practice.See(habit, Player(player), Moment(now)));

    /// <summary>Moves the places of a sheet on, and says who won.</summary>
    [JSExport]
    internal static string RotateWith(string sheet, string winner, double now) =>
        Move(() => Practice.RotateWith(new SheetId(sheet), new PlayerId(winner), Moment(now)));

    /// <summary>Executes a command on the drill under way.</summary>
    /// <param name="word">One of <see cref="RunCommand"/> by name.</param>
    /// <param name="reason">The reason of a stop; empty elsewhere.</param>
    /// <param name="now">The present moment, in milliseconds of the shared clock.</param>
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

    /// <summary>Puts right what a tap said; what is empty stays as it was.</summary>
    [JSExport]
    internal static string Amend(
        string sheet,
        string device,
        int n,
        string unit,
        string outcome,
        string zone,
        string tag,
        string value,
        bool counts,
        double now
    )
    {
        var (id, of) = (new SheetId(sheet), new EventId(new DeviceId(device), n));
        var tags = tag.Length > 0 ? new Dictionary<string, string> { [tag] = value } : null;
        var change = new TapAmendment(Player(unit), Word(outcome), Word(zone), null, counts ? true : null, tags);
        var came = Practice.Amend(id, of, change, Moment(now));
        if (!came.IsOk || Practice.Find(id) is not { } live)
        {
            return Answers.Of(came);
        }

        var appended = came.Value;
        if (appended is [.., { Event: RunEvent.Tap moved, Sheet: var to }])
        {
            return Answers.Of(appended, null, $"Changed: {RunPresenter.Describe(to, Practice.Find(to)!, moved)}.");
        }

        var words = RunPresenter.Describe(id, live, live.Log.Read(of)!);
        var stillLate = counts && live.ResultOf(of)?.Kind == EventResultKind.Late;
        return Answers.Of(appended, null, stillLate ? $"{words}: choose whose it was, then it counts." : $"Changed: {words}.");

        static string? Word(string text) => text.Length == 0 ? null : text;
    }

    /// <summary>Writes something down about a unit, or with an empty text for it about the drill, with a star about the practice.</summary>
    [JSExport]
    internal static string Note(string text, string unit, double now) =>
        Answers.Of(Practice.Note(text, unit == "*" ? null : Player(unit), Moment(now), unit == "*"), "Saved.");

    /// <summary>A unit says itself how many it had.</summary>
    [JSExport]
    internal static string Count(string sheet, string unit, int count, double now) =>
        Answers.Of(Practice.Count(new SheetId(sheet), new PlayerId(unit), count, Moment(now)));

    /// <summary>Pins what is to be said before the next rep, to a unit or, with an empty text for it, to all.</summary>
    [JSExport]
    internal static string Cue(string text, string unit, double now) =>
        Answers.Of(Practice.Cue(text, Player(unit), Moment(now)), text.Trim().Length == 0 ? "" : "Pinned.");

    [JSExport]
    internal static string Undo(string sheet, string device, int n, double now)
    {
        var (id, of) = (new SheetId(sheet), new EventId(new DeviceId(device), n));
        var appended = Practice.Undo(id, of, Moment(now));
        var live = Practice.Find(id);
        var words = appended.Count > 0 && live?.Log.Read(of) is { } reached ? RunPresenter.Describe(id, live, reached) : "";
        return Answers.Of(
            appended,
            null,
            words.Length == 0 ? ""
                : live!.Log.IsUndone(of) ? $"Undone: {words}."
                : $"Restored: {words}."
        );
    }

    /// <summary>Changes the roster, by a change as JSON.</summary>
    [JSExport]
    internal static string ChangeRoster(string change, double now)
    {
        var file = PracticeReader.Change(change);
        var wished = file.Sheet is { } sheet ? new SheetId(sheet) : (SheetId?)null;
        return Move(() => Practice.ChangeRoster(new RosterChange(Player(file.Off), Player(file.In), wished), Moment(now)));
    }
}
