using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Places;

namespace KeepTally.Core.Floor;

/// <summary>
/// Whose outcomes are tapped now. Where players score and the card marks scoring spots it is who stands there; else it
/// is every unit.
/// </summary>
public static class ScoringSlots
{
    /// <summary>How many units can be tapped at a time.</summary>
    public static int Count(Stage stage, int units) =>
        IsByPlace(stage) ? Math.Min(units, Spots(stage).Sum(spot => spot.Size)) : units;

    /// <summary>The units to tap, in the order of their spots; none where nobody stands in one.</summary>
    public static IReadOnlyList<PlayerId> At(Stage stage, IReadOnlyList<Unit> units, FloorState floor)
    {
        if (!IsByPlace(stage))
        {
            return [.. units.Select(unit => unit.Id)];
        }

        // Who came in when the sheet was done stands in a place but carries no score.
        var scoring = units.Select(unit => unit.Id).ToHashSet();
        return [.. Spots(stage).SelectMany(spot => floor.Now.At(spot.Id)).Where(scoring.Contains)];
    }

    /// <summary>In turns it is the turn, not the place, that says whose outcomes are tapped.</summary>
    private static bool IsByPlace(Stage stage) => stage is { Scores: Scorer.Player, Play: not Play.Turns } && Spots(stage).Any();

    private static IEnumerable<Place> Spots(Stage stage) =>
        stage.Places.Where(place => place is { Scores: true, Kind: PlaceKind.Spot });
}
