using KeepTally.Core.Cards;
using KeepTally.Core.Json;
using KeepTally.Core.Tallies;
using KeepTally.Core.Text;

namespace KeepTally.Core.Rules.Endings;

/// <summary>Ends after a number of turns each. A passing turn meets it, never a tap.</summary>
/// <param name="Count">How many are enough, 1 or more.</param>
public sealed record TurnsEnding(int Count) : Ending
{
    /// <summary>How it stands on a card.</summary>
    public static EndingKind Kind { get; } =
        new(
            property: "turns",
            label: "turns each",
            template: "1",
            amount: Schema.Whole(1),
            read: static (amount, _) => new TurnsEnding(amount.Whole(1))
        );

    internal override bool IsByTap => false;

    internal override bool Finishes => false;

    internal override MatchEnd InMatch => MatchEnd.Ranked;

    internal override string Words(Stage stage) =>
        Count == 1 ? "over when everyone has had a turn" : $"over when everyone has had {Phrase.Of(Count, "turn")}";

    internal override bool IsMet(UnitTally unit, UnitTally[] units, Play play) => unit.Turns >= Count;

    /// <summary>How many turns each unit of a stage has; null where it does not say.</summary>
    internal static int? Of(Stage stage) =>
        stage.Play == Play.Turns ? stage.Until.OfType<TurnsEnding>().FirstOrDefault()?.Count : null;
}
