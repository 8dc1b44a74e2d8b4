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

    /// <summary>A line at which players work, and what its warnings look at.</summary>
    private sealed record Work(
        Plan Plan,
        CardShelf Shelf,
        int Index,
        PlanBlock Block,
        double Minutes,
        int Groups,
        IReadOnlyList<(int? Station, DrillCard? Card, Stage? Stage, double Seconds)> Drills
    )
    {
        internal string Name => Shelf.NameOf(Block);

        internal int LargestGroup => EvenGroups.Largest(Plan.Players, Groups);

        internal int SmallestGroup => Plan.Players / Groups;
    }

    private static IEnumerable<PlanWarning> OfBlock(Plan plan, CardShelf shelf, int index, PlanBlock block)
    {
        (double Minutes, int Groups)? given = block switch
        {
            PlanBlock.Circuit circuit => (circuit.MinutesEach, circuit.GroupCount),
            PlanBlock.Drill drill => (drill.Minutes, drill.Groups),
            PlanBlock.Break or PlanBlock.Talk => null,
            _ => throw new InvalidOperationException("A line no sheet knows."),
        };
        if (given is not var (minutes, groups))
        {
            return [];
        }

        var work = new Work(plan, shelf, index, block, minutes, groups, [.. DrillsOf(shelf, block, plan.Players)]);
        return [.. TooLong(work), .. TooBig(work), .. TooSmall(work), .. Waiting(work), .. Short(work)];
    }

    private static IEnumerable<PlanWarning> TooLong(Work work)
    {
        if (work.Minutes > work.Plan.LongestDrill)
        {
            yield return new PlanWarning(
                WarningCode.LongDrill,
                work.Index,
                $"{work.Name} takes {Figure(work.Minutes)} minutes{(work.Block is PlanBlock.Circuit ? " at each station" : "")}; {Figure(work.Plan.LongestDrill!.Value)} is the most here."
            );
        }
    }

    private static IEnumerable<PlanWarning> TooBig(Work work)
    {
        foreach (var (station, card, _, _) in work.Drills)
        {
            var most = Math.Min(card?.Players.Max ?? int.MaxValue, work.Plan.Caps.GroupSize ?? int.MaxValue);
            if (work.LargestGroup > most)
            {
                yield return new PlanWarning(
                    WarningCode.GroupTooBig,
                    work.Index,
                    $"A group of {work.LargestGroup} in {card?.Name ?? work.Name}; {most} is the most.",
                    station
                );
            }
        }
    }

    private static IEnumerable<PlanWarning> TooSmall(Work work)
    {
        foreach (var (station, card, _, _) in work.Drills)
        {
            if (card is not null && work.SmallestGroup < card.Players.Min)
            {
                yield return new PlanWarning(
                    WarningCode.GroupTooSmall,
                    work.Index,
                    $"A group of {work.SmallestGroup} in {card.Name}; it takes {card.Players.Min}.",
                    station
                );
            }
        }
    }

    private static IEnumerable<PlanWarning> Waiting(Work work)
    {
        var plan = work.Plan;
        foreach (var (station, card, stage, seconds) in work.Drills)
        {
            if (card is null)
            {
                continue;
            }

            var players = station is null ? SharedFloor.Players(stage!, plan.Players, work.Groups) : work.LargestGroup;
            var wait = Activity.Of(card, stage!, seconds, players).WaitSeconds;
            if ((double)wait > plan.LongestWait)
            {
                yield return new PlanWarning(
                    WarningCode.LongWait,
                    work.Index,
                    $"Each waits {Phrase.Span(Duration.FromSeconds((int)wait))} between goes in {card.Name}; {Phrase.Span(Duration.FromSeconds((int)plan.LongestWait))} is the most here.",
                    station
                );
            }
        }
    }

    private static IEnumerable<PlanWarning> Short(Work work)
    {
        var needs = Needs.Of(work.Block, work.Plan.Players, work.Shelf);
        foreach (var (item, needed, have) in needs.Short(work.Plan.Equipment))
        {
            yield return new PlanWarning(
                WarningCode.ShortOf,
                work.Index,
                $"{work.Name} needs {Phrase.Of(needed, item)}; there {There(have)}.",
                Item: item,
                Needed: needed,
                Have: have
            );
        }

        if (work.Plan.Coaches is { } coaches && needs.Coaches > coaches)
        {
            yield return new PlanWarning(
                WarningCode.ShortOfCoaches,
                work.Index,
                $"{work.Name} needs {Phrase.Of(needs.Coaches, "coach")}; there {There(coaches)}.",
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
