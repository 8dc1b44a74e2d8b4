using KeepTally.Core.Judgement;
using KeepTally.Core.Planning;
using KeepTally.Core.Scoring;
using KeepTally.Core.Time;
using KeepTally.Core.Words;

namespace KeepTally.Core.Reports;

/// <summary>A practice on one page.</summary>
/// <param name="Title">The title.</param>
/// <param name="Team">The name of the team.</param>
/// <param name="Date">The day of the practice.</param>
/// <param name="Drills">The results, drill by drill.</param>
/// <param name="Players">What each player did in all.</param>
/// <param name="Planned">What the timing sheet gave all that was begun, breaks too; null where it did not say of all of it.</param>
/// <param name="Took">From the first start till the last end.</param>
/// <param name="Breaks">Breaks and talks, of that.</param>
public sealed record PracticeReport(
    string Title,
    string Team,
    DateOnly Date,
    IReadOnlyList<DrillResult> Drills,
    IReadOnlyList<PlayerTotal> Players,
    Duration? Planned,
    Duration Took,
    Duration Breaks
)
{
    /// <summary>Whether it is still on: the figures are those so far.</summary>
    public bool StillOn => Drills.Any(drill => drill.StillOn);

    /// <summary>The teaching stops of the whole practice.</summary>
    public IReadOnlyList<FreezeReport> Stops => StopWords.Together(Firsts.SelectMany(drill => drill.Stops));

    /// <summary>The habits of the practice, one line each.</summary>
    public IReadOnlyList<string> Habits => SeenRow.Lines(Firsts.SelectMany(drill => drill.Habits));

    /// <summary>The notes about the whole practice.</summary>
    public IReadOnlyList<NoteRow> Notes => [.. Firsts.SelectMany(drill => drill.Notes).Where(note => note.OfPractice)];

    /// <summary>All goes of the practice, of groups and sides too.</summary>
    public Share Goes => Share.Sum(Drills.Select(drill => drill.Goes));

    /// <summary>The share of the running work that players were busy; null where nothing ran.</summary>
    public double? BusyShare => BusyOf(Players.Select(player => (player.Busy, player.There)));

    /// <summary>Throws and the like, by kind, of all players.</summary>
    public IReadOnlyDictionary<string, int> Loads =>
        Players
            .SelectMany(player => player.Loads)
            .GroupBy(load => load.Key, StringComparer.Ordinal)
            .ToDictionary(load => load.Key, load => load.Sum(each => each.Value), StringComparer.Ordinal);

    private IEnumerable<DrillResult> Firsts => Drills.Where(drill => drill.IsFirst);

    /// <param name="title">The title.</param>
    /// <param name="team">The name of the team.</param>
    /// <param name="date">The day of the practice.</param>
    /// <param name="runs">All that was on the timing sheet, in its order.</param>
    /// <param name="stillOn">Whether what has not been ended may be begun yet, or go on.</param>
    public static PracticeReport Of(string title, string team, DateOnly date, IReadOnlyList<KeptRun> runs, bool stillOn = false)
    {
        var begun = runs.Where(run => run.Sheets.Any(sheet => sheet.Outcome.Begun)).ToArray();
        var works = begun.SelectMany(run => run.Sheets).Select(sheet => sheet.Outcome.Work).Where(work => work.Began is not null);
        return new PracticeReport(
            title,
            team,
            date,
            [.. runs.SelectMany(run => DrillResult.Of(run).Select(drill => drill with { StillOn = stillOn && !run.IsEnded }))],
            PlayerTotal.Of(runs.SelectMany(run => run.Sheets).Where(sheet => IsDrill(sheet)).Select(sheet => sheet.Outcome)),
            Array.TrueForAll(begun, run => run.Planned is not null)
                ? begun.Aggregate(Duration.Zero, (all, run) => all + run.Planned!.Value)
                : null,
            begun.Length == 0 ? Duration.Zero : works.Max(work => work.Over) - works.Min(work => work.Began!.Value),
            begun
                .Where(run => !run.Sheets.Any(IsDrill))
                .Aggregate(Duration.Zero, (all, run) => all + run.Sheets[0].Outcome.Work.Took)
        );
    }

    /// <summary>The busy share of some players; null where nothing ran.</summary>
    internal static double? BusyOf(IEnumerable<(Duration Busy, Duration There)> players)
    {
        var (busy, there) = players.Aggregate(
            (Busy: 0L, There: 0L),
            (sum, each) => (sum.Busy + each.Busy.Milliseconds, sum.There + each.There.Milliseconds)
        );
        return there == 0 ? null : (double)busy / there;
    }

    private static bool IsDrill(KeptSheet sheet) =>
        sheet.Outcome.Card.Id != PauseCard.Id && sheet.Outcome.Card.Id != Circuits.CircuitCard.Id;
}
