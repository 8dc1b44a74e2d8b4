using KeepTally.Core.Json;

namespace KeepTally.Core.Places;

internal static class PlacesReader
{
    internal static Place Place(JsonPlace place)
    {
        place.Only("id", "kind", "size", "role", "active", "scores", "side", "filledBy");
        return new Place(
            place.NeedText("id", "a short id such as \"shoot\""),
            PlaceChoices.Kinds.ReadFrom(place),
            place.Find("size")?.Whole(1, 99) ?? 1,
            place.Find("role")?.Text(),
            place.Find("active")?.Boolean() ?? false,
            place.Find("scores")?.Boolean() ?? false,
            place.Find("side")?.Text()
        )
        {
            FilledBy = PlaceChoices.Fillers.ReadFrom(place),
        };
    }

    internal static Move Move(JsonPlace place)
    {
        place.Only("from", "to", "who", "when");
        return new Move(
            place.NeedText("from", "the place left"),
            place.NeedText("to", "the place gone to"),
            PlaceChoices.Movers.ReadFrom(place),
            PlaceChoices.Whens.ReadFrom(place)
        );
    }

    internal static RotateOn Rotate(JsonPlace place)
    {
        place.Only("on", "every", "turnRound");
        return new RotateOn(
            PlaceChoices.Triggers.ReadFrom(place),
            place.Find("every")?.Whole(1, 1000) ?? 1,
            place.Find("turnRound")?.Whole(1, 1000)
        );
    }

    internal static void HoldTogether(JsonPlace stage, IReadOnlyList<Place> places, IReadOnlyList<Move> moves)
    {
        var known = places.Select(place => place.Id).ToHashSet(StringComparer.Ordinal);
        var written = stage.Find("moves")?.Items().ToArray() ?? [];
        foreach (var (move, place) in moves.Zip(written))
        {
            foreach (
                var end in new[] { ("from", move.From), ("to", move.To) }.Where(end =>
                    end.Item2.Length > 0 && !known.Contains(end.Item2)
                )
            )
            {
                place.Find(end.Item1)?.Wrong($"there is no place \"{end.Item2}\"", "write one of " + string.Join(", ", known));
            }
        }
    }

    internal static void HoldSides(JsonPlace stage, IReadOnlyList<Place> places, IReadOnlyList<string> sides)
    {
        foreach (var (place, written) in places.Zip(stage.Find("places")?.Items().ToArray() ?? []))
        {
            if (place.Side is { } side && !sides.Contains(side))
            {
                written
                    .Find("side")
                    ?.Wrong(
                        $"\"{side}\" is not one of the sides",
                        sides.Count == 0
                            ? "name the sides of the stage, or take this out"
                            : "write one of " + string.Join(", ", sides)
                    );
            }
        }
    }
}
