using KeepTally.Core.Cards;
using KeepTally.Core.Clock;
using KeepTally.Core.Json;
using KeepTally.Core.Places;
using KeepTally.Core.Rulebook;
using KeepTally.Core.Rules;
using KeepTally.Core.Rules.Effects;

namespace KeepTally.Core.Formats;

/// <summary>Reads one stage and holds its parts against each other.</summary>
internal static class StageReader
{
    private static readonly string[] Properties =
    [
        "name",
        "scores",
        "play",
        "sides",
        "outcomes",
        "ball",
        "clock",
        "roles",
        "reminders",
        "asks",
        "askOrder",
        "places",
        "moves",
        "rotate",
        "versus",
    ];

    internal static Stage Read(JsonPlace place, RuleSet rules)
    {
        place.Only([.. Properties, .. rules.Stage.Select(kind => kind.Property)]);
        var stage = new Stage
        {
            Name = place.TextOr("name", "Stage"),
            Scores = CardChoices.Scorers.ReadFrom(place),
            Play = CardChoices.Plays.ReadFrom(place),
            Sides = place.Texts("sides"),
            Outcomes = place.List("outcomes", outcome => OutcomeReader.Read(outcome, rules)),
            Rules = [.. rules.Stage.Select(kind => kind.Read(place)).OfType<StageRule>()],
            Ball = place.Find("ball")?.Text(),
            Clock = place.Find("clock") is { } clock ? ClockReader.Read(clock) : null,
            Roles = place.Texts("roles"),
            Reminders = place.Texts("reminders"),
            Asks = AsksReader.Read(place),
            Places = place.List("places", PlacesReader.Place),
            Moves = place.List("moves", PlacesReader.Move),
            Rotate = place.Find("rotate") is { } rotate ? PlacesReader.Rotate(rotate) : null,
            Versus = VersusReader.Read(place),
        };
        HoldTogether(place, stage);
        return stage;
    }

    /// <summary>Checks that a job is a spot of one player, and that players score.</summary>
    private static void HoldJobs(JsonPlace place, Stage stage)
    {
        foreach (var (outcome, written) in stage.Outcomes.Zip(place.Find("outcomes")?.Items().ToArray() ?? []))
        {
            if (outcome.Job is not { } job)
            {
                continue;
            }

            string[] spots = [.. stage.Places.Where(spot => spot is { Kind: PlaceKind.Spot, Size: 1 }).Select(spot => spot.Id)];
            if (stage.Scores != Scorer.Player)
            {
                written
                    .Find("job")
                    ?.Wrong("only players can be counted for by their job", "write scores: \"player\", or take this out");
            }
            else if (!spots.Contains(job))
            {
                written
                    .Find("job")
                    ?.Wrong(
                        $"there is no spot \"{job}\" for one player",
                        spots.Length == 0 ? "write places with such a spot" : "write one of " + string.Join(", ", spots)
                    );
            }
        }
    }

    private static void HoldTogether(JsonPlace place, Stage stage)
    {
        place.NoTwice("outcomes", stage.Outcomes.Select(outcome => outcome.Id));
        place.NoTwice("sides", stage.Sides);
        place.NoTwice("places", stage.Places.Select(spot => spot.Id));
        PlacesReader.HoldTogether(place, stage.Places, stage.Moves);
        PlacesReader.HoldSides(place, stage.Places, stage.Sides);
        HoldJobs(place, stage);
        VersusReader.HoldTogether(place, stage);

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
            outcome.By is TappedBy.Ball or TappedBy.OffBall || outcome.Does.Contains(OutcomeEffects.TurnOver)
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
