using KeepTally.Core.Circuits;
using KeepTally.Core.Clock;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Planning;
using KeepTally.Core.Scoring;
using KeepTally.Core.Time;

namespace KeepTally.Core.Live;

/// <summary>
/// A drill being done live: its sheets, which share one clock. Commands to the clock reach every sheet alike. In a circuit one
/// sheet keeps the clock and where each group is, and each stop has a sheet of its own, opened and closed by that clock.
/// </summary>
/// <param name="name">The name of the drill.</param>
/// <param name="sheets">The sheets of the run, in order.</param>
/// <param name="planned">How long the timing sheet gives it, or null.</param>
public sealed class LiveRun(string name, IReadOnlyList<RunSheet> sheets, Duration? planned = null)
{
    /// <summary>The name of the drill.</summary>
    public string Name { get; } = name;

    /// <summary>Its sheets, in their order.</summary>
    public IReadOnlyList<RunSheet> Sheets { get; } = sheets;

    /// <summary>How long the timing sheet gives it, or null.</summary>
    public Duration? Planned { get; } = planned;

    /// <summary>When it is to begin by the timing sheet; null where that does not say.</summary>
    public Instant? PlannedStart { get; init; }

    /// <summary>When it was begun; null before.</summary>
    public Instant? Began => Clocks.Min(sheet => sheet.Score.FirstBegan);

    /// <summary>Whether it is a break or a talk, in which nothing is counted.</summary>
    public bool IsPause { get; } = sheets.Count > 0 && sheets[0].Sheet.Card.Id == PauseCard.Id;

    /// <summary>By how much it has outrun what it was given, pauses and teaching stops counted; null while it has not.</summary>
    public Duration? OverBy(Instant at)
    {
        if (Planned is not { } given || Began is not { } began)
        {
            return null;
        }

        return at - began > given ? at - began - given : null;
    }

    /// <summary>The sheet that keeps a circuit's clock, or null where the drill is no circuit.</summary>
    public RunSheet? Circuit { get; } = sheets.Any(each => each.Stop is not null) ? sheets.First(each => each.Stop is null) : null;

    /// <summary>The name of any player on its sheets or benches.</summary>
    public string NameOf(PlayerId player) =>
        Sheets.Select(each => each.Sheet.Head.NameOf(player)).FirstOrDefault(name => name != player.Value, player.Value);

    /// <summary>The call name of any player on its sheets or benches.</summary>
    public string CallNameOf(PlayerId player) =>
        Sheets.FirstOrDefault(each => each.Sheet.Head.NameOf(player) != player.Value)?.Sheet.CallNameOf(player) ?? player.Value;

    /// <summary>
    /// The sheet whose clock is shown: a circuit's own, else the first that is not done.
    /// </summary>
    public Sheet Lead(Instant at) =>
        Circuit?.Sheet ?? Sheets.FirstOrDefault(each => !each.Sheet.Score.IsDoneAt(at), Sheets[0]).Sheet;

    /// <summary>Whether its clock was ever started.</summary>
    public bool IsStarted => Clocks.Any(sheet => sheet.Score.Clock.IsStarted);

    /// <summary>Whether its clock stands since a pause.</summary>
    public bool IsPaused => Clocks.Any(sheet => sheet.Score.Clock.IsPaused);

    /// <summary>Every sheet is done by its own rules or by the clock. A circuit goes on until its clock is over.</summary>
    public bool IsDone(Instant at) => Clocks.All(sheet => sheet.Score.IsDoneAt(at));

    /// <summary>
    /// Who has won or is first in the whole drill, over all its sheets, at a moment; null of a break, and of a circuit, whose stations
    /// have each their own.
    /// </summary>
    public Verdict? VerdictAt(Instant at) =>
        IsPause || Circuit is not null || Sheets.Count == 0
            ? null
            : Verdict.Of(
                Sheets[0].Sheet.Stage,
                DrillTable.Rank(
                    Sheets[0].Sheet.Stage,
                    [
                        .. Sheets.Select(each => new DrillSheet(
                            each.Name,
                            each.Sheet.Head,
                            each.Sheet.Units,
                            each.Sheet.Score.Clock.IsStarted,
                            each.Sheet.ReportAt(at)
                        )),
                    ]
                ),
                open: !IsDone(at)
            );

