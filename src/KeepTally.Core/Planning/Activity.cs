using KeepTally.Core.Cards;
using KeepTally.Core.Places;

namespace KeepTally.Core.Planning;

/// <summary>How busy the players of one group are in a drill. Source: docs/formats.md, section 5.</summary>
/// <param name="ActiveShare">The share of players who are doing something, from 0 to 1.</param>
/// <param name="WaitSeconds">How long one waits between two goes.</param>
/// <param name="RepsPerPlayer">How many goes each one gets.</param>
public readonly record struct Activity(decimal ActiveShare, decimal WaitSeconds, decimal RepsPerPlayer)
{
    /// <summary>The share of players who are doing something, exact.</summary>
    public decimal ExactShare { get; init; }

    /// <summary>How many reps there are in all.</summary>
    public decimal Reps { get; init; }

    /// <summary>How many goes each one gets: one after the other where one goes at a time, and never more than there are reps.</summary>
    public decimal GoesEach { get; init; }

    /// <summary>How long one waits between two goes of their own, in seconds: while all others go, where one goes at a time.</summary>
    public decimal BetweenGoes { get; init; }

    /// <summary>Works it out, exact, and rounded to two decimals, halves away from nought.</summary>
    /// <param name="card">The drill card.</param>
    /// <param name="stage">The stage of the card that is done.</param>
    /// <param name="seconds">How long the drill is given, in seconds.</param>
    /// <param name="group">How many share the floor; see <see cref="SharedFloor"/>.</param>
    public static Activity Of(DrillCard card, Stage stage, double seconds, int group)
    {
        if (group == 0)
        {
            return new Activity(1, 0, 0) { ExactShare = 1 };
        }

        var active = Sum(stage, place => place.Active) is var busy and > 0 ? busy : card.Players.Best;
        var scoring = Sum(stage, place => place.Scores) is var counted and > 0 ? counted : active;
        var rep = (decimal)card.SecondsPerRep;
        var reps = Math.Floor((decimal)WorkSeconds(stage, seconds) / rep);
        // Who scores by turns goes alone, however many the card calls active.
        var alone = stage is { Scores: Scorer.Player, Play: Play.Turns };
        var wait = Round(rep * Math.Max(0, group - active) / active);
        var each = Round(reps * scoring / group);
        var share = Math.Min(1m, (decimal)active / group);
        return new Activity(Round(share), wait, each)
        {
            GoesEach = alone ? Round(reps / group) : Math.Min(each, reps),
            BetweenGoes = alone ? rep * (group - 1) : wait,
            ExactShare = share,
            Reps = reps,
        };
    }

    /// <summary>How long is worked: all the time given, or as long as the clock of the card has work.</summary>
    public static double WorkSeconds(Stage stage, double given) =>
        stage.Clock is { } clock ? Math.Min(given, clock.Rounds * clock.Work.TotalSeconds) : given;

    private static int Sum(Stage stage, Func<Place, bool> where) =>
        stage.Places.Where(place => place.Kind == PlaceKind.Spot && where(place)).Sum(place => place.Size);

    internal static decimal Round(decimal exact) => Math.Round(exact, 2, MidpointRounding.AwayFromZero);
}
