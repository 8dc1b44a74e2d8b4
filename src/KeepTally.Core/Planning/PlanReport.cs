using KeepTally.Core.Cards;

namespace KeepTally.Core.Planning;

/// <summary>The arithmetic of a timing sheet: when everything is, how busy players are, what does not fit. Source: docs/formats.md, section 5.</summary>
/// <param name="Plan">The plan of the timing sheet.</param>
/// <param name="Total">Seconds of all lines and what comes before them.</param>
/// <param name="Slack">Seconds left over; below nought where the sheet does not fit.</param>
/// <param name="Blocks">The reports of the blocks, in order.</param>
/// <param name="Warnings">The warnings, the worst first.</param>
public sealed record PlanReport(
    Plan Plan,
    double Total,
    double Slack,
    IReadOnlyList<BlockReport> Blocks,
    IReadOnlyList<PlanWarning> Warnings
)
{
    /// <summary>When the last line is over, by the clock on the wall.</summary>
    public TimeOnly End => At(Total);

    /// <summary>The time on the wall so many seconds into the practice.</summary>
    public TimeOnly At(double seconds) => Plan.Start.Add(TimeSpan.FromSeconds(seconds));

    /// <summary>Works a sheet out.</summary>
    public static PlanReport Of(Plan plan, CardShelf shelf)
    {
        var at = 0.0;
        var blocks = new List<BlockReport>();
        foreach (var (index, block) in plan.Blocks.Index())
        {
            var from = at + block.ChangeSeconds;
            at = from + block.Seconds;
            blocks.Add(new BlockReport(index, block, from - block.ChangeSeconds, from, at, [], [], null).Filled(plan, shelf));
        }

        return new PlanReport(plan, at, (plan.Minutes * 60) - at, blocks, PlanCheck.Of(plan, shelf));
    }
}

/// <summary>The arithmetic of one line.</summary>
/// <param name="Index">Its place on the sheet, from 0.</param>
/// <param name="Block">The block reported on.</param>
/// <param name="ChangeFrom">When what comes before it begins, in seconds from the start.</param>
/// <param name="From">When it begins itself.</param>
/// <param name="To">When it is over.</param>
/// <param name="GroupSizes">The sizes of its groups, larger first; empty at a break or a talk.</param>
/// <param name="Drills">What is done in it and how busy players are: one drill, or each station.</param>
/// <param name="SuggestedGroups">How many groups would suit a drill best; null where none does.</param>
public sealed record BlockReport(
    int Index,
    PlanBlock Block,
    double ChangeFrom,
    double From,
    double To,
    IReadOnlyList<int> GroupSizes,
    IReadOnlyList<DrillReport> Drills,
    int? SuggestedGroups
)
{
    /// <summary>
    /// How busy players are: of a drill the share who are doing something, of a circuit the mean over its groups and turns, where
    /// groups that rest do nothing. Null of a break, a talk, and a card that is not known.
    /// </summary>
    public decimal? ActiveShare =>
        Block switch
        {
            PlanBlock.Circuit circuit => Activity.Round(
                Drills.Sum(drill => drill.Activity?.ExactShare ?? 0) / Math.Max(circuit.Stations.Count, circuit.GroupCount)
            ),
            _ => Drills is [{ Activity: { } busy }] ? busy.ActiveShare : null,
        };

    internal BlockReport Filled(Plan plan, CardShelf shelf)
    {
        switch (Block)
        {
            case PlanBlock.Drill drill:
                var card = shelf.Played(drill, plan.Players);
                var stage = StageOf(drill, card);
                return this with
                {
                    GroupSizes = EvenGroups.Sizes(plan.Players, drill.Groups),
                    Drills =
                    [
                        Of(
                            drill.Card,
                            card,
                            stage,
                            drill.Seconds,
                            stage is null ? 0 : SharedFloor.Players(stage, plan.Players, drill.Groups)
                        ),
                    ],
                    SuggestedGroups = shelf.Find(drill) is { } written
                        ? SuggestedCount.For(plan, written, CardShelf.StageOf(drill, written))
                        : null,
                };
            case PlanBlock.Circuit circuit:
                var largest = EvenGroups.Largest(plan.Players, circuit.GroupCount);
                return this with
                {
                    GroupSizes = EvenGroups.Sizes(plan.Players, circuit.GroupCount),
                    Drills =
                    [
                        .. circuit.Stations.Select(id =>
                        {
                            var station = shelf.PlayedAt(id, plan.Players, circuit.GroupCount);
                            return Of(id, station, station?.Stages[0], circuit.WorkSeconds, largest);
                        }),
                    ],
                };
            case PlanBlock.Break or PlanBlock.Talk:
                return this;
            default:
                throw new InvalidOperationException("A line no sheet knows.");
        }
    }

    /// <summary>The stage of its card a drill is judged by: the one it names, else the first.</summary>
    internal static Stage? StageOf(PlanBlock.Drill drill, DrillCard? card) => card?.Stages[CardShelf.StageOf(drill, card)];

    private static DrillReport Of(string id, DrillCard? card, Stage? stage, double seconds, int group) =>
        new(id, card, card is null ? null : Activity.Of(card, stage!, seconds, group));
}

/// <summary>A drill of a line and how busy its players are; null where the card is not known.</summary>
public sealed record DrillReport(string Id, DrillCard? Card, Activity? Activity);
