using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Scoring;
using KeepTally.Core.Time;

namespace KeepTally.Core.Tests.Live;

/// <summary>
/// The rules against the mathematics of repeated trials, played by seeded stand-ins. Each mean must lie within four
/// standard errors of the published value.
/// </summary>
public sealed class WorldTests
{
    private const int Runs = 4000;

    [Theory]
    [InlineData(0.5, 3)]
    [InlineData(0.7, 5)]
    public void Goes_until_so_many_in_a_row(double p, int k)
    {
        // Feller, An Introduction to Probability Theory and Its Applications, vol. 1, XIII.7 (the section from memory): (1 − pᵏ) / (q pᵏ).
        var expected = (1 - Math.Pow(p, k)) / ((1 - p) * Math.Pow(p, k));

        AssertMean(expected, Played($"\"until\":[{{\"streak\":{k}}}]", p, unit => unit.Attempts));
    }

    [Fact]
    public void Goes_until_ten_makes_where_a_miss_is_held_are_those_until_ten_makes_in_all()
    {
        // Negative binomial: k / p goes until the k-th success.
        const string Held = """
            "until":[{"streak":10}],"streak":{"miss":"hold"}
            """;
        const string Makes = """
            "until":[{"successes":10}]
            """;

        AssertMean(10 / 0.6, Played(Held, 0.6, unit => unit.Attempts));
        AssertMean(10 / 0.6, Played(Makes, 0.6, unit => unit.Attempts));
    }

    [Theory]
    [InlineData("none")]
    [InlineData("fail")]
    [InlineData("both")]
    public void Windows_of_five_in_seven_are_won_as_often_whichever_school_closes_them(string stop)
    {
        // Binomial: P(at least 5 of 7). Closing a decided window early changes its length, never who wins it.
        const double P = 0.6;
        var wins = Enumerable.Range(5, 3).Sum(made => Choose(7, made) * Math.Pow(P, made) * Math.Pow(1 - P, 7 - made));
        var ladder = $$$"""
            "ladder":{"rungs":["a"],"pass":{"successes":5,"of":7,"stop":"{{{stop}}}"},"fail":"out"},"until":[{"outs":1}]
            """;

        AssertMean(wins, Played(ladder, P, unit => unit.Cleared));
    }

    [Fact]
    public void Windows_lost_before_one_is_won_are_geometric()
    {
        // Geometric: (1 − w) / w failures before the first success.
        const double P = 0.6;
        var wins = Enumerable.Range(5, 3).Sum(made => Choose(7, made) * Math.Pow(P, made) * Math.Pow(1 - P, 7 - made));
        const string Ladder = """
            "ladder":{"rungs":["a"],"pass":{"successes":5,"of":7},"fail":"out"}
            """;

        AssertMean((1 - wins) / wins, Played(Ladder, P, unit => unit.Outs));
    }

    [Fact]
    public void Even_sides_win_a_match_by_two_equally_often()
    {
        var card = Given.Card(
            """
            "play":"match","scores":"side","sides":["x","y"],"until":[{"points":5,"lead":2}]
            """
        );
        var chance = new Random(7);
        var wins = Enumerable
            .Range(0, Runs)
            .Select(_ =>
            {
                var sheet = Given.Started(card, "x", "y");
                while (!sheet.Now().Done)
                {
                    sheet.Tap(chance.Next(2) == 0 ? "x" : "y", "make");
                }

                return sheet.Now().Winner?.Value == "x" ? 1.0 : 0.0;
            });

        AssertMean(0.5, [.. wins]);
    }

    private static double[] Played(string stage, double p, Func<UnitReport, int> value)
    {
        var card = Given.Card(stage);
        var chance = new Random(20260903);
        return [.. Enumerable.Range(0, Runs).Select(_ => (double)value(PlayOut(card, p, chance)))];
    }

    private static UnitReport PlayOut(DrillCard card, double p, Random chance)
    {
        var sheet = Score.Open(card, new LogHead(card.Id, 0, card.Chosen, [new Unit(new PlayerId("a"), "A", [])])).Require();
        sheet.Apply(new RunEvent.Start(new EventId(new DeviceId("s"), 1), new Instant(0)));
        for (var n = 1; ; n++)
        {
            sheet.Apply(
                new RunEvent.Tap(
                    new EventId(new DeviceId("t"), n),
                    new Instant(n),
                    new PlayerId("a"),
                    chance.NextDouble() < p ? "make" : "miss",
                    null,
                    null,
                    null
                )
            );
            if (sheet.Report(new Instant(n)) is { Done: true } report)
            {
                return report.Units[0];
            }
        }
    }

    private static void AssertMean(double expected, double[] played)
    {
        var mean = played.Average();
        var deviation = Math.Sqrt(played.Sum(each => (each - mean) * (each - mean)) / (played.Length - 1));
        Assert.InRange(
            mean,
            expected - (4 * deviation / Math.Sqrt(played.Length)),
            expected + (4 * deviation / Math.Sqrt(played.Length))
        );
    }

    private static double Choose(int n, int k) => k == 0 ? 1 : Choose(n - 1, k - 1) * n / k;
}
