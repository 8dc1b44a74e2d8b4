using KeepTally.Core.Cards;
using KeepTally.Core.Json;

namespace KeepTally.Core.Formats;

/// <summary>The closed choices of a card that belong to no rule.</summary>
public static class CardChoices
{
    internal static Choices<Scorer> Scorers { get; } =
        new(
            "scores",
            ("player", Scorer.Player, "each player"),
            ("group", Scorer.Group, "each group"),
            ("side", Scorer.Side, "sides"),
            ("none", Scorer.None, "nobody")
        );

    internal static Choices<Play> Plays { get; } =
        new(
            "play",
            ("together", Play.Together, "all at once"),
            ("turns", Play.Turns, "one at a time, in turn"),
            ("match", Play.Match, "against each other")
        );

    internal static Choices<OutcomeResult> Results { get; } =
        new(
            "result",
            ("neutral", OutcomeResult.Neutral, "neither"),
            ("success", OutcomeResult.Success, "a make"),
            ("failure", OutcomeResult.Failure, "a miss")
        );

    internal static Choices<EquipmentPer> Per { get; } =
        new(
            "per",
            ("drill", EquipmentPer.Drill, "in all"),
            ("group", EquipmentPer.Group, "for each group"),
            ("player", EquipmentPer.Player, "for each player")
        );

    internal static Choices<AskOrder> AskOrders { get; } =
        new(
            "askOrder",
            ("turn", AskOrder.Turn, "one after the other"),
            ("random", AskOrder.Random, "so that nobody knows which is next")
        );

    /// <summary>All of them.</summary>
    public static IReadOnlyList<Choices> All { get; } = [Scorers, Plays, Results, Per, AskOrders];
}
