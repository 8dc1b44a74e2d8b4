using KeepTally.Core.Cards;
using KeepTally.Core.Faults;
using KeepTally.Core.Identity;
using KeepTally.Core.Json;
using KeepTally.Core.Rules.Zones;

namespace KeepTally.Core.Simulation;

/// <summary>Reads the skill of <c>tally fit</c>. Source: docs/formats.md, section 7.</summary>
public static class SkillReader
{
    /// <summary>Where zones are asked, that the ball went where it was asked.</summary>
    public const string Hit = "hit";

    /// <summary>Where zones are asked, that it went elsewhere.</summary>
    public const string Miss = "miss";

    /// <summary>The id of a unit that plays alone.</summary>
    public const string Alone = "player";

    /// <summary>Chances that add up to one within so much do.</summary>
    private const double Near = 1e-6;

    /// <summary>Reads a skill for a stage, or says what is wrong with it.</summary>
    public static Result<Skill> Read(string json, Stage stage)
    {
        var faults = new List<Fault>();
        using var document = JsonText.Parse(json, faults);
        if (document is null)
        {
            return Result<Skill>.Fail(faults);
        }

        var root = JsonPlace.Root(document.RootElement, faults);
        root.Only("outcomes", "rally", "ball");
        Skill? skill =
            faults.Count > 0 ? null
            : root.Find("rally") is { } rally ? OfRally(rally, stage)
            : root.Find("ball") is { } ball ? OfBall(ball, stage)
            : root.Need("outcomes", "what may come of a go, as {\"make\": 0.6, \"miss\": 0.4}") is { } outcomes
                ? new Skill.Own([new UnitSkill(new PlayerId(Alone), Outcomes(outcomes, stage))])
            : null;
        if (faults.Count == 0 && skill is Skill.Own && stage.Play == Play.Match)
        {
            root.Wrong("a match needs two sides", "write rally, or ball where outcomes are of the side with the ball");
        }

        return faults.Count == 0 && skill is not null ? Result<Skill>.Ok(skill) : Result<Skill>.Fail(faults);
    }

    private static Skill.Rally OfRally(JsonPlace rally, Stage stage)
    {
        var outcomes = new List<LikelyRally>();
        foreach (var item in rally.Items())
        {
            item.Only("unit", "outcome", "p");
            var unit = item.Need("unit", "whose it is")?.Text() ?? "";
            if (stage.Sides.Count > 0 && !stage.Sides.Contains(unit))
            {
                item.Find("unit")?.Wrong($"there is no side \"{unit}\"", "use one of " + string.Join(", ", stage.Sides));
            }

            var name = item.Need("outcome", "what came of it") is { } outcome ? Known(outcome, outcome.Text(), stage) : "";
            outcomes.Add(new LikelyRally(new PlayerId(unit), name, item.Need("p", "its chance")?.Number(0, 1) ?? 0));
        }

        OneInAll(rally, outcomes.Sum(each => each.Chance));
        return new Skill.Rally(outcomes);
    }

    private static Skill.Ball OfBall(JsonPlace ball, Stage stage)
    {
        var sides = ball.Properties().ToDictionary(side => side.Name, side => Outcomes(side.Value, stage));
        foreach (var side in stage.Sides.Where(side => !sides.ContainsKey(side)))
        {
            ball.Wrong($"the side \"{side}\" is missing", "write what comes of its goes");
        }

        foreach (var (name, place) in ball.Properties().Where(side => !stage.Sides.Contains(side.Name)))
        {
            place.Wrong($"there is no side \"{name}\"", "use one of " + string.Join(", ", stage.Sides));
        }

        return new Skill.Ball([
            .. stage.Sides.Where(sides.ContainsKey).Select(side => new UnitSkill(new PlayerId(side), sides[side])),
        ]);
    }

    private static List<Likely> Outcomes(JsonPlace place, Stage stage)
    {
        var outcomes = place
            .Properties()
            .Select(each => new Likely(Known(each.Value, each.Name, stage), each.Value.Number(0, 1)))
            .ToList();
        var sum = outcomes.Sum(each => each.Chance);
        if (stage.Targets is not null && !outcomes.Exists(each => each.Outcome == Miss) && sum is >= 0 and <= 1)
        {
            outcomes.Add(new Likely(Miss, 1 - sum));
            return outcomes;
        }

        OneInAll(place, sum);
        return outcomes;
    }

    private static string Known(JsonPlace place, string name, Stage stage)
    {
        string[] known = stage.Targets is not null ? [Hit, Miss] : [.. stage.Outcomes.Select(outcome => outcome.Id)];
        if (!known.Contains(name))
        {
            place.Wrong($"there is no outcome \"{name}\"", "use one of " + string.Join(", ", known));
        }

        return name;
    }

    private static void OneInAll(JsonPlace place, double sum)
    {
        if (Math.Abs(sum - 1) > Near)
        {
            place.Wrong(FormattableString.Invariant($"the chances add up to {sum:0.######}"), "let them add up to 1");
        }
    }
}
