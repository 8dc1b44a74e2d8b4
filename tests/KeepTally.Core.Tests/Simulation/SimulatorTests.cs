using CsCheck;
using KeepTally.Core.Cards;
using KeepTally.Core.Identity;
using KeepTally.Core.Judgement;
using KeepTally.Core.Simulation;
using KeepTally.Core.Simulation.Exact;
using KeepTally.Core.Time;
using MathNet.Numerics.Distributions;

namespace KeepTally.Core.Tests.Simulation;

/// <summary>Drills played ahead, held against what can be calculated, within four standard errors.</summary>
public sealed class SimulatorTests
{
    private const string Sides = """
        "play":"match","scores":"side","sides":["x","y"]
        """;

    private static readonly SimulationSettings Settings = new(Duration.FromSeconds(6)) { Runs = 2000 };

    /// <summary>Rules of one player that have an answer, with k and n drawn.</summary>
    private static readonly Gen<string> Alone = Gen.OneOf(
            Gen.Int[1, 12].Select(n => $$"""[{"successes":{{n}}}]"""),
            Gen.Int[1, 4].Select(n => $$"""[{"streak":{{n}}}]"""),
            Gen.Int[1, 25].Select(n => $$"""[{"attempts":{{n}}}]""")
        )
        .Select(until => $""" "play":"together","until":{until} """);

    private static readonly Gen<string> Ladders =
        from of in Gen.Int[1, 7]
        from need in Gen.Int[1, Math.Min(of, 5)]
        from stop in Gen.Int[0, 3].Select(n => new[] { "none", "fail", "pass", "both" }[n])
        from rungs in Gen.Int[1, 3]
        select $$"""
            "play":"together","ladder":{"rungs":[{{string.Join(
                ',',
                Enumerable.Range(1, rungs).Select(rung => $"\"{rung}\"")
            )}}],"pass":{"successes":{{need}},"of":{{of}},"stop":"{{stop}}"},"fail":"retry"}
            """;

    [Fact]
    public void Goes_of_one_player_agree_with_what_can_be_calculated() =>
        Gen.Select(Gen.OneOf(Alone, Ladders), Gen.Double[0.5, 0.9], Gen.Int[1, 1000])
            .Sample(
                (stage, chance, seed) =>
                {
                    var card = Given.Card(stage);
                    var skill = Make(chance);
                    var exact = ExactOdds.Of(card.Stages[0], skill)!;
                    var simulator = Simulator.Open(card, 0, skill).Require();

                    Assert.True(
                        Twice(
                            simulator,
                            seed,
                            fit =>
                                Agrees(exact.Reps, fit.Reps, fit.Runs)
                                && Math.Abs((6 * fit.Reps.Mean) - fit.Seconds.Mean) < 1e-6
                                && fit.Finished == 1
                        )
                    );
                },
                iter: 60
            );

    [Fact]
    public void A_race_agrees_with_what_can_be_calculated() =>
        Gen.Select(Gen.Int[1, 15], Gen.Int[0, 3], Gen.Double[0.3, 0.7], Gen.Int[1, 1000])
            .Sample(
                (to, lead, chance, seed) =>
                {
                    var card = Given.Card($$"""{{Sides}},"until":[{"points":{{to}},"lead":{{lead}}}]""");
                    var skill = SkillReader
                        .Read(
                            FormattableString.Invariant(
                                $$"""{"rally":[{"unit":"x","outcome":"make","p":{{chance}}},{"unit":"y","outcome":"make","p":{{1 - chance}}}]}"""
                            ),
                            card.Stages[0]
                        )
                        .Require();
                    var exact = ExactOdds.Of(card.Stages[0], skill)!;
                    var simulator = Simulator.Open(card, 0, skill).Require();

                    var wins = exact.Wins[0].Chance;
                    Assert.True(
                        Twice(
                            simulator,
                            seed,
                            fit =>
                                Math.Abs(fit.Units[0].Wins - wins) <= Four(wins, fit.Runs)
                                && Math.Abs(fit.Units.Sum(unit => unit.Wins) - 1) < 1e-9
                                && Agrees(exact.Reps, fit.Reps, fit.Runs)
                        )
                    );
                },
                iter: 40
            );

    [Fact]
    public void Makes_of_so_many_goes_spread_as_the_binomial_does()
    {
        var fit = Simulator
            .Open(Given.Card(""" "play":"together","until":[{"attempts":20}]"""), 0, Make(0.55))
            .Require()
            .Run(Settings with { Runs = 20_000 });
        var points = fit.Units[0].Points;
        var library = new Binomial(0.55, 20);

        Assert.True(Agrees(library.Mean, points, fit.Runs));
        Assert.Equal(library.StdDev, points.Deviation, 1);
        Assert.Equal((8, 11, 14), ((int)points.Tenth, (int)points.Half, (int)points.NineTenths));
    }

