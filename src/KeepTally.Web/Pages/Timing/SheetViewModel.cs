using KeepTally.Core.Cards;
using KeepTally.Core.Planning;
using KeepTally.Store.Planning;

namespace KeepTally.Web.Pages.Timing;

/// <summary>A timing sheet as it is shown: its lines, what does not fit, and what can be done about it.</summary>
public sealed record SheetViewModel(
    OpenPlan Open,
    PlanReport Report,
    IReadOnlyList<SheetLine> Lines,
    IReadOnlyList<SheetWarning> Warnings
)
{
    public Plan Plan => Open.Plan;

    /// <summary>
    /// What to carry: of each thing how many it takes, how many there are (null where that is not written down), and how many of
    /// them are borrowed.
    /// </summary>
    public IReadOnlyList<(string Item, int Needed, int? Have, int Borrowed)> Carried =>
        [
            .. Needs
                .Carried(Plan, Open.Shelf)
                .Where(each => each.Value > 0)
                .Select(each =>
                    (
                        each.Key,
                        each.Value,
                        Plan.Equipment is { } have ? have.GetValueOrDefault(each.Key) : (int?)null,
                        PlanRows.Borrowed(Open.Practice).GetValueOrDefault(each.Key)
                    )
                ),
        ];

    public Balance Balance => Balance.Of([Plan], Open.Shelf);

    /// <summary>How hard and how busy the practice is from beginning to end.</summary>
    public PlanCourse Course => PlanCourse.Of(Report, Open.Shelf);

    /// <summary>Drills in reserve, each with its name.</summary>
    public IReadOnlyList<(string Card, string Name)> Reserve =>
        [.. Plan.Reserve.Select(card => (card, Open.Shelf.Find(card)?.Name ?? card))];

    public static SheetViewModel Of(OpenPlan open)
    {
        var report = PlanReport.Of(open.Plan, open.Shelf);
        var fixes = new PlanFixes(open.Plan, open.Shelf, open.Spares);
        var warnings = report.Warnings.ToLookup(warning => warning.Block, warning => new SheetWarning(warning, fixes.For(warning)));
        return new SheetViewModel(
            open,
            report,
            [
                .. report.Blocks.Select(block =>
                {
                    var begun = open.Begun.Contains(block.Block.Key ?? 0);
                    return new SheetLine(
                        block,
                        open.Shelf.NameOf(block.Block),
                        report.At(block.From),
                        report.At(block.To),
                        open.Shelf.EffortOf(block.Block),
                        begun ? [] : [.. warnings[block.Index]],
                        begun ? null : StandingAbout.Best(open.Plan, block.Index, open.Shelf, open.Plan.Reserve),
                        begun
                    )
                    {
                        VersusNumbers = NumbersOf(open, block.Block),
                    };
                }),
            ],
            [.. warnings[null]]
        );
    }

    private static IReadOnlyList<int> NumbersOf(OpenPlan open, PlanBlock block) =>
        block is PlanBlock.Drill drill && open.Shelf.Find(drill) is { } card
            ? VersusChoice.Numbers(card.Stages[Math.Min(drill.Stage ?? 0, card.Stages.Count - 1)])
            : [];
}
