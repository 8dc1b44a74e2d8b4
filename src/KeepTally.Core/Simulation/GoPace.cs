using KeepTally.Core.Cards;
using KeepTally.Core.Planning;
using KeepTally.Core.Time;

namespace KeepTally.Core.Simulation;

/// <summary>From one go of a player to the next: a rep, and the wait while others of the group have theirs.</summary>
public static class GoPace
{
    /// <summary>The pace in a group of so many; of a group or a side it is that of the reps.</summary>
    public static Duration Of(DrillCard card, Stage stage, int group)
    {
        const int Reps = 600;
        var rep = Math.Max(1, card.SecondsPerRep);
        if (stage.Scores != Scorer.Player || group < 1)
        {
            return Duration.FromSeconds(rep);
        }

        // Over many reps, so that none is lost to rounding; without the clock, which has no part in it.
        var goes = Activity.Of(card, stage with { Clock = null }, Reps * rep, group).GoesEach;
        return Duration.FromSeconds(goes > 0 ? Math.Max(rep, Math.Round(Reps * rep / (double)goes, 1)) : rep);
    }
}
