using KeepTally.Core.Cards;
using KeepTally.Core.Tallies;

namespace KeepTally.Core.Rules.Endings;

/// <summary>
/// A condition that ends a unit's work or, in a match, the sheet: its value on the card, its words, and when it is met.
/// Source: docs/formats.md, section 1, "Ending".
/// </summary>
public abstract record Ending
{
    /// <summary>The ending in words: "first to 11 with a lead of 2".</summary>
    internal abstract string Words(Stage stage);

    /// <summary>The aim as the points stand, in a few words; empty where the clock shows it.</summary>
    /// <param name="stage">The stage that ends.</param>
    /// <param name="points">The points of each unit.</param>
    internal virtual string Aim(Stage stage, IReadOnlyList<double> points) => Words(stage);

    /// <summary>Whether a unit meets it by the tap that was just counted. The clock is judged apart: it ends without a tap.</summary>
    internal abstract bool IsMet(UnitTally unit, UnitTally[] units, Play play);

    /// <summary>The result of a match when a side meets it.</summary>
    internal virtual MatchEnd InMatch => MatchEnd.Won;

    /// <summary>Whether a unit that meets it has finished what it set out to do, so that its time can be ranked; outs and the clock only stop it.</summary>
    internal virtual bool Finishes => true;

    /// <summary>Whether one unit can meet it by a tap of another.</summary>
    internal virtual bool LooksAtOthers => false;

    /// <summary>Whether it hangs on the runs of successes.</summary>
    internal virtual bool CountsRuns => false;

    /// <summary>Whether a tap can meet it; a limit of time is met by the clock.</summary>
    internal virtual bool IsByTap => true;

    /// <summary>The count of a unit, in a match of all units.</summary>
    private protected static int Shared(UnitTally unit, UnitTally[] units, Play play, Func<UnitTally, int> count)
    {
        if (play != Play.Match)
        {
            return count(unit);
        }

        var sum = 0;
        foreach (var each in units)
        {
            sum += count(each);
        }

        return sum;
    }

    /// <summary>"between them" in a match, else "each".</summary>
    private protected static string Share(Stage stage) => stage.Play == Play.Match ? "between them" : "each";

    /// <summary>"first to" in a match, else "done at".</summary>
    private protected static string Reach(Stage stage) => stage.Play == Play.Match ? "first to" : "done at";
}

/// <summary>The result of a match when a side meets an ending.</summary>
internal enum MatchEnd
{
    /// <summary>That side has won.</summary>
    Won,

    /// <summary>That side has lost: the best-ranked of the others wins.</summary>
    Lost,

    /// <summary>The ranking decides.</summary>
    Ranked,
}
