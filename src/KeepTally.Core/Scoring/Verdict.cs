using KeepTally.Core.Cards;
using KeepTally.Core.Rules.Measures;

namespace KeepTally.Core.Scoring;

/// <summary>
/// Who won, drew or was first in a drill, and how: worked out here alone, from its ranked rows. Pad, board, results, report and
/// files say this and nothing else. Source: docs/formats.md, section 2, "Results".
/// </summary>
/// <param name="Stage">What was played.</param>
/// <param name="Kind">What there is to say.</param>
/// <param name="Top">Whom it is said of: the winner, those level at the top, the only one who had a go; empty where nobody is named.</param>
/// <param name="Ranked">Everyone who is ranked, the first of them first.</param>
/// <param name="IsOpen">It may change yet: the drill is still on.</param>
public sealed record Verdict(
    Stage Stage,
    VerdictKind Kind,
    IReadOnlyList<DrillRow> Top,
    IReadOnlyList<DrillRow> Ranked,
    bool IsOpen
)
{
    /// <summary>The winner or the first; null where no unit is alone in front.</summary>
    public DrillRow? First => Kind is VerdictKind.Won or VerdictKind.First ? Top[0] : null;

    /// <summary>A match on several courts is won on each by itself: the verdict of every court; else empty.</summary>
    public IReadOnlyList<Verdict> Courts { get; init; } = [];

    /// <summary>The verdict of a drill.</summary>
    /// <param name="stage">The stage of the card.</param>
    /// <param name="rows">Its rows as <see cref="DrillTable.Rank"/> leaves them.</param>
    /// <param name="open">Whether it may be begun yet or go on.</param>
    public static Verdict Of(Stage stage, IReadOnlyList<DrillRow> rows, bool open)
    {
        DrillSheet[] sheets = [.. rows.Select(row => row.Sheet).Distinct()];
        if (stage.Play == Play.Match && sheets.Length > 1)
        {
            return new Verdict(stage, VerdictKind.ByCourt, [], [], open)
            {
                Courts =
                [
                    .. sheets.OrderBy(sheet => sheet.Name, StringComparer.Ordinal).Select(sheet => OfSheet(stage, sheet, open)),
                ],
            };
        }

        DrillRow[] ranked = [.. rows.Where(row => row.Rank is not null)];
        DrillRow[] top = [.. ranked.Where(row => row.Rank == 1)];
        return rows.Any(row => row.Sheet.Begun) switch
        {
            _ when stage.Scores == Scorer.None => new Verdict(stage, VerdictKind.NoScores, [], [], open),
            false => new Verdict(stage, VerdictKind.NotBegun, [], [], open),
            _ when !rows.Any(row => row.Report.HadGo || row.IsWinner) => new Verdict(
                stage,
                VerdictKind.NobodyHadGo,
                [],
                ranked,
                open
            ),
            _ when rows.Count == 1 => new Verdict(stage, VerdictKind.Alone, [], ranked, open),
            _ when ranked.Length == 1 => new Verdict(stage, VerdictKind.OnlyOneHadGo, ranked, ranked, open),
            _ when top.Length > 1 => new Verdict(stage, VerdictKind.Level, top, ranked, open),
            _ => new Verdict(stage, top[0].IsWinner ? VerdictKind.Won : VerdictKind.First, top, ranked, open),
        };
    }

    /// <summary>The verdict of one sheet by itself.</summary>
    public static Verdict OfSheet(Stage stage, DrillSheet sheet, bool open) => Of(stage, DrillTable.Rank(stage, [sheet]), open);

    /// <summary>The first measure by which the first and the next differ; null where none does.</summary>
    public Measure? Decider =>
        Ranked is [var first, var second, ..]
            ? Measures.FirstOrDefault(measure => first.Report.Value(measure) is { } value && value != second.Report.Value(measure))
            : null;

    private IReadOnlyList<Measure> Measures => DrillTable.MeasuresOf(Stage, Ranked);
}

/// <summary>The kinds of verdict.</summary>
public enum VerdictKind
{
    /// <summary>No scores are kept.</summary>
    NoScores,

    /// <summary>The drill was not started.</summary>
    NotBegun,

    /// <summary>It was started, and nobody had a go.</summary>
    NobodyHadGo,

    /// <summary>There is only one who carries a score: nobody to be compared with.</summary>
    Alone,

    /// <summary>Of several only one had a go.</summary>
    OnlyOneHadGo,

    /// <summary>Several share the top.</summary>
    Level,

    /// <summary>One is ranked first, alone.</summary>
    First,

    /// <summary>A match on several courts: each has a verdict of its own.</summary>
    ByCourt,

    /// <summary>One has won: a match that was played out, or a drill that an outcome won at once.</summary>
    Won,
}