    /// <summary>The coach has ended the drill: every sheet holds an end that stands.</summary>
    public bool IsEnded => Sheets.All(each => each.Sheet.Ended is not null);

    /// <summary>The interval of the clock at a moment, with what is left of it; null without a clock or before the start.</summary>
    public (Interval Interval, ClockTime Elapsed)? ClockAt(Instant at)
    {
        var lead = Lead(at);
        if (lead.Timeline is not { } timeline || !lead.Score.Clock.IsStarted)
        {
            return null;
        }

        var elapsed = lead.Score.Clock.At(at);
        return (timeline.At(elapsed), elapsed);
    }

    /// <summary>The round of a circuit under way, from 1; a change-over belongs to the round before it.</summary>
    public int RoundAt(Instant at) => ClockAt(at)?.Interval.Round ?? 1;

    /// <summary>The sheets tapped at a moment: all of them, in a circuit those of the round.</summary>
    public IEnumerable<RunSheet> OpenAt(Instant at) =>
        Circuit is null ? Sheets : Sheets.Where(each => each.Stop is { } stop && stop.Round == RoundAt(at));

    /// <summary>
    /// Sheets by the players they share, the round under way first: each alone, in a circuit all that a group still has
    /// before it.
    /// </summary>
    public IReadOnlyList<IReadOnlyList<RunSheet>> LanesAt(Instant at) =>
        Circuit is null
            ? [.. Sheets.Select(sheet => new[] { sheet })]
            :
            [
                .. Sheets
                    .Where(each => each.Stop is { } stop && stop.Round >= RoundAt(at))
                    .GroupBy(each => each.Stop!.Value.Group)
                    .OrderBy(lane => lane.Key)
                    .Select(lane => lane.OrderBy(each => each.Stop!.Value.Round).ToArray()),
            ];

    /// <summary>Returns the clock events due by a moment that the logs do not have yet, for every sheet.</summary>
    public IEnumerable<SheetEvent> Due(Instant at) =>
        Sheets.SelectMany(each =>
            (each.Stop is { } stop ? DueAt(each.Sheet, stop, at) : [])
                .Concat(each.Sheet.Due(at))
                .Select(runEvent => new SheetEvent(each.Id, runEvent))
        );

    /// <summary>
    /// The sheets on which another game begins when one is asked for on a sheet; none while it cannot. A clock on the card is one
    /// clock for all: its sheets begin together. A station has its own.
    /// </summary>
    public IReadOnlyList<RunSheet> AgainWith(SheetId id, Instant at)
    {
        if (
            Sheets.FirstOrDefault(each => each.Id == id) is not { } sheet
            || sheet == Circuit
            || !sheet.Sheet.Score.IsPlayedOutAt(at)
            || (sheet.Stop is not null && HasStood(sheet))
        )
        {
            return [];
        }

        return sheet.Stop is not null || sheet.Sheet.Timeline is null ? [sheet]
            : Sheets.All(each => each.Sheet.Score.IsPlayedOutAt(at)) ? Sheets
            : [];
    }

    /// <summary>The clock of a stop stands since the work of its round is over: it is not for a coach to let it go on.</summary>
    public static bool HasStood(RunSheet each) => CircuitClock.HasStood(each.Sheet.Log);

    /// <summary>Whether a command to the clock does something on one of its sheets at a moment.</summary>
    public bool Can(RunCommand word, Instant at) => Sheets.Any(each => ClockCommands.Can(word, this, each, at));

    /// <summary>Returns the events of the circuit's clock at a stop; none once the coach has ended the circuit.</summary>
    private IEnumerable<RunEvent> DueAt(Sheet sheet, CircuitStop stop, Instant at) =>
        Circuit!.Sheet is { Ended: null, Timeline: { } timeline } circuit
            ? CircuitClock.Due(circuit.Score.Clock, timeline, sheet.Log, stop.Round, at)
            : [];

    /// <summary>The sheets that stand for the drill as a whole.</summary>
    private IEnumerable<Sheet> Clocks => Circuit is { } circuit ? [circuit.Sheet] : Sheets.Select(each => each.Sheet);
}
