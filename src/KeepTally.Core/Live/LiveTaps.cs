using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Live;

/// <summary>Commands on one sheet: taps, corrections, turns, notes, cues, counts and habits.</summary>
public sealed partial class LivePractice
{
    /// <summary>A tap on a sheet.</summary>
    public Result<IReadOnlyList<SheetEvent>> Tap(SheetId sheet, TapCommand command, Instant now) =>
        Tap(sheet, command, null, Find(sheet)?.Stamp(now) ?? now);

    /// <summary>A tap on a sheet that was made at a moment, by a device that may number its events itself.</summary>
    /// <param name="sheet">The id of the sheet.</param>
    /// <param name="command">The tap as the coach made it.</param>
    /// <param name="id">Its id; null for the next of this device.</param>
    /// <param name="at">The moment of the tap.</param>
    public Result<IReadOnlyList<SheetEvent>> Tap(SheetId sheet, TapCommand command, EventId? id, Instant at)
    {
        if (Find(sheet) is not { } live)
        {
            return Refused(new Fault("sheet", $"there is no sheet \"{sheet}\" in this practice", "reload the page"));
        }

        var tap = new RunEvent.Tap(
            id ?? NextId(live),
            at,
            command.Unit ?? JobHolder(live, command.Outcome),
            command.Outcome,
            command.Zone,
            command.Tags is { Count: > 0 } ? command.Tags : null,
            command.Value
        )
        {
            Laps = command.Laps is { Count: > 0 } ? command.Laps : null,
        };
        return live.Add(tap) is { } fault ? Refused(fault) : Appended(new SheetEvent(sheet, tap));
    }

    /// <summary>Puts right what a tap said: who, what, where, or that it counts though it was late.</summary>
    /// <param name="sheet">The id of the sheet.</param>
    /// <param name="of">The id of the tap that is corrected.</param>
    /// <param name="change">What is to be otherwise; what is left out stays.</param>
    /// <param name="now">The moment of the correction.</param>
    public Result<IReadOnlyList<SheetEvent>> Amend(SheetId sheet, EventId of, TapAmendment change, Instant now)
    {
        if (Find(sheet) is not { } live || live.Log.Find(of) is not RunEvent.Tap)
        {
            return Refused(new Fault("of", "there is no such tap on this sheet", "reload the page"));
        }

        if (
            change.Unit is { } whose
            && live.Units.All(unit => unit.Id != whose)
            && AlikeOf(sheet).FirstOrDefault(each => each.Sheet.Units.Any(unit => unit.Id == whose)) is { } right
        )
        {
            return MoveTap(sheet, live, (RunEvent.Tap)live.Log.Read(of)!, right, change, now);
        }

        var amend = new RunEvent.Amend(
            NextId(live),
            live.Stamp(now),
            of,
            change.Unit,
            change.Outcome,
            change.Zone,
            change.Value,
            change.Counts
        )
        {
            Tags = change.Tags is { Count: > 0 } ? change.Tags : null,
        };
        return live.Add(amend) is { } fault ? Refused(fault) : Appended(new SheetEvent(sheet, amend));
    }

    /// <summary>The sheets of a drill on which the same is tapped: those of its groups, in a circuit of the same station and round.</summary>
    public IReadOnlyList<RunSheet> AlikeOf(SheetId sheet)
    {
        var run = Runs.First(each => each.Sheets.Any(one => one.Id == sheet));
        var own = run.Sheets.First(each => each.Id == sheet);
        return
        [
            .. run.Sheets.Where(each =>
                each.Sheet.Card.Id == own.Sheet.Card.Id
                && each.Sheet.Head.Stage == own.Sheet.Head.Stage
                && each.Stop?.Round == own.Stop?.Round
            ),
        ];
    }

    /// <summary>A tap on the pad of the wrong group: it is taken back there, and said on the right one at the moment it was made.</summary>
    private Result<IReadOnlyList<SheetEvent>> MoveTap(
        SheetId sheet,
        Sheet live,
        RunEvent.Tap tap,
        RunSheet right,
        TapAmendment change,
        Instant now
    )
    {
        var moved = new RunEvent.Tap(
            NextId(right.Sheet),
            tap.At,
            change.Unit,
            change.Outcome ?? tap.Outcome,
            change.Zone ?? tap.Zone,
            change.Tags ?? tap.Tags,
            change.Value ?? tap.Value
        )
        {
            Laps = change.Value is null ? tap.Laps : null,
        };
        return right.Sheet.Add(moved) is { } fault
            ? Refused(fault)
            : Appended([.. Undo(sheet, live, tap.Id, now), new SheetEvent(right.Id, moved)]);
    }

    /// <summary>
    /// Writes something down about a player, or about the drill. Where players carry no score of their own the player is named in
    /// the words.
    /// </summary>
    /// <param name="text">The text.</param>
    /// <param name="player">The player the note is about; null for the whole drill.</param>
    /// <param name="now">The moment of the note.</param>
    /// <param name="ofPractice">It is about the whole practice; a player is then not named.</param>
    public Result<IReadOnlyList<SheetEvent>> Note(string text, PlayerId? player, Instant now, bool ofPractice = false)
    {
        if (text.Trim().Length == 0)
        {
            return Refused(new Fault("text", "there is nothing to write down", "write a few words"));
        }

        var run = Runs[Math.Min(Current, Runs.Count - 1)];
        var own = player is { } of ? run.Sheets.FirstOrDefault(each => each.Sheet.Units.Any(unit => unit.Id == of)) : null;
        var (id, sheet) = own is null ? (run.Sheets[0].Id, run.Sheets[0].Sheet) : (own.Id, own.Sheet);
        var words = player is { } named && own is null ? $"{run.NameOf(named)}: {text}" : text;
        var note = new RunEvent.Note(NextId(sheet), sheet.Stamp(now), words, own is null ? null : player)
        {
            OfPractice = ofPractice,
        };
        return sheet.Add(note) is { } fault ? Refused(fault) : Appended(new SheetEvent(id, note));
    }

