using KeepTally.Core.Cards;
using KeepTally.Core.Clock;
using KeepTally.Core.Json;
using KeepTally.Core.Places;
using KeepTally.Core.Rules.Endings;
using KeepTally.Core.Rules.Ladders;

namespace KeepTally.Core.Formats;

/// <summary>Reads one stage and holds its parts against each other.</summary>
internal static class StageReader
{
    internal static Stage Read(JsonPlace place)
    {
        place.Only(
            "name",
            "scores",
            "play",
            "sides",
            "outcomes",
            "until",
            "ladder",
            "targets",
            "tags",
            "limits",
            "streak",
            "ball",
            "measure",
            "par",
            "clock",
            "roles",
            "reminders",
            "places",
            "moves",
            "rotate"
        );
        var stage = new Stage(
            place.TextOr("name", "Stage"),
            place
                .Find("scores")
                ?.OneOf(("player", Scorer.Player), ("group", Scorer.Group), ("side", Scorer.Side), ("none", Scorer.None))
                ?? Scorer.Player,
            place.Find("play")?.OneOf(("together", Play.Together), ("turns", Play.Turns), ("match", Play.Match)) ?? Play.Together,
            place.Texts("sides"),
            place.List("outcomes", OutcomeReader.Read),
            place.List("until", EndingReader.Read),
            place.Find("ladder") is { } ladder ? LadderReader.Read(ladder) : null,
            RuleReader.Targets(place),
            RuleReader.Tags(place),
            place.List("limits", RuleReader.Limit),
            RuleReader.Streak(place),
            place.Find("ball")?.Text(),
            RuleReader.Measures(place),
            RuleReader.Par(place),
            place.Find("clock") is { } clock ? ClockReader.Read(clock) : null,
            place.Texts("roles"),
            place.Texts("reminders"),
            place.List("places", PlacesReader.Place),
            place.List("moves", PlacesReader.Move),
            place.Find("rotate") is { } rotate ? PlacesReader.Rotate(rotate) : null
        );
        HoldTogether(place, stage);
        return stage;
    }

    private static void HoldTogether(JsonPlace place, Stage stage)
    {
        place.NoTwice("outcomes", stage.Outcomes.Select(outcome => outcome.Id));
        place.NoTwice("sides", stage.Sides);
        place.NoTwice("places", stage.Places.Select(spot => spot.Id));
        PlacesReader.HoldTogether(place, stage.Places, stage.Moves);
        PlacesReader.HoldSides(place, stage.Places, stage.Sides);

        if (stage is { Play: Play.Match, Scores: Scorer.Side, Sides.Count: < 2 })
        {
            (place.Find("sides") ?? place).Wrong(
                "a match of sides needs two sides or more",
                "write sides: [\"plain\", \"striped\"]"
            );
        }

        if (stage.Ball is { } ball && stage.Sides.Count > 0 && !stage.Sides.Contains(ball))
        {
            place.Find("ball")?.Wrong($"\"{ball}\" is not one of the sides", "write one of " + string.Join(", ", stage.Sides));
        }

        var needsBall = stage.Outcomes.FirstOrDefault(outcome =>
            outcome.By is TappedBy.Ball or TappedBy.OffBall || outcome.Does.Contains(Effect.TurnOver)
        );
        if (stage.Ball is null && needsBall is not null)
        {
            place.Wrong(
                $"outcome \"{needsBall.Id}\" asks who has the ball, and nobody starts with it",
                "write ball: the side that starts"
            );
        }
    }
}
