using KeepTally.Core.Cards;
using KeepTally.Core.Circuits;
using KeepTally.Core.Judgement;
using KeepTally.Core.Planning;
using KeepTally.Core.Rules.Endings;
using KeepTally.Core.Rules.Ladders;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Rules.Zones;
using KeepTally.Core.Scoring;
using KeepTally.Core.Text;
using KeepTally.Core.Time;
using KeepTally.Core.Words;

namespace KeepTally.Core.Reports;

/// <summary>A sheet of a drill that was run, with where it was kept.</summary>
/// <param name="Id">What it is known by where it is kept; empty where it is not.</param>
/// <param name="Name">The name of the group or court; empty where there was only one.</param>
/// <param name="Stop">In a circuit, where on the way round; null on the sheet that keeps its clock.</param>
/// <param name="Outcome">The sheet, scored.</param>
public sealed record KeptSheet(string Id, string Name, CircuitStop? Stop, ScoredSheet Outcome);

/// <summary>A line of the timing sheet that was run: a drill, a circuit, a break.</summary>
/// <param name="Id">What it is known by where it is kept.</param>
/// <param name="Sheets">The sheets, in order.</param>
/// <param name="Planned">What the timing sheet gave it; null where it did not say.</param>
public sealed record KeptRun(int Id, IReadOnlyList<KeptSheet> Sheets, Duration? Planned = null)
{
    /// <summary>The coach has ended it.</summary>
    public bool IsEnded => Sheets.All(sheet => sheet.Outcome.Ended);
}

