using System.Globalization;
using System.Xml.Linq;
using KeepTally.Core.Judgement;
using KeepTally.Core.Reports;
using KeepTally.Core.Simulation;
using KeepTally.Core.Time;
using KeepTally.Screen.Charts;

namespace KeepTally.Web.Tests.Charts;

/// <summary>Every kind of chart, of figures drawn at random: readable, whole, and with nothing outside of its picture.</summary>
public sealed class ChartTests
{
    private const int Rounds = 60;

    [Fact]
    public void Every_chart_stays_within_its_picture_and_says_what_it_shows()
    {
        var draw = new Random(16);
        for (var i = 0; i < Rounds; i++)
        {
            foreach (var svg in AllOf(draw))
            {
                var picture = XElement.Parse(svg);
                var box = picture.Attribute("viewBox")!.Value.Split(' ').Select(Number).ToArray();

                Assert.Equal("img", picture.Attribute("role")!.Value);
                Assert.Equal("A <finding> & more.", picture.Attribute("aria-label")!.Value);
                Assert.DoesNotContain("NaN", svg, StringComparison.Ordinal);
                Assert.DoesNotContain("∞", svg, StringComparison.Ordinal);
                // Text of 14 units in a picture 340 wide is 12 pixels and more from 292 pixels on.
                Assert.Equal("14", picture.Attribute("font-size")!.Value);
                foreach (var rect in picture.Descendants("rect"))
                {
                    Assert.True(At(rect, "width") >= 0 && At(rect, "height") >= 0, svg);
                    Assert.InRange(At(rect, "x"), 0, box[2]);
                    Assert.InRange(At(rect, "x") + At(rect, "width"), 0, box[2] + 0.1);
                    Assert.InRange(At(rect, "y") + At(rect, "height"), 0, box[3] + 0.1);
                }

                foreach (var dot in picture.Descendants("circle"))
                {
                    Assert.InRange(At(dot, "cx"), 0, box[2]);
                    Assert.InRange(At(dot, "cy"), 0, box[3]);
                }

                Assert.All(picture.Descendants("text"), text => Assert.InRange(At(text, "y"), 0, box[3]));
            }
        }
    }

    [Fact]
    public void A_column_is_as_high_as_its_figure()
    {
        var picture = XElement.Parse(ColumnChart.Of([new Column("a", 10), new Column("b", 5), new Column("c", 0)], 10, "x"));
        var high = picture.Descendants("rect").Select(rect => At(rect, "height")).ToArray();

        Assert.Equal(high[0], 2 * high[1], 1);
        Assert.Equal(0, high[2]);
    }

    [Fact]
    public void The_lead_is_above_the_middle_line_for_the_first_and_below_it_for_the_second()
    {
        LeadStep[] steps = [new(new RunningTime(1000), 1, 0), new(new RunningTime(2000), 1, 2)];
        var picture = XElement.Parse(LeadChart.Of(new LeadCourse("A", "B", steps, []), Duration.FromSeconds(4), "x"));
        var zero = At(picture.Descendants("line").Single(line => line.Attribute("class")!.Value == "chart-zero"), "y1");
        var way = picture
            .Descendants("path")
            .Single(path => path.Attribute("class")!.Value == "chart-line")
            .Attribute("d")!
            .Value[1..]
            .Split(" L")
            .Select(point => Number(point.Split(' ')[1]))
            .ToArray();

        Assert.True(way[2] < zero, "the first leads");
        Assert.True(way[^1] > zero, "the second leads");
        Assert.Single(picture.Descendants("circle"));
    }

