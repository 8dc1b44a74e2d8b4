using KeepTally.Core.Cards;
using KeepTally.Core.Formats;
using KeepTally.Core.Rules.Endings;
using KeepTally.Core.Rules.Ladders;
using KeepTally.Core.Rules.Limits;
using KeepTally.Core.Rules.Streaks;

namespace KeepTally.Core.Tests.Shipped;

/// <summary>Every shipped card is whole, and is for the sports the product shows.</summary>
public sealed class CompletenessTests
{
    private static readonly string[] Sports =
    [
        "handball",
        "field hockey",
        "netball",
        "floorball",
        "ultimate",
        "badminton",
        "any sport",
    ];

    /// <summary>Where one of these stands on a card, a player can be hurt (common practice).</summary>
    private static readonly string[] Risky = ["tackl", "contact", "sprint", "flat out", "hard ball", "throw"];

    public static TheoryData<string> Ids => [.. ShippedCard.Ids];

    [Fact]
    public void There_are_thirty_or_more() => Assert.True(ShippedCard.Ids.Count >= 30, $"{ShippedCard.Ids.Count} cards");

    [Theory]
    [MemberData(nameof(Ids))]
    public void A_card_is_whole(string id)
    {
        var card = ShippedCard.Read(id);

        Assert.Equal(id, card.Id);
        Assert.NotEmpty(card.Purpose);
        Assert.All(
            new[] { card.Skills, card.Sports, card.SetUp, card.Cues, card.Faults, card.Easier, card.Harder },
            list => Assert.NotEmpty(list)
        );
        Assert.NotEmpty(card.Equipment);
        Assert.All(card.Sports, sport => Assert.Contains(sport, Sports));
        Assert.True(card.Minutes is > 0 and <= 15 && card.SecondsPerRep > 0);
        Assert.All(
            card.Stages.SelectMany(stage => stage.Outcomes),
            outcome => Assert.False(outcome.Key is null, $"{outcome.Id} has no key")
        );
        Assert.All(card.Stages, stage => Assert.NotEmpty(stage.Places));
        Assert.All(
            card.Stages,
            stage => Assert.True(stage.Moves.Count == 0 || stage.Rotate is not null, "places move, and nothing says when")
        );
        if (card.Intensity >= 4 || Risky.Any(word => card.Purpose.Contains(word, StringComparison.OrdinalIgnoreCase)))
        {
            Assert.NotEmpty(card.Cautions);
        }
    }

    [Theory]
    [MemberData(nameof(Ids))]
    public void Every_house_rule_of_a_card_can_be_chosen_and_makes_a_difference(string id)
    {
        var card = ShippedCard.Read(id);
        foreach (var (option, rule) in card.Options)
        {
            var forms = rule
                .Choices.Keys.Select(choice => string.Join('|', Scoring(ShippedCard.Read(id, (option, choice)))))
                .ToArray();
            Assert.Equal(forms.Length, forms.Distinct().Count());
        }
    }

    [Theory]
    [MemberData(nameof(Ids))]
    public void No_key_stands_for_two_outcomes(string id)
    {
        foreach (var stage in ShippedCard.Read(id).Stages)
        {
            Assert.Equal(stage.Outcomes.Count, stage.Outcomes.Select(outcome => outcome.Key).Distinct().Count());
        }
    }

    [Fact]
    public void Variants_name_a_card_that_is_there() =>
        Assert.All(
            ShippedCard.Ids.Select(id => ShippedCard.Read(id).VariantOf).OfType<string>(),
            parent => Assert.Contains(parent, ShippedCard.Ids)
        );

    /// <summary>What a choice changes may stand in any rule of a stage.</summary>
    private static IEnumerable<string> Scoring(DrillCard card) =>
        card.Stages.Select(stage =>
            string.Join(
                ';',
                [
                    .. stage.Until.Select(ending => ending.ToString()),
                    .. stage.Outcomes.SelectMany(each => each.Does.Select(effect => $"{each.Id} {effect}")),
                    .. stage.Outcomes.SelectMany(each => each.Points.Select(award => $"{each.Id} {award}")),
                    .. stage.Limits.Select(limit => limit.ToString()),
                    $"{stage.Play} {stage.Streak} {stage.Ladder?.Pass} {stage.Ladder?.Fail} {stage.Clock?.Work} {stage.Clock?.RepFrom}",
                    .. stage.Places.Select(place => $"{place.FilledBy}"),
                ]
            )
        );

    [Theory]
    [MemberData(nameof(Ids))]
    public void A_card_keeps_its_print_when_only_its_words_change(string id)
    {
        var text = ShippedCard.Text(id);
        var words = text.Replace("\"label\": \"", "\"label\": \"Another ", StringComparison.Ordinal)
            .Replace("\"cues\": [", "\"cues\": [\"One more\", ", StringComparison.Ordinal);

        Assert.Equal(ScoringPrint.Of(text), ScoringPrint.Of(words));
    }
}
