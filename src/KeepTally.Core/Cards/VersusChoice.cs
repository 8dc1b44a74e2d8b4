using KeepTally.Core.Places;

namespace KeepTally.Core.Cards;

/// <summary>Which way of playing a stage of sides fits those who are here. Source: docs/formats.md, section 1, "Versus".</summary>
public static class VersusChoice
{
    /// <summary>
    /// The numbers on each side a stage is played with, from few to many; empty where it is played in one way only.
    /// </summary>
    public static IReadOnlyList<int> Numbers(Stage stage) =>
        stage.Versus.Count == 0 ? [] : [.. stage.Versus.Select(each => each.Number).Append(AsWritten(stage)).Order()];

    /// <summary>How many of each side play at once as the card is written: as many as the spots of the smallest side take.</summary>
    public static int AsWritten(Stage stage) => stage.Sides.Count == 0 ? 0 : stage.Sides.Min(side => SpotsOf(side, stage.Places));

    /// <summary>How many of a side play at once.</summary>
    public static int SpotsOf(string side, IEnumerable<Place> places) =>
        places.Where(place => place.Kind == PlaceKind.Spot && place.Side == side).Sum(place => place.Size);

    /// <summary>
    /// The greatest number that the smallest side fills, the least where it fills none; null where the card has one way only.
    /// </summary>
    /// <param name="stage">The stage of the card.</param>
    /// <param name="smallest">How many are on the smallest side of all courts.</param>
    /// <param name="most">The greatest number the coach wants on each side; null for as many as there are.</param>
    public static int? For(Stage stage, int smallest, int? most = null) =>
        Numbers(stage) is not { Count: > 0 } numbers
            ? null
            : numbers.Where(number => number <= Math.Min(smallest, most ?? int.MaxValue)).DefaultIfEmpty(numbers[0]).Max();

    /// <summary>The same, for so many players spread evenly over so many courts.</summary>
    public static int? Spread(Stage stage, int players, int courts, int? most = null) =>
        For(stage, stage.Sides.Count == 0 || courts == 0 ? 0 : players / courts / stage.Sides.Count, most);

    /// <summary>The card with one stage played by that number on each side; itself where it is written so.</summary>
    public static DrillCard Played(DrillCard card, int stageIndex, int? number)
    {
        var stage = card.Stages[stageIndex];
        return stage.Versus.FirstOrDefault(each => each.Number == number) is { } versus
            ? card with
            {
                SetUp = versus.SetUp ?? card.SetUp,
                Equipment = versus.Equipment ?? card.Equipment,
                Layout = versus.Layout ?? card.Layout,
                Stages = [.. card.Stages.Select((each, index) => index == stageIndex ? Played(each, versus) : each)],
            }
            : card;
    }

    private static Stage Played(Stage stage, Versus versus) =>
        stage with
        {
            Name = versus.Name ?? stage.Name,
            Places = versus.Places,
            Moves = versus.Moves ?? stage.Moves,
            Versus = [],
        };
}
