using KeepTally.Core.Cards;
using KeepTally.Core.Places;
using KeepTally.Core.Text;

namespace KeepTally.Core.Words;

/// <summary>The places and the next places of players, in words.</summary>
internal static class PlaceWords
{
    internal static IEnumerable<string> Of(Stage stage)
    {
        if (stage.Places.Count == 0)
        {
            yield break;
        }

        var spots = stage
            .Places.Where(place => place.Kind == PlaceKind.Spot)
            .Select(place =>
                (place.Role is null ? $"{Phrase.Count(place.Size)} at {Name(place)}" : Phrase.Of(place.Size, Name(place)))
                + (place.FilledBy == FilledBy.Others ? " from the next group" : "")
            )
            .ToArray();
        var lines = stage.Places.Where(place => place.Kind == PlaceKind.Line).Select(Name).ToArray();
        yield return Phrase.Sentence(
            (spots.Length, lines.Length) switch
            {
                (0, _) => $"everyone lines up: {Phrase.List(lines)}",
                (_, 0) => $"at work: {Phrase.List(spots)}",
                _ => $"at work: {Phrase.List(spots)}; the rest in line: {Phrase.List(lines)}",
            }
        );
        if (stage.Moves.Count > 0)
        {
            yield return Phrase.Sentence($"{When(stage)}: {string.Join(", ", stage.Moves.Select(move => Move(stage, move)))}");
            if (stage.Rotate?.TurnRound is { } after)
            {
                yield return $"After {Phrase.Of(after, "change")} they go the other way round, and after {Phrase.Count(after)} more back again.";
            }
        }
    }

    private static string When(Stage stage)
    {
        var rotate = stage.Rotate;
        var every = rotate?.Every ?? 1;
        return rotate?.On switch
        {
            RotateTrigger.Round => After(every, "round", "rounds"),
            RotateTrigger.Turn => After(every, "turn", "turns"),
            RotateTrigger.Tap => After(every, "tap", "taps"),
            RotateTrigger.Success => AfterEach(stage, every, OutcomeResult.Success, "make", "makes"),
            RotateTrigger.Failure => AfterEach(stage, every, OutcomeResult.Failure, "miss", "misses"),
            RotateTrigger.Attempts => After(every, "go", "goes"),
            RotateTrigger.Manual or null => "when the coach says so",
        };
    }

    private static string AfterEach(Stage stage, int every, OutcomeResult result, string one, string many) =>
        every == 1 ? $"after each {ResultNames.Each(stage, result, one)}" : After(every, one, many);

    private static string After(int every, string one, string many) =>
        every == 1 ? $"after each {one}" : $"after every {Phrase.Count(every)} {many}";

    private static string Move(Stage stage, Move move)
    {
        var way =
            $"{Name(stage, move.From)} to {Name(stage, move.To)}"
            + (move.When == MoveWhen.Empty ? " once nobody is left there" : "");
        return move.Who switch
        {
            MoveWho.All => way,
            MoveWho.First => $"one from {way}",
            MoveWho.Winner => $"the winner goes from {way}",
            MoveWho.Loser => $"the loser goes from {way}",
            MoveWho.Actor => $"the tapped player goes from {way}",
        };
    }

    private static string Name(Stage stage, string id) =>
        stage.Places.FirstOrDefault(place => place.Id == id) is { } place ? Name(place) : Phrase.Words(id);

    private static string Name(Place place) => Phrase.Words(place.Name);
}
