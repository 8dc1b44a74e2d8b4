using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Rules.Zones;
using KeepTally.Core.Scoring;
using KeepTally.Core.Time;

namespace KeepTally.Core.Tests.Rules;

public sealed class ZoneAndTagTests
{
    [Fact]
    public void Four_zones_for_five_rounds_are_twenty_balls()
    {
        // Common practice: 4 × 5.
        var sheet = Given.Started(
            Given.Card(
                """
                "targets":{"zones":["near","mid","far","deep"],"rounds":5}
                """,
                "[]"
            ),
            "a"
        );
        var balls = 0;
        while (!sheet.Now().Done)
        {
            Assert.Equal(sheet.Stage.Targets!.Zones[balls % 4], sheet.Now().Of("a").Asked);
            sheet.Tap("a", null, zone: balls % 2 == 0 ? "none" : sheet.Now().Of("a").Asked);
            balls++;
        }

        Assert.Equal(
            (20, 10, 10.0, (string?)null),
            (balls, sheet.Now().Of("a").Successes, sheet.Now().Of("a").Points, sheet.Now().Of("a").Asked)
        );
    }

    [Fact]
    public void A_zone_asked_twice_in_a_round_is_one_row()
    {
        var sheet = Given.Started(
            Given.Card(
                """
                "targets":{"zones":["near","far","near"],"points":2}
                """,
                "[]"
            ),
            "a"
        );
        sheet.Tap("a", null, zone: "near");
        sheet.Tap("a", null, zone: "near");
        sheet.Tap("a", null, zone: "near");

        var unit = sheet.Now().Of("a");
        Assert.Equal(
            ["near: near 2", "far: near 1"],
            unit.Zones.Select(row => $"{row.Key}: {row.Value[0].Key} {row.Value[0].Value}")
        );
        Assert.Equal((4.0, true), (unit.Points, unit.Done));
    }

    [Fact]
    public void A_zone_that_is_not_there_is_refused() =>
        Assert.Equal(
            "zone",
            Given
                .Started(
                    Given.Card(
                        """
                        "targets":{"zones":["near"]}
                        """,
                        "[]"
                    ),
                    "a"
                )
                .Tap("a", null, zone: "moon")
                ?.Path
        );

    [Theory]
    [InlineData("void", 2, 2, 1)]
    [InlineData("failure", 3, 2, 0)]
    public void A_finish_twice_running_is_void_or_a_failure(string breach, int attempts, int points, int voids)
    {
        var sheet = Given.Started(
            Given.Card(
                $$"""
                "limits":[{"tag":"finish","within":1,"breach":"{{breach}}"}]
                """
            ),
            "a"
        );
        Finish(sheet, "lob", "lob", "spin");

        var unit = sheet.Now().Of("a");
        Assert.Equal((attempts, (double)points, voids), (unit.Attempts, unit.Points, unit.Voids));
    }

    [Fact]
    public void A_void_finish_does_not_stand_in_the_way_of_the_next()
    {
        var sheet = Given.Started(
            Given.Card(
                """
                "limits":[{"tag":"finish","within":2}]
                """
            ),
            "a"
        );

        Finish(sheet, "lob", "spin", "lob", "bounce", "lob");

        Assert.Equal((4, 1), (sheet.Now().Of("a").Attempts, sheet.Now().Of("a").Voids));
    }

    [Theory]
    [InlineData("zero", 1, 2)]
    [InlineData("hold", 3, 3)]
    public void A_miss_ends_the_run_or_does_not_count(string miss, int streak, int best)
    {
        var unit = Given
            .Started(
                Given.Card(
                    $$"""
                    "streak":{"miss":"{{miss}}"}
                    """
                ),
                "a"
            )
            .Taps("a+ a+ a- a+")
            .Now()
            .Of("a");

        Assert.Equal((streak, best), (unit.Streak, unit.BestStreak));
    }

    [Theory]
    [InlineData("low", 28.5)]
    [InlineData("high", 31.5)]
    public void The_best_reading_follows_the_measure(string better, double best)
    {
        var sheet = Given.Started(
            Given.Card(
                $$"""
                "measure":[{"by":"readingBest","better":"{{better}}"}]
                """,
                """[{"id":"home","reading":"s"},{"id":"drop"}]"""
            ),
            "a"
        );
        foreach (var (outcome, value) in new[] { ("home", 31.5), ("home", 28.5), ("home", 30.0), ("drop", 1.0) })
        {
            sheet.Add(
                new RunEvent.Tap(
                    new EventId(new DeviceId("t"), sheet.Log.Events.Count),
                    sheet.Log.LastAt + new Duration(1),
                    new PlayerId("a"),
                    outcome,
                    null,
                    null,
                    value
                )
            );
        }

        Assert.Equal(new ReadingsReport(3, best, 30, 30), sheet.Now().Of("a").Readings);
        Assert.Equal(best, sheet.Now().Of("a").Value(MeasureKinds.ReadingBest));
    }

    private static void Finish(Sheet sheet, params string[] finishes)
    {
        foreach (var finish in finishes)
        {
            var tags = new Dictionary<string, string> { ["finish"] = finish };
            sheet.Add(
                new RunEvent.Tap(
                    new EventId(new DeviceId("t"), sheet.Log.Events.Count),
                    sheet.Log.LastAt + new Duration(1000),
                    new PlayerId("a"),
                    "make",
                    null,
                    tags,
                    null
                )
            );
        }
    }
}
