using KeepTally.Core.Cards;
using KeepTally.Store.Tables;

namespace KeepTally.Store.Practices;

/// <summary>What a player's limit forbids: a drill that loads the throwing arm, a drill with contact.</summary>
public static class LimitRule
{
    private static readonly string[] Contact = ["contact", "collision"];

    public static bool Forbids(Limits limits, DrillCard card) =>
        (limits.HasFlag(Limits.NoThrowing) && Throws(card)) || (limits.HasFlag(Limits.NoContact) && Touches(card));

    private static bool Throws(DrillCard card) =>
        card.Load?.Kind == "throw" || card.Cautions.Any(caution => caution.Kind == "throwing load");

    private static bool Touches(DrillCard card) => card.Cautions.Any(caution => Contact.Contains(caution.Kind));
}
