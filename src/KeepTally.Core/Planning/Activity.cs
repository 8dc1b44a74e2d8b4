using KeepTally.Core.Cards;
using KeepTally.Core.Places;

namespace KeepTally.Core.Planning;

/// <summary>How busy the players of one group are in a drill. Source: docs/formats.md, section 5.</summary>
/// <param name="ActiveShare">The share of players who are doing something, from 0 to 1.</param>
/// <param name="WaitSeconds">How long one waits between two goes.</param>
/// <param name="RepsPerPlayer">How many goes each one gets.</param>
public readonly record struct Activity(decimal ActiveShare, decimal WaitSeconds, decimal RepsPerPlayer)
{
    /// <summary>How many reps there are in all.</summary>
    public decimal Reps { get; init; }

    /// <summary>How many goes each one gets, where all who score have a go in every rep: never more than there are reps.</summary>
    public decimal GoesEach => Math.Min(RepsPerPlayer, Reps);

    /// <summary>Works it out, exact, and rounded to two decimals, halves away from nought.</summary>
    /// <param name="stage">The stage of the card that is done.</param>
    /// <param name="seconds">How long the drill is given, in seconds.</param>
    /// <param name="group">How many are in the group.</param>
    public static Activity Of(DrillCard card, Stage stage, double seconds, int group)
    {
        if (group == 0)
        {
            return new Activity(1, 0, 0);
        }

        var active = Sum(stage, place => place.Active) is var busy and > 0 ? busy : card.Players.Best;
        var scoring = Sum(stage, place => place.Scores) is var counted and > 0 ? counted : active;
        var rep = (decimal)card.SecondsPerRep;
        var reps = Math.Floor((decimal)WorkSeconds(stage, seconds) / rep);
        return new Activity(
            Round(Math.Min(1m, (decimal)active / group)),
            Round(rep * Math.Max(0, group - active) / active),
            Round(reps * scoring / group)
        )
        {
            Reps = reps,
        };
    }

    /// <summary>How long is worked: all the time given, or as long as the clock of the card has work.</summary>
    public static double WorkSeconds(Stage stage, double given) =>
        stage.Clock is { } clock ? Math.Min(given, clock.Rounds * clock.Work.TotalSeconds) : given;

    private static int Sum(Stage stage, Func<Place, bool> where) =>
        stage.Places.Where(place => place.Kind == PlaceKind.Spot && where(place)).Sum(place => place.Size);

    private static decimal Round(decimal exact) => Math.Round(exact, 2, MidpointRounding.AwayFromZero);
}
