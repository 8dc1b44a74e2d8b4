using System.Globalization;
using KeepTally.Core.Cards;
using KeepTally.Core.Text;

namespace KeepTally.Core.Planning;

/// <summary>Suggests how to keep more players of a line busy: another line, another ball, other places.</summary>
public static class StandingAbout
{
    private const int MoreGroups = 4;
    private const int MoreStations = 3;

    /// <summary>
    /// The change that helps a drill most, or null where everybody is busy or nothing helps. What is offered to be taken brings
    /// no warning that was not there; what takes more than there is to practise with is told, and not offered.
    /// </summary>
    /// <param name="plan">The plan of the timing sheet.</param>
    /// <param name="index">The position of the line, from 0.</param>
    /// <param name="shelf">The cards that the plan names.</param>
    /// <param name="spares">Drills that may be done at other places, by card, the best first.</param>
    public static BusyChange? Best(Plan plan, int index, CardShelf shelf, IReadOnlyList<string> spares)
    {
        if (ShareOf(plan, index, shelf) is not { } share || share >= 1)
        {
            return null;
        }

        var changes = plan.Blocks[index] switch
        {
            PlanBlock.Drill drill when shelf.Find(drill) is { } card =>
            [
                .. Lines(plan, index, drill, card, shelf),
                .. OtherPlaces(plan, index, drill, card, shelf, spares),
            ],
            PlanBlock.Circuit circuit => MoreStationsOf(plan, index, circuit, shelf, spares),
            _ => Enumerable.Empty<BusyChange>(),
        };
        var before = Weights(plan, shelf);
        return changes
            .Select(change => change with { From = share, To = ShareOf(change.Then, index, shelf) ?? 0 })
            .Where(change => change.To > share && (change.Missing.Length > 0 || IsNoWorse(Weights(change.Then, shelf), before)))
            .OrderByDescending(change => change.To)
            .ThenBy(change => change.Missing.Length > 0)
            .FirstOrDefault();
    }

    /// <summary>More groups at once: so many lines, with what each of them needs.</summary>
    private static IEnumerable<BusyChange> Lines(Plan plan, int index, PlanBlock.Drill drill, DrillCard card, CardShelf shelf)
    {
        for (var groups = drill.Groups + 1; groups <= drill.Groups + MoreGroups && groups <= plan.Players; groups++)
        {
            if (plan.Players / groups < card.Players.Min || groups > PlanReader.MostGroups)
            {
                yield break;
            }

            var then = plan.With(index, drill with { Groups = groups });
            var needs = Needs.Of(then.Blocks[index], plan.Players, shelf);
            var missing = needs
                .Short(plan.Equipment)
                .Select(each => $"{Phrase.Of(each.Needed - each.Have, $"more {each.Item}")}")
                .ToList();
            if (plan.Coaches is { } coaches && needs.Coaches > coaches)
            {
                missing.Add(Phrase.Of(needs.Coaches - coaches, "more coach"));
            }

            yield return new BusyChange(Phrase.Of(groups, "group"), then, Phrase.List(missing));
        }
    }

    /// <summary>Waiting players do another drill meanwhile, and swap.</summary>
    private static IEnumerable<BusyChange> OtherPlaces(
        Plan plan,
        int index,
        PlanBlock.Drill drill,
        DrillCard card,
        CardShelf shelf,
        IReadOnlyList<string> spares
    )
    {
        if (drill.Stage is > 0 || card.Stages.Count > 1 || drill.Options.Count > 0)
        {
            yield break;
        }

        var others = spares
            .Where(id => id != drill.Card && shelf.Find(id) is { } other && other.Intensity <= card.Intensity)
            .ToArray();
        for (var more = 1; more <= Math.Min(MoreStations, others.Length); more++)
        {
            string[] stations = [drill.Card, .. others.Take(more)];
            var each = Math.Floor(drill.Minutes / stations.Length / PlanEdits.Step) * PlanEdits.Step;
            if (each < 2 || plan.Players < stations.Length * 2)
            {
                yield break;
            }

            var circuit = new PlanBlock.Circuit(stations, each, stations.Length)
            {
                Key = null,
                ChangeSeconds = drill.ChangeSeconds,
                BetweenSeconds = 30,
                ChangeInside = true,
                Takes = drill.Takes,
            };
            yield return new BusyChange(
                $"a circuit with {Phrase.List([.. others.Take(more).Select(id => shelf.Find(id)!.Name)])}",
                plan.With(index, circuit),
                ""
            );
        }
    }

    /// <summary>Another station makes the groups smaller; all of them together take no longer.</summary>
    private static IEnumerable<BusyChange> MoreStationsOf(
        Plan plan,
        int index,
        PlanBlock.Circuit circuit,
        CardShelf shelf,
        IReadOnlyList<string> spares
    )
    {
        var stations = circuit.Stations.Count + 1;
        var walks = circuit.ChangeInside ? 0 : (stations - 1) * circuit.BetweenSeconds;
        var each = Math.Floor((circuit.Seconds - walks) / stations / 60 / PlanEdits.Step) * PlanEdits.Step;
        return stations > PlanReader.MostStations || each < 2 || circuit.GroupCount > circuit.Stations.Count
            ? []
            : spares
                .Where(id => !circuit.Stations.Contains(id))
                .Select(shelf.Find)
                .OfType<DrillCard>()
                .Select(card => new BusyChange(
                    $"add station “{card.Name}” ({each.ToString("0.#", CultureInfo.InvariantCulture)} min each)",
                    plan.With(
                        index,
                        circuit with
                        {
                            Stations = [.. circuit.Stations, card.Id],
                            MinutesEach = each,
                            Groups = circuit.GroupCount + 1,
                        }
                    ),
                    ""
                ));
    }

    private static decimal? ShareOf(Plan plan, int index, CardShelf shelf)
    {
        var block = PlanReport.Of(plan with { Blocks = [plan.Blocks[index]] }, shelf).Blocks[0];
        return block.Drills.Any(each => each.Activity is null) ? null : block.ActiveShare;
    }

    private static int[] Weights(Plan plan, CardShelf shelf) =>
        [.. PlanCheck.Of(plan, shelf).Select(each => PlanFixes.Weight(each.Code)).OrderDescending()];

    private static bool IsNoWorse(int[] after, int[] before) =>
        after.Length <= before.Length && after.Zip(before).All(each => each.First <= each.Second);
}

/// <summary>A change that keeps more players busy.</summary>
/// <param name="What">What is done, in a few words.</param>
/// <param name="Then">The sheet then.</param>
/// <param name="Missing">What it takes that is not there; empty where it can be done.</param>
public sealed record BusyChange(string What, Plan Then, string Missing)
{
    /// <summary>The share of players that is busy now.</summary>
    public decimal From { get; init; }

    /// <summary>The share of players that is busy then.</summary>
    public decimal To { get; init; }

    /// <summary>The gain in words: "busy 29 → 100 %".</summary>
    public string Gain =>
        string.Create(CultureInfo.InvariantCulture, $"busy {Math.Round(From * 100):0} → {Math.Round(To * 100):0} %");
}
