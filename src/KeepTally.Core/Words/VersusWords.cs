using KeepTally.Core.Cards;
using KeepTally.Core.Places;
using KeepTally.Core.Text;

namespace KeepTally.Core.Words;

/// <summary>How many play on each side, in words.</summary>
public static class VersusWords
{
    /// <summary>"3 v 3".</summary>
    public static string Of(int number) => $"{number} v {number}";

    /// <summary>How many of each side are at work, "3 v 2"; empty where sides have no spots of their own.</summary>
    /// <param name="stage">The stage of the card.</param>
    /// <param name="standing">How many stand at a place.</param>
    public static string Of(Stage stage, Func<Place, int> standing)
    {
        var spots = stage.Places.Where(place => place is { Kind: PlaceKind.Spot, Side: not null }).ToArray();
        return stage.Scores != Scorer.Side || spots.Length == 0
            ? ""
            : string.Join(" v ", stage.Sides.Select(side => spots.Where(spot => spot.Side == side).Sum(standing)));
    }

    /// <summary>"2 v 2, 3 v 3 or 4 v 4"; empty where it is played in one way only.</summary>
    public static string Ways(Stage stage) =>
        VersusChoice.Numbers(stage) is { Count: > 0 } numbers ? Phrase.List([.. numbers.Select(Of)], "or") : "";
}
