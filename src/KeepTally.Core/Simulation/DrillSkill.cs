using KeepTally.Core.Cards;
using KeepTally.Core.Identity;
using KeepTally.Core.Judgement;
using KeepTally.Core.Rules.Zones;

namespace KeepTally.Core.Simulation;

/// <summary>The skill for a drill where all that is known is how often a go succeeds, or who wins more of the rallies.</summary>
public static class DrillSkill
{
    /// <summary>
    /// One player or group that makes this share of its goes; in a match the first side wins this share of the rallies. Null where nothing
    /// on the card is called a success, or it takes more than two sides.
    /// </summary>
    /// <param name="stage">The stage of the card.</param>
    /// <param name="share">From 0 to 1.</param>
    /// <param name="counts">How often each outcome was tapped before; where it is known, ways to make it and to miss it fall as they did.</param>
    /// <param name="record">What the share was read from, to be as unsure as that; null where it is certain.</param>
    public static Skill? Of(Stage stage, double share, IReadOnlyDictionary<string, int>? counts = null, Share? record = null)
    {
        if (stage.Targets is not null)
        {
            return Alone([new Likely(SkillReader.Hit, share), new Likely(SkillReader.Miss, 1 - share)], 1, record);
        }

        var makes = Weighed(stage, OutcomeResult.Success, counts);
        if (makes.Length == 0 || stage.Scores == Scorer.None)
        {
            return null;
        }

        if (stage.Play == Play.Match)
        {
            return stage.Sides is [var first, var second]
                ? new Skill.Rally([.. Scored(first, share), .. Scored(second, 1 - share)])
                : null;
        }

        var misses = Weighed(stage, OutcomeResult.Failure, counts);
        Likely[] missed =
            misses.Length > 0
                ? [.. misses.Select(each => each with { Chance = (1 - share) * each.Chance })]
                : [new Likely("", 1 - share)];
        return Alone([.. makes.Select(each => each with { Chance = share * each.Chance }), .. missed], makes.Length, record);

        IEnumerable<LikelyRally> Scored(string side, double chance) =>
            makes.Select(each => new LikelyRally(new PlayerId(side), each.Outcome, chance * each.Chance));
    }

    private static Skill.Own Alone(IReadOnlyList<Likely> outcomes, int makes, Share? record) =>
        new([new UnitSkill(new PlayerId(SkillReader.Alone), outcomes) { Record = record, Makes = makes }]);

    /// <summary>The outcomes of a result with their shares of it: as they fell before, else evenly.</summary>
    private static Likely[] Weighed(Stage stage, OutcomeResult result, IReadOnlyDictionary<string, int>? counts)
    {
        var outcomes = stage.Outcomes.Where(outcome => outcome.Result == result && outcome.Job is null).ToArray();
        var known = outcomes.Sum(outcome => counts?.GetValueOrDefault(outcome.Id) ?? 0);
        return
        [
            .. outcomes.Select(outcome => new Likely(
                outcome.Id,
                known > 0 ? (double)counts!.GetValueOrDefault(outcome.Id) / known : 1.0 / outcomes.Length
            )),
        ];
    }
}