    /// <summary>Records a unit's own count for the round that is under way or was last.</summary>
    public Result<IReadOnlyList<SheetEvent>> Count(SheetId sheet, PlayerId unit, int count, Instant now)
    {
        return Find(sheet) is { } live
            ? AddTo(sheet, new RunEvent.OwnCount(NextId(live), live.Stamp(now), unit, count, live.RoundAt(now)))
            : Refused(new Fault("sheet", $"there is no sheet \"{sheet}\" in this practice", "reload the page"));
    }

    /// <summary>
    /// What is to be said before the next rep of the drill under way, to all or to one unit; no words take it away.
    /// </summary>
    public Result<IReadOnlyList<SheetEvent>> Cue(string text, PlayerId? unit, Instant now)
    {
        var run = Runs[Math.Min(Current, Runs.Count - 1)];
        var sheet = unit is { } of ? run.Sheets.FirstOrDefault(each => each.Sheet.Units.Any(one => one.Id == of)) : run.Sheets[0];
        return sheet is null
            ? Refused(new Fault("unit", $"nobody of this drill is \"{unit}\"", "say it to all"))
            : AddTo(sheet.Id, new RunEvent.Cue(NextId(sheet.Sheet), sheet.Sheet.Stamp(now), text.Trim(), unit));
    }

    private Result<IReadOnlyList<SheetEvent>> AddTo(SheetId sheet, RunEvent said)
    {
        return _sheets[sheet].Add(said) is { } fault ? Refused(fault) : Appended(new SheetEvent(sheet, said));
    }

    /// <summary>Resolves a tap of a job's outcome to the player who has the job.</summary>
    private static PlayerId? JobHolder(Sheet live, string? outcome) =>
        live.Stage.Outcomes.FirstOrDefault(each => each.Id == outcome)?.Job is { } job ? live.HolderOf(job) : null;

    /// <summary>Moves the places of a sheet on and says who won; where two stood against each other, the other lost.</summary>
    public IReadOnlyList<SheetEvent> RotateWith(SheetId sheet, PlayerId winner, Instant now)
    {
        if (Find(sheet) is not { } live)
        {
            return [];
        }

        // Where sides play, any of the other side stands for all of them.
        var sides = live.Stage.Scores == Scorer.Side;
        var others = live
            .Floor.Contestants.Where(player =>
                sides ? live.Score.Roster.UnitOf(player) != live.Score.Roster.UnitOf(winner) : player != winner
            )
            .ToArray();
        var loser = others.Length == 1 || (sides && others.Length > 0) ? others[0] : (PlayerId?)null;
        var rotate = new RunEvent.Rotate(NextId(live), live.Stamp(now), winner, loser, null);
        live.Add(rotate);
        return [new SheetEvent(sheet, rotate)];
    }

    /// <summary>Passes the turn on a sheet, to a unit or to the next.</summary>
    public Result<IReadOnlyList<SheetEvent>> PassTurn(SheetId sheet, PlayerId? unit, Instant now)
    {
        if (Find(sheet) is not { } live)
        {
            return Refused(new Fault("sheet", $"there is no sheet \"{sheet}\" in this practice", "reload the page"));
        }

        var turn = new RunEvent.Turn(NextId(live), live.Stamp(now), unit);
        return live.Add(turn) is { } fault ? Refused(fault) : Appended(new SheetEvent(sheet, turn));
    }

    /// <summary>Something looked for all practice long was seen, of a player or of the team.</summary>
    public Result<IReadOnlyList<SheetEvent>> See(string habit, PlayerId? player, Instant now)
    {
        var run = Runs[Math.Min(Current, Runs.Count - 1)];
        var sheet = player is { } who
            ? run.Sheets.FirstOrDefault(each => each.Sheet.Score.Roster.Has(who))
                ?? run.Sheets.FirstOrDefault(each => each.Sheet.Head.Everyone.Any(member => member.Id == who))
            : run.Sheets[0];
        if (sheet is null)
        {
            return Refused(new Fault("player", $"nobody of this drill is \"{player}\"", "count it for the team"));
        }

        var unnamed = player is null ? [] : Unnamed(run, habit, now);
        var seen = new RunEvent.Habit(NextId(sheet.Sheet), sheet.Sheet.Stamp(now), habit, player);
        sheet.Sheet.Add(seen);
        return Appended([.. unnamed, new SheetEvent(sheet.Id, seen)]);
    }

    /// <summary>A tap for the team that is named shortly after counts once: the tap without a name is undone.</summary>
    private SheetEvent[] Unnamed(LiveRun run, string habit, Instant now)
    {
        var first = run.Sheets[0];
        var log = first.Sheet.Log;
        return
            Enumerable.Range(0, log.Count).Where(log.StandsAt).Select(log.ReadAt).OfType<RunEvent.Habit>().LastOrDefault()
                is { Player: null } tapped
            && tapped.Name == habit
            && tapped.Id.Device == device
            && now - tapped.At <= Naming
            ? Undo(first.Id, first.Sheet, tapped.Id, now)
            : [];
    }

    private static Result<IReadOnlyList<SheetEvent>> Appended(params IReadOnlyList<SheetEvent> events) => Result.Ok(events);

    private static Result<IReadOnlyList<SheetEvent>> Refused(Fault fault) => Result.Fail<IReadOnlyList<SheetEvent>>(fault);
}
