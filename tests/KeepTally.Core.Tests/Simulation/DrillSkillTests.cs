using KeepTally.Core.Simulation;

namespace KeepTally.Core.Tests.Simulation;

/// <summary>Chances of outcomes from a share made and what was tapped before, worked out by hand.</summary>
public sealed class DrillSkillTests
{
    private const string TwoWays = """
        [{"id":"clean","label":"Clean","result":"success","points":2},{"id":"goal","label":"Goal","result":"success","points":1},
         {"id":"wide","label":"Wide","result":"failure"},{"id":"saved","label":"Saved","result":"failure"}]
        """;

    private static (string Outcome, double Chance)[] Of(string outcomes, double share, Dictionary<string, int>? counts = null) =>
        [
            .. ((Skill.Own)DrillSkill.Of(Given.Card("", outcomes).Stages[0], share, counts)!)
                .Units[0]
                .Outcomes.Select(each => (each.Outcome, Math.Round(each.Chance, 9))),
        ];

    [Fact]
    public void Ways_to_make_and_to_miss_it_fall_evenly_where_nothing_is_known() =>
        Assert.Equal([("clean", 0.3), ("goal", 0.3), ("wide", 0.2), ("saved", 0.2)], Of(TwoWays, 0.6));

    [Fact]
    public void They_fall_as_they_did_before_and_the_share_stays_the_share() =>
        Assert.Equal(
            [("clean", 0.15), ("goal", 0.45), ("wide", 0.04), ("saved", 0.36)],
            Of(
                TwoWays,
                0.6,
                new Dictionary<string, int>
                {
                    ["clean"] = 10,
                    ["goal"] = 30,
                    ["wide"] = 2,
                    ["saved"] = 18,
                }
            )
        );

    [Fact]
    public void Where_no_miss_is_tapped_what_is_not_made_is_a_go_without_a_tap() =>
        Assert.Equal([("make", 0.7), ("", 0.3)], Of("""[{"id":"make","label":"Make","result":"success","points":1}]""", 0.7));
}
