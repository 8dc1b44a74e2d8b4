using KeepTally.Core.Cards;

namespace KeepTally.Core.Planning;

/// <summary>
/// How short and how long a drill still makes sense: from half to one and a half times what its card says, to the half minute,
/// and never beyond the cap. Common practice; a coach who sets minutes by hand is not held to it.
/// </summary>
/// <param name="Least">The fewest minutes.</param>
/// <param name="Most">The most minutes.</param>
/// <param name="Usual">What its card says, as far as the cap lets it.</param>
public readonly record struct CardSense(double Least, double Most, double Usual)
{
    private const double Unknown = 8;

    /// <summary>The sense of a drill on a sheet.</summary>
    public static CardSense Of(DrillCard? card, Plan plan)
    {
        var usual = card is { Minutes: > 0 } ? card.Minutes : Unknown;
        var cap = Down(plan.LongestDrill ?? double.MaxValue);
        var least = Math.Min(Math.Max(1, Up(usual / 2)), cap);
        var most = Math.Max(least, Math.Min(Down(usual * 1.5), cap));
        return new CardSense(least, most, Math.Clamp(Math.Round(usual / PlanEdits.Step) * PlanEdits.Step, least, most));
    }

    private static double Up(double minutes) => Math.Ceiling(minutes / PlanEdits.Step) * PlanEdits.Step;

    private static double Down(double minutes) => Math.Floor(minutes / PlanEdits.Step) * PlanEdits.Step;
}
