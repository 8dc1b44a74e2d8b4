using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Scoring;
using KeepTally.Core.Words;

namespace KeepTally.Core.Reports;

/// <summary>How a sheet ended, or stands so far.</summary>
/// <param name="Card">The drill card.</param>
/// <param name="Stage">The stage of the card.</param>
/// <param name="Begun">Whether it was started at all.</param>
/// <param name="Head">The head of the log: drill, stage, rules and units.</param>
/// <param name="Units">The units, in order.</param>
/// <param name="Report">The report of the score.</param>
/// <param name="Jobs">Where places move on: for how long each player had each job.</param>
/// <param name="Notes">The notes.</param>
/// <param name="PutRight">Taps that were put right afterwards, a line each.</param>
/// <param name="Work">How long it took, and how long of that players were busy.</param>
public sealed record ScoredSheet(
    DrillCard Card,
    Stage Stage,
    bool Begun,
    LogHead Head,
    IReadOnlyList<Unit> Units,
    ScoreReport Report,
    IReadOnlyList<JobRow> Jobs,
    IReadOnlyList<NoteRow> Notes,
    IReadOnlyList<string> PutRight,
    SheetWork Work
)
{
    /// <summary>The coach has ended it.</summary>
    public bool Ended { get; init; }

    /// <summary>How each unit did at the moves that were called for; none where nothing is called.</summary>
    public IReadOnlyList<CalledRow> Called { get; init; } = [];

    /// <summary>How it went, tap by tap, for pictures.</summary>
    public required SheetCourse Course { get; init; }

    /// <summary>A sheet as its log leaves it.</summary>
    /// <param name="live">The sheet as it was replayed.</param>
    /// <param name="id">What the sheet is known by; null where it is kept nowhere.</param>
    public static ScoredSheet Of(Sheet live, SheetId? id = null) =>
        new(
            live.Card,
            live.Stage,
            live.Score.Clock.IsStarted,
            live.Head,
            live.Units,
            live.Score.Report(live.Log.LastAt),
            JobsOf(live),
            NotesOf(live),
            PutRightOf(live),
            SheetWork.Of(live)
        )
        {
            Ended = live.Ended is not null,
            Called = CalledLog.Of(live, id),
            Course = new SheetCourse(live.Card, live.Head, live.Log),
        };

    /// <summary>The notes of the coach, and whom they are about.</summary>
    private static NoteRow[] NotesOf(Sheet live) =>
        [
            .. Standing(live)
                .OfType<RunEvent.Note>()
                .Select(note => new NoteRow(
                    note.Unit is { } unit ? live.Head.NameOf(unit) : null,
                    note.Text,
                    BreakWords.At(live, note.At),
                    note.OfPractice
                )),
        ];

    /// <summary>Taps that were put right afterwards, as they read now and as they read first.</summary>
    private static string[] PutRightOf(Sheet live) =>
        [
            .. Standing(live)
                .OfType<RunEvent.Tap>()
                .Select(tap => (Now: TapLine.Of(live, tap), How: TapLine.PutRight(live, tap)))
                .Where(each => each.How.Length > 0)
                .Select(each => $"{each.Now}, {each.How}"),
        ];

    private static IEnumerable<RunEvent> Standing(Sheet live) =>
        Enumerable.Range(0, live.Log.Count).Where(live.Log.StandsAt).Select(live.Log.ReadAt);

    /// <summary>The jobs of every player where places move on; empty for a sheet that was never started.</summary>
    private static JobRow[] JobsOf(Sheet live) =>
        live.Stage.Moves.Count == 0 || !live.Score.Clock.IsStarted
            ? []
            :
            [
                .. live
                    .Floor.Stood.Select(player => new JobRow(
                        "",
                        live.Head.NameOf(player),
                        JobWords.Done(live, live.JobsOf(player, live.Log.LastAt))
                    ))
                    .Where(row => row.Jobs.Length > 0),
            ];
}

/// <summary>Something a coach wrote down while a drill was run.</summary>
/// <param name="Player">Of whom, by name; null of the drill.</param>
/// <param name="Text">The text of the note.</param>
/// <param name="When">"at half-time" or "in the break", where it was; else empty.</param>
/// <param name="OfPractice">It is about the whole practice.</param>
public sealed record NoteRow(string? Player, string Text, string When, bool OfPractice);

/// <summary>The jobs of a player in a drill, in words.</summary>
/// <param name="Sheet">The name of the group or court; empty where there was only one.</param>
/// <param name="Player">The player's name.</param>
/// <param name="Jobs">The time in each job, in words.</param>
public sealed record JobRow(string Sheet, string Player, string Jobs);
