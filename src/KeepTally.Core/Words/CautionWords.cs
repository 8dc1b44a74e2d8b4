using KeepTally.Core.Cards;

namespace KeepTally.Core.Words;

/// <summary>
/// What is said where a player can be hurt: what the card says itself, and the usual words where it is plain from the card that
/// they are called for. The words are common practice; who decides is the league and medical people.
/// </summary>
public static class CautionWords
{
    /// <summary>The words that come before every drill's own.</summary>
    public const string First = "Your league's rules and medical people come first.";

    /// <summary>From this effort on heat is a danger by itself.</summary>
    private const int Hard = 4;

    private static readonly Caution Load = new(
        "throwing load",
        "Stop a player whose arm is tired or sore. Keep within the league's limits for the age, and ask a medical person about any pain."
    );

    private static readonly Caution Heat = new(
        "heat",
        "Hard running: water within reach, longer rests in the heat. A player who feels faint or unwell stops at once."
    );

    private static readonly Caution Forfeit = new(
        "forfeit",
        "Exercise as a forfeit: few, easy and the same for all, never for a player who is hurt or unwell. Leave it out where the league or the club does not allow it."
    );

    /// <summary>The usual words for every kind of harm, as the editor of cards offers them.</summary>
    public static IReadOnlyList<Caution> Usual { get; } =
    [
        new(
            "contact",
            "No pushing in the air and no contact from behind. Stop on any knock to the head and ask a medical person; follow the league's contact rules for the age."
        ),
        new("hard ball", "Nobody stands behind or beside the target. Collect balls only between goes, on the coach's word."),
        Load,
        Heat,
        new("hard surface", "Hard floor: no diving, and shoes that grip. Look for wet spots and things on the floor first."),
        Forfeit,
    ];

    /// <summary>Everything to be careful of in a drill; empty where there is nothing.</summary>
    public static IReadOnlyList<Caution> Of(DrillCard card) =>
        [.. card.Cautions, .. Implied(card).Where(implied => !card.Cautions.Any(each => Speaks(each, implied)))];

    /// <summary>The kinds of harm in a few words: "contact, throwing load"; empty where there are none.</summary>
    public static string InShort(IEnumerable<DrillCard> cards) =>
        string.Join(", ", cards.SelectMany(Of).Select(caution => caution.Kind).Distinct());

    private static IEnumerable<Caution> Implied(DrillCard card)
    {
        if (card.Load is { Kind: "throw" })
        {
            yield return Load;
        }

        if (card.Intensity >= Hard)
        {
            yield return Heat;
        }

        if (SaysForfeit(card))
        {
            yield return Forfeit;
        }
    }

    /// <summary>"Effort" was how heat was called on cards before.</summary>
    private static bool Speaks(Caution said, Caution implied) =>
        said.Kind == implied.Kind
        || (implied == Load && said.Kind.Contains("load", StringComparison.OrdinalIgnoreCase))
        || (implied == Heat && said.Kind is "effort");

    private static bool SaysForfeit(DrillCard card) =>
        card
            .SetUp.Concat(card.Cues)
            .Concat(card.Options.Values.SelectMany(rule => rule.Choices.Values.Prepend(rule.Label)))
            .Concat(card.Stages.SelectMany(stage => stage.Roles))
            .Any(words => words.Contains("forfeit", StringComparison.OrdinalIgnoreCase));
}
