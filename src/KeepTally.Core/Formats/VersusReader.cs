using System.Globalization;
using KeepTally.Core.Cards;
using KeepTally.Core.Json;
using KeepTally.Core.Layout;
using KeepTally.Core.Places;

namespace KeepTally.Core.Formats;

/// <summary>Reads the other ways of playing a stage of sides, and holds each against the rest of its stage.</summary>
internal static class VersusReader
{
    internal const int MostOnASide = 20;

    internal static IReadOnlyList<Versus> Read(JsonPlace stage) =>
        stage.Find("versus") is { } versus
            ? [.. versus.Properties().Select(each => One(each.Name, each.Value)).OrderBy(each => each.Number)]
            : [];

    internal static void HoldTogether(JsonPlace place, Stage stage)
    {
        if (place.Find("versus") is not { } written)
        {
            return;
        }

        if (stage.Scores != Scorer.Side || stage.Sides.Count < 2)
        {
            written.Wrong("only sides can be of another number", "write scores: \"side\" and its sides, or take this out");
            return;
        }

        foreach (var (name, way) in written.Properties())
        {
            if (stage.Versus.FirstOrDefault(each => each.Number.ToString(CultureInfo.InvariantCulture) == name) is { } versus)
            {
                HoldOne(way, stage, versus);
            }
        }
    }

    private static Versus One(string name, JsonPlace place)
    {
        place.Only("name", "places", "moves", "setUp", "equipment", "layout");
        var isNumber =
            int.TryParse(name, NumberStyles.None, CultureInfo.InvariantCulture, out var number)
            && number is > 0 and <= MostOnASide
            && name[0] != '0';
        if (!isNumber)
        {
            place.Wrong(
                $"\"{name}\" is not how many play on a side",
                $"write a whole number from 1 to {MostOnASide}, such as \"2\""
            );
        }

        return new Versus(
            number,
            place.Find("name")?.Text(),
            place.Need("places", "where the players of each side stand")?.Items().Select(PlacesReader.Place).ToArray() ?? [],
            place.Find("moves") is null ? null : place.List("moves", PlacesReader.Move),
            place.Find("setUp") is null ? null : place.Texts("setUp"),
            place.Find("equipment") is null ? null : place.List("equipment", EquipmentReader.Read),
            place.Find("layout") is { } layout ? LayoutReader.Read(layout) : null
        );
    }

    private static void HoldOne(JsonPlace place, Stage stage, Versus versus)
    {
        if (versus.Number == VersusChoice.AsWritten(stage))
        {
            place.Wrong($"the stage is written for {versus.Number} on a side already", "take this out, or change the places");
        }

        if (place.Find("places") is not { } places)
        {
            return;
        }

        place.NoTwice("places", versus.Places.Select(spot => spot.Id));
        PlacesReader.HoldSides(place, versus.Places, stage.Sides);
        foreach (var side in stage.Sides)
        {
            var spots = VersusChoice.SpotsOf(side, versus.Places);
            if (spots != versus.Number)
            {
                places.Wrong(
                    $"the spots of \"{side}\" take {spots}, not {versus.Number}",
                    $"give its spots the size {versus.Number} in all"
                );
            }
        }

        if (versus.Moves is { } moves)
        {
            PlacesReader.HoldTogether(place, versus.Places, moves);
        }
        else if (Lost(stage, versus) is { } lost)
        {
            place.Wrong(
                $"the moves of the stage name \"{lost}\", and there is no such place here",
                "keep the ids of its places, or write moves too"
            );
        }
    }

    /// <summary>A place the moves of the stage name and this way of playing does not have.</summary>
    private static string? Lost(Stage stage, Versus versus) =>
        stage
            .Moves.SelectMany(move => new[] { move.From, move.To })
            .Except(versus.Places.Select(spot => spot.Id), StringComparer.Ordinal)
            .FirstOrDefault(id => id.Length > 0);
}
