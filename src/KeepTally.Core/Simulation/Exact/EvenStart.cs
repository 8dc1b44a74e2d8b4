using KeepTally.Core.Cards;
using KeepTally.Core.Identity;

namespace KeepTally.Core.Simulation.Exact;

/// <summary>The points with which the weaker side would begin so that both had the same chance, as near as points go.</summary>
/// <param name="Side">Who would get them.</param>
/// <param name="Points">How many.</param>
/// <param name="Chance">That side's chance then.</param>
public sealed record EvenStart(PlayerId Side, int Points, double Chance)
{
    /// <summary>The start for a stage and a skill; null where it is even as it stands, or cannot be calculated.</summary>
    public static EvenStart? Of(Stage stage, Skill skill)
    {
        if (skill is not Skill.Rally rally || ExactOdds.RaceOf(stage, rally) is not { } race)
        {
            return null;
        }

        var level = race.FirstWins(0, 0);
        var weak = level < 0.5 ? 0 : 1;
        double Weak(int points) => weak == 0 ? race.FirstWins(points, 0) : 1 - race.FirstWins(0, points);
        var best = Enumerable.Range(0, race.Target).MinBy(points => Math.Abs(Weak(points) - 0.5));
        return best == 0 ? null : new EvenStart(new PlayerId(stage.Sides[weak]), best, Weak(best));
    }
}