/// <summary>The results of a drill: its sheets as they ended, ranked.</summary>
/// <param name="RunId">The id of the run.</param>
/// <param name="Card">The drill card.</param>
/// <param name="Stage">The stage of the card.</param>
/// <param name="Rows">The rows, in order.</param>
/// <param name="Sheets">The sheets, in order.</param>
/// <param name="Station">In a circuit, the station from 0; else null.</param>
/// <param name="Jobs">Where places move on: for how long each player had each job.</param>
/// <param name="Begun">Whether the drill was started at all.</param>
/// <param name="Habits">What was looked for all practice long and seen in the whole drill.</param>
/// <param name="Notes">What was written down in the whole drill.</param>
/// <param name="PutRight">Taps of the whole drill that were put right afterwards, a line each.</param>
/// <param name="Stops">The teaching stops of the whole drill; of a circuit, of all its stations.</param>
public sealed record DrillResult(
    int RunId,
    DrillCard Card,
    Stage Stage,
    bool Begun,
    IReadOnlyList<DrillRow> Rows,
    IReadOnlyList<DrillSheet> Sheets,
    int? Station,
    IReadOnlyList<JobRow> Jobs,
    IReadOnlyList<FreezeReport> Stops,
    IReadOnlyList<SeenRow> Habits,
    IReadOnlyList<NoteRow> Notes,
    IReadOnlyList<string> PutRight
)
{
    /// <summary>The planned time of the whole drill; null where none was planned.</summary>
    public Duration? Planned { get; init; }

    /// <summary>The wall-clock time of the whole drill.</summary>
    public Duration Took { get; init; }

    /// <summary>Its practice is still on, and it may be begun yet or go on: what stands here is how it stands so far.</summary>
    public bool StillOn { get; init; }

    /// <summary>How long each player was busy; nobody where it never ran.</summary>
    public IReadOnlyList<PlayerWork> Players { get; init; } = [];

    /// <summary>Of a ladder, what each step took, over all its sheets.</summary>
    public IReadOnlyList<RungWork> Rungs { get; init; } = [];

    /// <summary>All goes that were tapped, over all games; none where a miss is not tapped.</summary>
    public Share Goes =>
        CountsMisses ? Share.Sum(Rows.Select(row => new Share(row.Report.Successes, row.Report.Attempts))) : default;

    /// <summary>Whether misses are tapped, too.</summary>
    public bool CountsMisses => Stage.Targets is not null || Stage.Outcomes.Any(outcome => outcome.Result == OutcomeResult.Failure);

    /// <summary>The verdict: who won, drew or was first.</summary>
    public Verdict Verdict => Verdict.Of(Stage, Rows, StillOn);

    /// <summary>How often each outcome was tapped, over all.</summary>
    public IReadOnlyDictionary<string, int> Counts =>
        Rows.SelectMany(row => row.Report.Counts)
            .GroupBy(count => count.Key, StringComparer.Ordinal)
            .ToDictionary(count => count.Key, count => count.Sum(each => each.Value), StringComparer.Ordinal);

    /// <summary>The points lost by outcomes that reset the score, over all sheets.</summary>
    public IReadOnlyDictionary<string, double> Costs { get; init; } = new Dictionary<string, double>();

    /// <summary>How each unit did at the moves that were called for, sheet by sheet in the order of <see cref="Sheets"/>.</summary>
    public IReadOnlyList<IReadOnlyList<CalledRow>> Called { get; init; } = [];

    /// <summary>How each sheet went and how long it ran, in the order of <see cref="Sheets"/>.</summary>
    public IReadOnlyList<(SheetCourse Course, Duration Ran)> Courses { get; init; } = [];

    /// <summary>Returns how the unit of a row did at the moves it was called for; none where nothing was called.</summary>
    public IReadOnlyList<CalledRow> CalledOf(DrillRow row) =>
        [
            .. Sheets
                .Zip(Called)
                .Where(each => ReferenceEquals(each.First, row.Sheet))
                .SelectMany(each => each.Second)
                .Where(called => called.Unit == row.Unit.Id),
        ];

    /// <summary>Errors in order of harm.</summary>
    public IReadOnlyList<ErrorRow> Errors => ErrorRow.Of(Stage, Counts, Costs);

    /// <summary>Of how many who played, how many met the par; nobody where none is set.</summary>
    public Share Par =>
        Stage.Par is null
            ? default
            : new Share(
                Rows.Count(row => row.Played && ParWords.Of(Stage, row.Report) == ParWords.Met),
                Rows.Count(row => row.Played && ParWords.Of(Stage, row.Report).Length > 0)
            );

    /// <summary>The share of the running work that players were busy; null where it never ran.</summary>
    public double? BusyShare => PracticeReport.BusyOf(Players.Select(player => (player.Busy, player.There)));

    /// <summary>On one of its sheets more than one game was played.</summary>
    public bool IsSeries => Sheets.Any(sheet => sheet.IsSeries);

    /// <summary>The result that stands for its drill where there are several, as of a circuit.</summary>
    public bool IsFirst => Station is null or 0;

    /// <summary>The name: the card, its part where it has several, and its station in a circuit.</summary>
    public string Title =>
        Card.Name
        + (Card.Stages.Count > 1 && Stage.Name.Length > 0 ? $": {Stage.Name}" : "")
        + (Station is { } station ? $", station {station + 1}" : "");

    /// <summary>There are other rules to score it by: a house rule of the card, or a number that decides.</summary>
    public bool HasOtherRules => Card.Options.Count > 0 || Stage.Ladder is not null || Stage.Until.Count > 0;

    /// <summary>A key that is unique among the results of a practice.</summary>
    public string Key => Station is { } station ? $"{RunId}-{station}" : $"{RunId}";

    /// <summary>Nothing of a break; a drill; of a circuit each station by itself, in the order of going, over all the groups that came to it.</summary>
    public static IEnumerable<DrillResult> Of(KeptRun run) =>
        run.Sheets.Any(sheet => sheet.Outcome.Card.Id == PauseCard.Id) ? []
        : run.Sheets.Any(sheet => sheet.Stop is not null)
            ? run
                .Sheets.Where(sheet => sheet.Stop is not null)
                .GroupBy(sheet => sheet.Stop!.Value.Station)
                .OrderBy(station => station.Key)
                .Select(station => Of(run, [.. station.OrderBy(sheet => sheet.Stop!.Value.Group)]))
        : [Of(run, run.Sheets)];

    private static DrillResult Of(KeptRun run, IReadOnlyList<KeptSheet> kept)
    {
        var sheets = kept.Select(sheet => new DrillSheet(
                NameOf(sheet),
                sheet.Outcome.Head,
                sheet.Outcome.Units,
                sheet.Outcome.Begun,
                sheet.Outcome.Report
            )
            {
                Id = sheet.Id,
            })
            .ToArray();
        var (card, stage) = (kept[0].Outcome.Card, kept[0].Outcome.Stage);
        return new DrillResult(
            run.Id,
            card,
            stage,
            Array.Exists(sheets, sheet => sheet.Begun),
            DrillTable.Rank(stage, sheets),
            sheets,
            kept[0].Stop?.Station,
            [.. kept.SelectMany(sheet => sheet.Outcome.Jobs.Select(job => job with { Sheet = NameOf(sheet) }))],
            StopsOf(run),
            HabitsOf(run),
            [.. run.Sheets.SelectMany(sheet => sheet.Outcome.Notes)],
            [.. run.Sheets.SelectMany(sheet => sheet.Outcome.PutRight)]
        )
        {
            Planned = run.Planned,
            Took = TookOf(run),
            Players = [.. kept.SelectMany(sheet => sheet.Outcome.Work.Players)],
            Costs = kept.SelectMany(sheet => sheet.Outcome.Work.Costs)
                .GroupBy(cost => cost.Key, StringComparer.Ordinal)
                .ToDictionary(cost => cost.Key, cost => cost.Sum(each => each.Value), StringComparer.Ordinal),
            Rungs = RungsOf(kept),
            Called = [.. kept.Select(sheet => sheet.Outcome.Called)],
            Courses = [.. kept.Select(sheet => (sheet.Outcome.Course, sheet.Outcome.Work.Ran))],
        };
    }

    /// <summary>From when the first of its sheets was begun till the last of them was over.</summary>
    private static Duration TookOf(KeptRun run)
    {
        var begun = run.Sheets.Select(sheet => sheet.Outcome.Work).Where(work => work.Began is not null).ToArray();
        return begun.Length == 0
            ? Duration.Zero
            : Duration.Max(Duration.Zero, begun.Max(work => work.Over) - begun.Min(work => work.Began!.Value));
    }

    private static IReadOnlyList<RungWork> RungsOf(IReadOnlyList<KeptSheet> kept) =>
        [
            .. kept.SelectMany(sheet => sheet.Outcome.Work.Rungs)
                .GroupBy(rung => (rung.Rung, rung.Name))
                .OrderBy(rung => rung.Key.Rung)
                .Select(rung => new RungWork(
                    rung.Key.Rung,
                    rung.Key.Name,
                    rung.Sum(each => each.Goes),
                    rung.Sum(each => each.Cleared),
                    rung.Aggregate(Duration.Zero, (all, each) => all + each.Time)
                )),
        ];

    /// <summary>A stop is said on every sheet that ran: the one that heard most of them tells of them all.</summary>
    private static IReadOnlyList<FreezeReport> StopsOf(KeptRun run) =>
        run.Sheets.Select(sheet => sheet.Outcome.Report.Freezes).MaxBy(stops => stops.Sum(stop => stop.Count)) ?? [];

    /// <summary>The habits seen during a drill, by habit and player, on any of its sheets.</summary>
    private static IReadOnlyList<SeenRow> HabitsOf(KeptRun run) =>
        [
            .. run
                .Sheets.SelectMany(sheet =>
                    sheet.Outcome.Report.Habits.Select(seen => new SeenRow(
                        seen.Habit,
                        seen.Player is { } player ? sheet.Outcome.Head.NameOf(player) : null,
                        seen.Count
                    ))
                )
                .GroupBy(seen => (seen.Habit, seen.Player))
                .Select(seen => new SeenRow(seen.Key.Habit, seen.Key.Player, seen.Sum(each => each.Count))),
        ];

    private static string NameOf(KeptSheet sheet) => sheet.Stop is { } stop ? Letters.Of(stop.Group) : sheet.Name;
}
