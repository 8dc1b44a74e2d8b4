using System.Globalization;
using KeepTally.Core.Cards;
using KeepTally.Core.Text;
using KeepTally.Core.Time;

namespace KeepTally.Core.Planning;

/// <summary>The warnings of a sheet, in the order of docs/formats.md, section 5.</summary>
internal static class PlanCheck
{
    /// <summary>Minutes of effort of 3 or more that go without a break.</summary>
    internal const double ThirstyMinutes = 20;

    /// <summary>The effort from which players are thirsty.</summary>
    internal const int ThirstyEffort = 3;

    /// <summary>By how much effort may rise from one drill to the next.</summary>
    internal const int EffortStep = 2;

    internal static IReadOnlyList<PlanWarning> Of(Plan plan, CardShelf shelf)
    {
        var water = WhereWaterIsDue(plan, shelf);
        var warnings = new List<PlanWarning>();
        int? before = null;
        foreach (var (index, block) in plan.Blocks.Index())
        {
            var effort = shelf.EffortOf(block);
            warnings.AddRange(OfBlock(plan, shelf, index, block));
            if (water.Contains(index))
            {
                warnings.Add(
                    new PlanWarning(
                        WarningCode.NoWater,
                        index,
                        $"More than {ThirstyMinutes:0} minutes of hard work without water by the end of {shelf.NameOf(block)}."
                    )
                );
            }

            if (effort - before > EffortStep)
            {
                warnings.Add(
                    new PlanWarning(
                        WarningCode.HardJump,
                        index,
                        $"{shelf.NameOf(block)} jumps from effort {before} to {effort} at once."
                    )
                );
            }

            warnings.AddRange(Unknown(plan, shelf, index, block));
            before = effort ?? before;
        }

        warnings.AddRange(OfSheet(plan, shelf));
        return warnings;
    }

    private static IEnumerable<PlanWarning> OfBlock(Plan plan, CardShelf shelf, int index, PlanBlock block)
    {
        (double Minutes, int Groups)? work = block switch
        {
            PlanBlock.Circuit circuit => (circuit.MinutesEach, circuit.GroupCount),
            PlanBlock.Drill drill => (drill.Minutes, drill.Groups),
            PlanBlock.Break or PlanBlock.Talk => null,
            _ => throw new InvalidOperationException("A line no sheet knows."),
        };
        if (work is not var (minutes, groups))
        {
            yield break;
        }

        var name = shelf.NameOf(block);
        if (minutes > plan.LongestDrill)
        {
            yield return new PlanWarning(
                WarningCode.LongDrill,
                index,
                $"{name} takes {Figure(minutes)} minutes{(block is PlanBlock.Circuit ? " at each station" : "")}; {Figure(plan.LongestDrill!.Value)} is the most here."
            );
        }

        var (largest, smallest) = (EvenGroups.Largest(plan.Players, groups), plan.Players / groups);
        var drills = DrillsOf(shelf, block, plan.Players).ToArray();
        foreach (var (station, card, _, _) in drills)
        {
            var most = Math.Min(card?.Players.Max ?? int.MaxValue, plan.Caps.GroupSize ?? int.MaxValue);
            if (largest > most)
            {
                yield return new PlanWarning(
                    WarningCode.GroupTooBig,
                    index,
                    $"A group of {largest} in {card?.Name ?? name}; {most} is the most.",
                    station
                );
            }
        }

        foreach (var (station, card, _, _) in drills)
        {
            if (card is not null && smallest < card.Players.Min)
            {
                yield return new PlanWarning(
                    WarningCode.GroupTooSmall,
                    index,
                    $"A group of {smallest} in {card.Name}; it takes {card.Players.Min}.",
                    station
                );
            }
        }

        foreach (var (station, card, stage, seconds) in drills)
        {
            if (
                card is not null
                && Activity
                    .Of(card, stage!, seconds, station is null ? SharedFloor.Players(stage!, plan.Players, groups) : largest)
                    .WaitSeconds
                    is var wait
                && (double)wait > plan.LongestWait
            )
            {
                yield return new PlanWarning(
                    WarningCode.LongWait,
                    index,
                    $"Each waits {Phrase.Span(Duration.FromSeconds((int)wait))} between goes in {card.Name}; {Phrase.Span(Duration.FromSeconds((int)plan.LongestWait))} is the most here.",
                    station
                );
            }
        }

        var needs = Needs.Of(block, plan.Players, shelf);
        foreach (var (item, needed, have) in needs.Short(plan.Equipment))
        {
            yield return new PlanWarning(
                WarningCode.ShortOf,
                index,
                $"{name} needs {Phrase.Of(needed, item)}; there {There(have)}.",
                Item: item,
                Needed: needed,
                Have: have
            );
        }

        if (plan.Coaches is { } coaches && needs.Coaches > coaches)
        {
            yield return new PlanWarning(
                WarningCode.ShortOfCoaches,
                index,
                $"{name} needs {Phrase.Of(needs.Coaches, "coach")}; there {There(coaches)}.",
                Needed: needs.Coaches,
                Have: coaches
            );
        }
    }