    [Fact]
    public void What_does_not_fit_into_the_time_does_not_happen()
    {
        var card = Given.Card(""" "play":"together","until":[{"seconds":60}]""");
        var fit = Simulator.Open(card, 0, Make(0.5)).Require().Run(Settings);

        Assert.Equal((10.0, 60.0, 1.0, 0.0), (fit.Reps.Mean, fit.Seconds.Mean, fit.Finished, fit.PlayedOut));
    }

    [Fact]
    public void A_rep_in_a_change_over_does_not_happen()
    {
        var card = Given.Card(""" "play":"together","clock":{"work":60,"rounds":3,"change":30}""");
        var fit = Simulator.Open(card, 0, Make(0.5)).Require().Run(Settings);

        // Ten in each minute; the clock of the third begins at three minutes.
        Assert.Equal((30.0, 240.0), (fit.Reps.Mean, fit.Seconds.Mean));
    }

    [Fact]
    public void Turns_pass_when_their_time_is_up()
    {
        var card = Given.Card(""" "play":"turns","until":[{"seconds":30}]""");
        UnitSkill Of(string name) => new(new PlayerId(name), [new Likely("make", 1), new Likely("miss", 0)]);
        var fit = Simulator.Open(card, 0, new Skill.Own([Of("a"), Of("b")])).Require().Run(Settings);

        Assert.All(fit.Units, unit => Assert.InRange(unit.Points.Mean, 4, 5));
        Assert.Equal(1, fit.Finished);
    }

    [Fact]
    public void What_never_ends_is_given_up_at_the_cap()
    {
        var fit = Simulator
            .Open(Given.Card(""" "play":"together","until":[{"successes":5}]"""), 0, Make(0))
            .Require()
            .Run(Settings with { Cap = 50, Runs = 10 });

        Assert.Equal((0.0, 50.0), (fit.Finished, fit.Reps.Mean));
    }

    [Fact]
    public void The_same_seed_prints_the_same_and_another_does_not()
    {
        var card = Given.Card(""" "play":"together","until":[{"successes":5}]""");
        string Print(long seed) =>
            SimulationWriter.Write(Simulator.Open(card, 0, Make(0.6)).Require().Run(Settings with { Seed = seed }));

        Assert.Equal(Print(1), Print(1));
        Assert.NotEqual(Print(1), Print(2));
    }

    [Fact]
    public void A_thin_record_spreads_what_is_expected()
    {
        var card = Given.Card(""" "play":"together","until":[{"attempts":20}]""");
        double Spread(Share? record) =>
            Simulator
                .Open(
                    card,
                    0,
                    new Skill.Own([
                        new UnitSkill(new PlayerId("a"), [new Likely("make", 0.6), new Likely("miss", 0.4)]) { Record = record },
                    ])
                )
                .Require()
                .Run(Settings)
                .Units[0]
                .Points.Deviation;

        Assert.True(Spread(new Share(6, 10)) > 1.3 * Spread(null));
        Assert.InRange(Spread(new Share(6000, 10_000)), 0.95 * Spread(null), 1.05 * Spread(null));
    }

    [Theory]
    [InlineData("""{"outcomes":{"make":0.5,"miss":0.4}}""", "outcomes: the chances add up to 0.9")]
    [InlineData("""{"outcomes":{"goal":1}}""", "outcomes.goal: there is no outcome \"goal\"")]
    [InlineData("""{"outcomes":{"make":1.5}}""", "outcomes.make: 1.5 is out of range")]
    [InlineData("""{}""", "outcomes: this is missing")]
    [InlineData("""{"makes":1}""", "makes: no such property is known here")]
    public void A_skill_that_cannot_be_read_says_where(string json, string fault) =>
        Assert.StartsWith(
            fault,
            SkillReader.Read(json, Given.Card(""" "play":"together" """).Stages[0]).Faults[0].ToString(),
            StringComparison.Ordinal
        );

    private static Skill.Own Make(double chance) =>
        new([new UnitSkill(new PlayerId("player"), [new Likely("make", chance), new Likely("miss", 1 - chance)])]);

    private static double Four(double chance, int runs) => 4 * Math.Sqrt(chance * (1 - chance) / runs) + 1e-9;

    /// <summary>Within four standard errors; what is too seldom to have come up once may be a thousandth more.</summary>
    private static bool Agrees(double expected, Distribution played, int runs) =>
        Math.Abs(played.Mean - expected) <= Math.Max(4 * played.Deviation / Math.Sqrt(runs), 0.001 * expected);

    /// <summary>Chance alone goes beyond four standard errors once in some ten thousand times, but not twice running.</summary>
    private static bool Twice(Simulator simulator, int seed, Func<SimulationReport, bool> holds) =>
        holds(simulator.Run(Settings with { Seed = seed }))
        || holds(simulator.Run(Settings with { Seed = seed + 5000, Runs = 4 * Settings.Runs }));
}
