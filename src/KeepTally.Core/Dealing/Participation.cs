using KeepTally.Core.Cards;

namespace KeepTally.Core.Dealing;

/// <summary>Decides who may take part in a drill. A restriction keeps a player from drills with throwing load or contact.</summary>
public static class Participation
{
    private static readonly string[] Contact = ["contact", "collision"];

    /// <summary>Whether a restriction keeps a player from a drill.</summary>
    public static bool Forbids(Restrictions limits, DrillCard card) => Forbidden(limits, card) != Restrictions.None;

    /// <summary>Which of a player's restrictions keep them from a drill.</summary>
    public static Restrictions Forbidden(Restrictions limits, DrillCard card) =>
        limits & ((Throws(card) ? Restrictions.NoThrowing : 0) | (Touches(card) ? Restrictions.NoContact : 0));

    private static bool Throws(DrillCard card) =>
        card.Load?.Kind == "throw" || card.Cautions.Any(caution => caution.Kind == "throwing load");

    private static bool Touches(DrillCard card) => card.Cautions.Any(caution => Contact.Contains(caution.Kind));
}

/// <summary>A restriction of a player today, without its reason.</summary>
[Flags]
public enum Restrictions
{
    /// <summary>Nothing is forbidden.</summary>
    None = 0,

    /// <summary>No drill that loads the throwing arm.</summary>
    NoThrowing = 1,

    /// <summary>No drill with contact.</summary>
    NoContact = 2,
}