    private static IEnumerable<PlanWarning> Unknown(Plan plan, CardShelf shelf, int index, PlanBlock block) =>
        DrillsOf(shelf, block, plan.Players)
            .Zip(block.Cards)
            .Where(each => each.First.Card is null)
            .Select(each => NotInTheBook(index, each.Second, each.First.Station));

    private static PlanWarning NotInTheBook(int? index, string drill, int? station = null) =>
        new(WarningCode.UnknownDrill, index, $"The drill \"{drill}\" is not in the book, or it is archived.", station, drill);

    private static IEnumerable<PlanWarning> OfSheet(Plan plan, CardShelf shelf)
    {
        var total = plan.Blocks.Sum(block => block.ChangeSeconds + block.Seconds);
        if (total > plan.Minutes * 60)
        {
            yield return new PlanWarning(
                WarningCode.OverTime,
                null,
                $"The plan is {Phrase.Span(Duration.FromSeconds((int)Math.Ceiling(total - (plan.Minutes * 60))))} too long."
            );
        }

        if (plan.Reserve.Count == 0)
        {
            yield return new PlanWarning(WarningCode.NoReserve, null, "There is no drill in reserve.");
        }

        foreach (var unknown in plan.Reserve.Where(card => shelf.Find(card) is null))
        {
            yield return NotInTheBook(null, unknown);
        }
    }

    /// <summary>Each drill of a line with the seconds it is given; the station is null where the line is one drill.</summary>
    private static IEnumerable<(int? Station, DrillCard? Card, Stage? Stage, double Seconds)> DrillsOf(
        CardShelf shelf,
        PlanBlock block,
        int players
    ) =>
        block switch
        {
            PlanBlock.Drill drill => shelf.Played(drill, players) is var card
                ? [(null, card, BlockReport.StageOf(drill, card), drill.Seconds)]
                : [],
            PlanBlock.Circuit circuit => circuit.Stations.Select(
                (id, station) =>
                    shelf.PlayedAt(id, players, circuit.GroupCount) is var card
                        ? ((int?)station, card, card?.Stages[0], circuit.WorkSeconds)
                        : default
            ),
            PlanBlock.Break or PlanBlock.Talk => [],
            _ => throw new InvalidOperationException("A line no sheet knows."),
        };

    /// <summary>The lines at whose end players have worked hard for too long since the last break, each stretch once.</summary>
    private static HashSet<int> WhereWaterIsDue(Plan plan, CardShelf shelf)
    {
        var due = new HashSet<int>();
        var seconds = 0.0;
        foreach (var (index, block) in plan.Blocks.Index())
        {
            if (block is PlanBlock.Break)
            {
                seconds = 0;
            }
            else if (shelf.EffortOf(block) >= ThirstyEffort)
            {
                var before = seconds;
                seconds += block.Seconds;
                if (before <= ThirstyMinutes * 60 && seconds > ThirstyMinutes * 60)
                {
                    due.Add(index);
                }
            }
        }

        return due;
    }

    private static string There(int have) => have == 0 ? "are none" : $"{(have == 1 ? "is" : "are")} {Phrase.Count(have)}";

    private static string Figure(double minutes) => minutes.ToString("0.##", CultureInfo.InvariantCulture);
}
