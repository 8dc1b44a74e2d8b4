using CsCheck;
using KeepTally.Core.Chance;
using KeepTally.Core.Dealing;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Tests.Shipped;
using KeepTally.Core.Time;
using KeepTally.Core.Training;

namespace KeepTally.Core.Tests.Training;

/// <summary>A simulated drill: what is shown in it, and how what was tapped is held against it.</summary>
public sealed class ThumbTests
{
    private static Shown Seen(int second, string unit, string outcome) =>
        new(new Instant(second * 1000), new TapCommand(new PlayerId(unit), outcome));

    private static RunEvent.Tap Tap(int n, double second, string unit, string outcome) =>
        new(new EventId(new DeviceId("t"), n), new Instant((long)(second * 1000)), new PlayerId(unit), outcome, null, null, null);

    private static readonly Shown[] Three = [Seen(1, "a", "make"), Seen(4, "b", "miss"), Seen(7, "a", "make")];

    [Fact]
    public void All_right_is_all_right_and_the_middle_one_tells_how_quick()
    {
        var report = ThumbReport.Of(Three, [Tap(1, 1.5, "a", "make"), Tap(2, 4.7, "b", "miss"), Tap(3, 7.9, "a", "make")]);
        Assert.Equal(new ThumbReport(3, 3, 0, 0, 0, 0, 0, 0, new Duration(700)), report);
    }

    [Fact]
    public void What_was_late_doubled_missed_given_to_another_player_or_made_up_is_told_apart()
    {
        Assert.Equal((1, 1, 2), Of(Tap(1, 4.2, "a", "make")) is var late ? (late.Right, late.Late, late.Missed) : default);
        Assert.Equal(
            (1, 1),
            Of(Tap(1, 1.2, "a", "make"), Tap(2, 1.3, "a", "make")) is var twice ? (twice.Right, twice.Doubled) : default
        );
        Assert.Equal(1, Of(Tap(1, 1.5, "b", "make")).WrongPlayer);
        Assert.Equal(1, Of(Tap(1, 4.5, "b", "make")).WrongWhat);
        Assert.Equal((1, 3), Of(Tap(1, 0.5, "a", "make")) is var early ? (early.Extra, early.Missed) : default);
        Assert.Null(Of().Quickness);

        static ThumbReport Of(params RunEvent.Tap[] taps) => ThumbReport.Of(Three, taps);
    }

    /// <summary>Anyone who taps everything as it was shown, a moment later, has all of it right, on every shipped card that is tapped.</summary>
    [Fact]
    public void What_is_shown_can_be_tapped_and_is_then_all_right()
    {
        Gen.Select(Gen.Int[0, ShippedCard.Ids.Count - 1], Gen.Int[1, 10_000])
            .Sample(
                (which, seed) =>
                {
                    var card = ShippedCard.Read(ShippedCard.Ids[which]);
                    var members = Enumerable
                        .Range(1, card.Players.Best)
                        .Select(n => new Member(new PlayerId($"p{n}"), $"P{n}"))
                        .ToArray();
                    var (_, head) = StageDealer.Deal(card, 0, members, 1)[0];
                    LivePractice Fresh() =>
                        new(
                            new DeviceId("x"),
                            [new LiveRun("", [new RunSheet(new SheetId("s"), "", Sheet.Open(card, head).Require())])]
                        );

                    var shown = ThumbScript.Play(
                        Fresh(),
                        Instant.Origin,
                        Duration.FromSeconds(3),
                        Duration.FromSeconds(60),
                        0.5,
                        new SeededDraw(seed)
                    );
                    Assert.Equal(
                        shown,
                        ThumbScript.Play(
                            Fresh(),
                            Instant.Origin,
                            Duration.FromSeconds(3),
                            Duration.FromSeconds(60),
                            0.5,
                            new SeededDraw(seed)
                        )
                    );
                    var coach = Fresh();
                    coach.Execute(RunCommand.Start, Instant.Origin);
                    foreach (var each in shown)
                    {
                        coach.AppendDue(each.At + new Duration(300));
                        coach.Tap(new SheetId("s"), each.What, each.At + new Duration(300)).Require();
                    }

                    var taps = coach.Runs[0].Sheets[0].Sheet.Log.Events.OfType<RunEvent.Tap>().ToArray();
                    var report = ThumbReport.Of(shown, taps);
                    Assert.Equal((shown.Count, 0, 0, 0), (report.Right, report.Missed, report.Late, report.Extra));
                },
                iter: 150
            );
    }

    /// <summary>Every tap and everything shown is told once: nothing is lost between the figures.</summary>
    [Fact]
    public void The_figures_add_up()
    {
        var some = Gen.Select(Gen.Int[0, 40], Gen.OneOf("a", "b"), Gen.OneOf("make", "miss"));
        Gen.Select(some.Array[0, 12], some.Array[0, 16])
            .Sample(
                (seen, said) =>
                {
                    var shown = seen.OrderBy(each => each.Item1).Select(each => Seen(each.Item1, each.Item2, each.Item3)).ToArray();
                    var taps = said.OrderBy(each => each.Item1)
                        .Select((each, n) => Tap(n, each.Item1, each.Item2, each.Item3))
                        .ToArray();
                    var report = ThumbReport.Of(shown, taps);
                    Assert.Equal(shown.Length, report.Right + report.WrongPlayer + report.WrongWhat + report.Missed);
                    Assert.Equal(taps.Length, report.Right + report.WrongPlayer + report.WrongWhat + report.Doubled + report.Extra);
                    Assert.True(report.Late <= report.Right);
                }
            );
    }
}
