using KeepTally.Core.Cards;

namespace KeepTally.Core.Planning;

/// <summary>Finds the card of a line: by its id, read with the house rules the line chooses; null where there is none.</summary>
public sealed class CardShelf(Func<string, IReadOnlyDictionary<string, string>, DrillCard?> find)
{
    private static readonly Dictionary<string, string> NoOptions = [];

    /// <summary>A shelf of cards read already, with their own house rules.</summary>
    public static CardShelf Of(IEnumerable<DrillCard> cards)
    {
        var byId = cards.ToDictionary(card => card.Id, StringComparer.Ordinal);
        return new CardShelf((id, _) => byId.GetValueOrDefault(id));
    }

    /// <summary>The card as a drill has it.</summary>
    public DrillCard? Find(PlanBlock.Drill drill) => find(drill.Card, drill.Options);

    /// <summary>The card with its own house rules.</summary>
    public DrillCard? Find(string card) => find(card, NoOptions);

    /// <summary>The card as a drill has it, with as many on each side as so many players fill.</summary>
    public DrillCard? Played(PlanBlock.Drill drill, int players) =>
        Find(drill) is { } card ? Played(card, StageOf(drill, card), players, drill.Groups, drill.Versus) : null;

    /// <summary>The card of a station, with as many on each side as every group of so many players fills.</summary>
    public DrillCard? PlayedAt(string station, int players, int groups) =>
        Find(station) is { } card ? Played(card, 0, players / groups, 1) : null;

    /// <summary>Which stage of its card a drill is judged by: the one it names, else the first.</summary>
    internal static int StageOf(PlanBlock.Drill drill, DrillCard card) => Math.Min(drill.Stage ?? 0, card.Stages.Count - 1);

    /// <summary>A card with as many on each side as so many players in so many groups fill.</summary>
    /// <param name="card">The drill card.</param>
    /// <param name="stage">The stage of the card.</param>
    /// <param name="players">The number of players.</param>
    /// <param name="groups">The number of groups.</param>
    /// <param name="most">The greatest number the coach wants on each side; null for as many as there are.</param>
    internal static DrillCard Played(DrillCard card, int stage, int players, int groups, int? most = null) =>
        VersusChoice.Played(card, stage, VersusChoice.Spread(card.Stages[stage], players, groups, most));

    /// <summary>The name of a line: its drill, or its own name; a circuit by its size.</summary>
    public string NameOf(PlanBlock block) =>
        block switch
        {
            PlanBlock.Drill drill => Find(drill) is not { } card ? drill.Card
            : drill.Stage is { } stage && card.Stages.Count > 1 && stage < card.Stages.Count
                ? $"{card.Name}: {card.Stages[stage].Name}"
            : card.Name,
            PlanBlock.Circuit circuit => $"Circuit of {circuit.Stations.Count}",
            PlanBlock.Break rest => rest.Name,
            PlanBlock.Talk talk => talk.Name,
            _ => throw new InvalidOperationException("A line no sheet knows."),
        };

    /// <summary>How hard a line is, 1 to 5, a circuit as its hardest station; null where it is no work, or not known.</summary>
    public int? EffortOf(PlanBlock block) =>
        block switch
        {
            PlanBlock.Drill drill => Find(drill)?.Intensity,
            PlanBlock.Circuit circuit => circuit.Stations.Select(Find).Max(card => card?.Intensity),
            PlanBlock.Break or PlanBlock.Talk => null,
            _ => throw new InvalidOperationException("A line no sheet knows."),
        };
}