    /// <summary>Every figure on the axis of time stands at its moment, in the first seconds of a game, too.</summary>
    [Theory]
    [InlineData(900)]
    [InlineData(1_600)]
    [InlineData(3_700)]
    [InlineData(45_000)]
    [InlineData(100_000)]
    [InlineData(1_500_000)]
    public void A_moment_on_the_axis_of_a_lead_is_where_its_figure_says(long ran)
    {
        const double left = 34;
        var picture = XElement.Parse(LeadChart.Of(new LeadCourse("A", "B", [], []), new Duration(ran), "x"));
        var right = Number(picture.Attribute("viewBox")!.Value.Split(' ')[2]) - 8;
        foreach (var tick in picture.Descendants("text").Where(text => text.Value.Contains(':', StringComparison.Ordinal)))
        {
            var parts = tick.Value.Split(':').Select(Number).ToArray();
            var at = left + ((right - left) * ((parts[0] * 60) + parts[1]) * 1000 / ran);
            Assert.InRange(At(tick, "x"), at - 2.1, at + 0.1);
        }

        if (ran > 10_000)
        {
            Assert.Contains(picture.Descendants("text"), text => text.Value.Contains(':', StringComparison.Ordinal));
        }
    }

    private static IEnumerable<string> AllOf(Random draw)
    {
        const string label = "A <finding> & more.";
        var steps = new List<LeadStep>();
        var (a, b, at) = (0.0, 0.0, 0L);
        for (var i = draw.Next(40); i > 0; i--)
        {
            at += draw.Next(60_000);
            (a, b) = draw.Next(2) == 0 ? (a + draw.Next(-1, 4), b) : (a, b + draw.Next(-1, 4));
            steps.Add(new LeadStep(new RunningTime(at), a, b));
        }

        yield return LeadChart.Of(
            new LeadCourse("Plain & simple", "Striped", steps, [new RunningTime(draw.NextInt64(at + 1))]),
            new Duration(at + draw.Next(100_000)),
            label
        );
        yield return RankChart.Of(
            [
                .. Enumerable
                    .Range(0, draw.Next(1, 20))
                    .Select(i => new RankBar(
                        $"Name {i} of many",
                        draw.Next(-5, 30),
                        "7",
                        draw.Next(3) == 0 ? draw.Next(-5, 30) : null
                    )),
            ],
            draw.Next(2) == 0 ? draw.Next(-3, 40) : null,
            "par 7",
            label
        );
        yield return ColumnChart.Of(
            [
                .. Enumerable
                    .Range(0, draw.Next(1, 40))
                    .Select(i => new Column($"{i} Nov", i + 3, draw.Next(2) == 0 ? draw.Next(0, i + 4) : null)),
            ],
            draw.Next(2) == 0 ? draw.Next(1, 90) : null,
            label
        );
        yield return PairChart.Of(
            [.. Enumerable.Range(0, draw.Next(1, 9)).Select(i => ($"Place {i}", ShareOf(draw), ShareOf(draw)))],
            label
        );
        var (first, apart) = (new DateOnly(2026, 9, 1), draw.Next(1, 9));
        yield return RangeChart.Of(
            [.. Enumerable.Range(0, draw.Next(1, 12)).Select(i => (first.AddDays(i * apart), ShareOf(draw)))],
            null,
            SuccessBand.Usual,
            label,
            small: draw.Next(2) == 0
        );
        double[] figures =
        [
            .. Enumerable.Range(0, draw.Next(1, 500)).Select(_ => Math.Round(draw.NextDouble() * draw.Next(1, 2000))),
        ];
        yield return SpreadChart.Of(
            Distribution.Of(figures),
            value => value.ToString(CultureInfo.InvariantCulture),
            draw.Next(2) == 0 ? new SpreadMark(draw.Next(3000), "par") : null,
            label
        );
        var wins = draw.NextDouble();
        yield return ShareBar.Of([("A", wins), ("B", (1 - wins) / 2), ("Neither", (1 - wins) / 2)], label);
    }

    private static Share ShareOf(Random draw)
    {
        var of = draw.Next(0, 30);
        return new Share(draw.Next(0, of + 1), of);
    }

    private static double At(XElement element, string name) => Number(element.Attribute(name)!.Value);

    private static double Number(string text) => double.Parse(text, CultureInfo.InvariantCulture);
}
