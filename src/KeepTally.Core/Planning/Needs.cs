using KeepTally.Core.Cards;

namespace KeepTally.Core.Planning;

/// <summary>The needs of a line: equipment by name, and coaches. Source: docs/formats.md, section 5.</summary>
public sealed record Needs(IReadOnlyDictionary<string, int> Items, int Coaches)
{
    private static readonly Needs Nothing = new(new SortedDictionary<string, int>(StringComparer.Ordinal), 0);

    /// <summary>The needs of a line; stations that run together are added up. An unknown card needs nothing.</summary>
    public static Needs Of(PlanBlock block, int players, CardShelf shelf) =>
        block switch
        {
            PlanBlock.Drill drill => shelf.Played(drill, players) is { } card ? OfDrill(card, players, drill.Groups) : Nothing,
            PlanBlock.Circuit circuit => circuit
                .Stations.Select(id => shelf.PlayedAt(id, players, circuit.GroupCount))
                .OfType<DrillCard>()
                .Select(card => OfStation(card, EvenGroups.Largest(players, circuit.GroupCount)))
                .Aggregate(Nothing, (all, one) => all.And(one)),
            PlanBlock.Break or PlanBlock.Talk => Nothing,
            _ => throw new InvalidOperationException("A line no sheet knows."),
        };

    /// <summary>The needs of a drill in a number of groups.</summary>
    public static Needs OfDrill(DrillCard card, int players, int groups) =>
        new(
            Counted(
                card,
                each =>
                    each.Per switch
                    {
                        EquipmentPer.Drill => each.Count,
                        EquipmentPer.Group => each.Count * groups,
                        EquipmentPer.Player => each.Count * players,
                        _ => throw new InvalidOperationException("A count no card knows."),
                    }
            ),
            card.Coaches * groups
        );

    /// <summary>The equipment for a whole practice: of each item as many as the line that needs most of it.</summary>
    public static IReadOnlyDictionary<string, int> Carried(Plan plan, CardShelf shelf)
    {
        var most = new SortedDictionary<string, int>(StringComparer.Ordinal);
        foreach (var (item, count) in plan.Blocks.SelectMany(block => Of(block, plan.Players, shelf).Items))
        {
            most[item] = Math.Max(most.GetValueOrDefault(item), count);
        }

        return most;
    }

    /// <summary>The missing equipment by name; empty where the plan does not list equipment.</summary>
    public IEnumerable<Shortage> Short(IReadOnlyDictionary<string, int>? have) =>
        have is null
            ? []
            : Items
                .Where(need => need.Value > have.GetValueOrDefault(need.Key))
                .Select(need => new Shortage(need.Key, need.Value, have.GetValueOrDefault(need.Key)));

    /// <summary>One group at its station, the largest.</summary>
    private static Needs OfStation(DrillCard card, int group) => OfDrill(card, group, 1);

    private static SortedDictionary<string, int> Counted(DrillCard card, Func<Equipment, int> count)
    {
        var items = new SortedDictionary<string, int>(StringComparer.Ordinal);
        foreach (var each in card.Equipment)
        {
            items[each.Item] = items.GetValueOrDefault(each.Item) + count(each);
        }

        return items;
    }

    private Needs And(Needs other)
    {
        var items = new SortedDictionary<string, int>(StringComparer.Ordinal);
        foreach (var (item, count) in Items.Concat(other.Items))
        {
            items[item] = items.GetValueOrDefault(item) + count;
        }

        return new Needs(items, Coaches + other.Coaches);
    }
}

/// <summary>Something of which there is not enough.</summary>
public readonly record struct Shortage(string Item, int Needed, int Have);
