using KeepTally.Core.Cards;

namespace KeepTally.Core.Planning;

/// <summary>
/// Stretches or squeezes the drills of a sheet so that it fills its time and no more, each within the sense of its card; walks,
/// breaks and talks stay.
/// </summary>
public static class FitToTime
{
    /// <summary>The sheet that fits, or comes as near as its cards allow.</summary>
    /// <param name="plan">The plan of the timing sheet.</param>
    /// <param name="shelf">The cards that the plan names.</param>
    /// <param name="from">The first line that may change: what is done already stays.</param>
    /// <param name="lost">Seconds that are gone besides, where practice runs behind.</param>
    public static Plan Of(Plan plan, CardShelf shelf, int from = 0, double lost = 0)
    {
        var target = (plan.Minutes * 60) - lost;
        var open = plan
            .Blocks.Index()
            .Skip(from)
            .Where(each => each.Item is PlanBlock.Drill or PlanBlock.Circuit)
            .Select(each => (each.Index, Sense: SenseOf(each.Item, plan, shelf)))
            .ToArray();
        if (open.Length == 0)
        {
            return plan;
        }

        var fixedSeconds = Total(plan) - open.Sum(each => plan.Blocks[each.Index].Seconds);
        var share = (target - fixedSeconds) / Math.Max(1, Total(plan) - fixedSeconds);
        var fitted = plan;
        foreach (var (index, sense) in open)
        {
            fitted = Set(
                fitted,
                index,
                Math.Clamp(PlanEdits.MinutesOf(plan.Blocks[index]) * share, sense.Least, sense.Most),
                shelf
            );
        }

        // What rounding left over, or took too much, goes half a minute at a time to the line furthest from its share.
        while (Total(fitted) > target && Furthest(fitted, plan, share, open, less: true) is { } shorter)
        {
            fitted = Set(fitted, shorter, PlanEdits.MinutesOf(fitted.Blocks[shorter]) - PlanEdits.Step, shelf);
        }

        while (Furthest(fitted, plan, share, open, less: false, room: target - Total(fitted)) is { } longer)
        {
            fitted = Set(fitted, longer, PlanEdits.MinutesOf(fitted.Blocks[longer]) + PlanEdits.Step, shelf);
        }

        return fitted;
    }

    private static double Total(Plan plan) => plan.Blocks.Sum(block => block.ChangeSeconds + block.Seconds);

    /// <summary>The sense of a line; what a coach made shorter by hand may stay so.</summary>
    private static CardSense SenseOf(PlanBlock block, Plan plan, CardShelf shelf)
    {
        var sense = block is PlanBlock.Drill drill
            ? CardSense.Of(shelf.Find(drill), plan)
            : block
                .Cards.Select(card => CardSense.Of(shelf.Find(card), plan))
                .Aggregate(
                    (one, other) =>
                        new CardSense(
                            Math.Max(one.Least, other.Least),
                            Math.Max(one.Most, other.Most),
                            Math.Max(one.Usual, other.Usual)
                        )
                );
        return sense with { Least = Math.Min(sense.Least, PlanEdits.MinutesOf(block)) };
    }

    private static int? Furthest(
        Plan fitted,
        Plan before,
        double share,
        (int Index, CardSense Sense)[] open,
        bool less,
        double room = double.MaxValue
    )
    {
        int? furthest = null;
        var distance = double.NegativeInfinity;
        foreach (var (index, sense) in open)
        {
            var minutes = PlanEdits.MinutesOf(fitted.Blocks[index]);
            var next = minutes + (less ? -PlanEdits.Step : PlanEdits.Step);
            var costs = fitted.Blocks[index].WithMinutes(next).Seconds - fitted.Blocks[index].Seconds;
            var off = (minutes - (PlanEdits.MinutesOf(before.Blocks[index]) * share)) * (less ? 1 : -1);
            if (next >= sense.Least && next <= sense.Most && costs <= room && off > distance)
            {
                (furthest, distance) = (index, off);
            }
        }

        return furthest;
    }

    /// <summary>A drill with a clock of its own keeps its clock to the minutes from then on.</summary>
    private static Plan Set(Plan plan, int index, double minutes, CardShelf shelf)
    {
        var block = plan.Blocks[index].WithMinutes(minutes);
        return plan.With(
            index,
            block is PlanBlock.Drill drill && block.Seconds != plan.Blocks[index].Seconds && HasClock(drill, shelf.Find(drill))
                ? drill with
                {
                    FitsClock = true,
                }
                : block
        );
    }

    private static bool HasClock(PlanBlock.Drill drill, DrillCard? card) => BlockReport.StageOf(drill, card)?.Clock is not null;
}
