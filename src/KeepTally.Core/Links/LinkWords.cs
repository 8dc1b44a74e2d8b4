using KeepTally.Core.Cards;
using KeepTally.Core.Planning;
using KeepTally.Core.Text;
using KeepTally.Core.Words;

namespace KeepTally.Core.Links;

/// <summary>What a link carries, in words, before it is kept.</summary>
public static class LinkWords
{
    /// <summary>Its title: the plan's, or the card's name, or how many cards there are.</summary>
    public static string Title(LinkContent content) =>
        content.Plan is { } plan ? (plan.Title.Length > 0 ? plan.Title : "A plan")
        : content.Cards is [{ Card: var card }] ? card.Name
        : $"{content.Cards.Count} cards";

    /// <summary>What kind of thing it is, in a sentence: "A drill card." "A plan of 75 minutes for 12 players."</summary>
    public static string Kind(LinkContent content) =>
        content.Plan is { } plan
            ? $"A plan of {Phrase.Figure(plan.Minutes)} minutes for {plan.Players} {Phrase.Plural(plan.Players, "player")}."
        : content.Cards is [_] ? "A drill card."
        : "Drill cards.";

    /// <summary>What is in it, a line each: of a card its rules, of a plan its lines.</summary>
    public static IReadOnlyList<string> Lines(LinkContent content) =>
        content.Plan is { } plan
            ?
            [
                .. plan.Blocks.Select(block => $"{NameOf(content, block)}, {Phrase.Figure(Math.Round(block.Seconds / 60, 1))} min"),
                .. content.Cards.Count > 0
                    ?
                    [
                        $"Comes with {Phrase.Of(content.Cards.Count, "card")} of the other club: {Phrase.List([.. content.Cards.Select(each => each.Card.Name)])}.",
                    ]
                    : Array.Empty<string>(),
            ]
        : content.Cards is [{ Card: var card }] ? [.. OfCard(card)]
        : [.. content.Cards.Select(each => $"{each.Card.Name}: {StageWords.InShort(each.Card.Stages[0])}")];

    private static IEnumerable<string> OfCard(DrillCard card)
    {
        if (card.Purpose.Length > 0)
        {
            yield return card.Purpose;
        }

        foreach (var stage in card.Stages)
        {
            yield return $"{(card.Stages.Count > 1 ? $"{stage.Name}: " : "")}{StageWords.InShort(stage)}";
        }

        yield return $"{Phrase.Capital(CardWords.Players(card.Players))}.";
        foreach (var caution in CautionWords.Of(card))
        {
            yield return $"Care: {caution.Text}";
        }
    }

    private static string NameOf(LinkContent content, PlanBlock block)
    {
        var shelf = CardShelf.Of(content.Cards.Select(each => each.Card));
        return block is PlanBlock.Drill drill && shelf.Find(drill) is null
            ? content.Names.GetValueOrDefault(drill.Card, Phrase.Capital(Phrase.Words(drill.Card)))
            : shelf.NameOf(block);
    }
}
