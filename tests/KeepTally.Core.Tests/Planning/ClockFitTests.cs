using KeepTally.Core.Formats;
using KeepTally.Core.Planning;
using KeepTally.Core.Tests.Shipped;
using KeepTally.Core.Time;
using KeepTally.Core.Words;

namespace KeepTally.Core.Tests.Planning;

/// <summary>The minutes of a block and the clock of its card.</summary>
public sealed class ClockFitTests
{
    public static TheoryData<string> Clocked => [.. ShippedCard.Ids.Where(id => ShippedCard.Read(id).Stages[0].Clock is not null)];

    /// <summary>Worked by hand: 5 s counted in, then six minutes of work and five changes of 15 s are 440 s; a seventh round would be 515 s.</summary>
    [Fact]
    public void Eight_minutes_hold_six_rounds_of_a_minute()
    {
        var plan = ShippedCard.Read("minute-trios").Stages[0].Clock!;
        var given = Duration.FromMinutes(8);

        Assert.True(ClockFit.Differ(plan, given));
        Assert.Equal((6, 440.0), (ClockFit.To(plan, given).Rounds, ClockFit.To(plan, given).Total.TotalSeconds));
        Assert.Equal(4, ClockFit.MinutesFor(plan));
        Assert.False(ClockFit.Differ(plan, Duration.FromMinutes(4)));
    }

    /// <summary>A quarter of a minute over and a minute short are lost anyhow: docs/formats.md, section 5. Two rounds of 60 s and a change of 20 s are 140 s.</summary>
    [Theory]
    [InlineData(125_000, false)]
    [InlineData(124_999, true)]
    [InlineData(200_000, false)]
    [InlineData(200_001, true)]
    public void A_clock_and_its_time_differ_by_more_than_is_lost_anyhow(long given, bool differ) =>
        Assert.Equal(differ, ClockFit.Differ(Clock(rounds: 2), new Duration(given)));

    [Theory]
    [InlineData(119_999, 1, false)]
    [InlineData(120_000, 2, false)]
    [InlineData(121_000, 2, false)]
    [InlineData(180_000, 3, false)]
    public void A_single_round_is_played_as_often_as_there_is_time(long given, int times, bool differ)
    {
        Assert.Equal(times, ClockFit.Times(Clock(rounds: 1), new Duration(given)));
        Assert.Equal(differ, ClockFit.Differ(Clock(rounds: 1), new Duration(given)));
    }

    private static Core.Clock.ClockPlan Clock(int rounds) =>
        new(Duration.FromSeconds(60), Duration.FromSeconds(20), rounds, Duration.Zero, [], null, null, null);

    [Theory]
    [MemberData(nameof(Clocked))]
    public void A_fitted_card_reads_fits_and_does_not_speak_against_itself(string id)
    {
        var (text, card) = (ShippedCard.Text(id), ShippedCard.Read(id));
        for (var minutes = 2.0; minutes <= 15; minutes += 0.5)
        {
            var given = Duration.FromMinutes(minutes);
            var fitted = CardReader.Read(FittedCard.Of(text, card, 0, given, 1)).Require();
            var clock = fitted.Stages[0].Clock!;
            Assert.True(clock.Total <= given || clock.Rounds == 1, $"{minutes} minutes: {clock.Total}");
            if (clock.Rounds > 1)
            {
                Assert.True(
                    (clock with { Rounds = clock.Rounds + 1, BreakAfter = card.Stages[0].Clock!.BreakAfter }).Total > given
                );
            }

            Assert.DoesNotContain(
                CardDoubts.Of(fitted),
                doubt => doubt.Path.StartsWith("stages[0].until", StringComparison.Ordinal)
            );
            Assert.Equal(card.Stages[0].Outcomes.Count, fitted.Stages[0].Outcomes.Count);
        }
    }

    [Theory]
    [InlineData(4, 3, 3)]
    [InlineData(8, 3, 6)]
    [InlineData(4, 5, 4)]
    public void Rounds_by_turns_are_a_whole_number_for_everyone_where_there_is_time_for_one_each(
        double minutes,
        int groups,
        int rounds
    )
    {
        // Fifty seconds of work and ten to change: a round a minute, the last without its change.
        var stage = Given.Card(""" "play":"turns","scores":"group","clock":{"work":50,"change":10,"rounds":4} """).Stages[0];
        var turns = ClockFit.Turns(stage, groups);

        Assert.Equal(groups, turns);
        Assert.Equal(rounds, ClockFit.To(stage.Clock!, Duration.FromMinutes(minutes), turns).Rounds);
    }

    [Fact]
    public void A_bout_of_a_minute_is_played_again_and_again_and_needs_no_fitting()
    {
        var plan = ShippedCard.Read("touch-lines").Stages[0].Clock!;

        Assert.Equal(4, ClockFit.Times(plan, Duration.FromMinutes(5)));
        Assert.False(ClockFit.Differ(plan, Duration.FromMinutes(5)));
        Assert.True(ClockFit.Differ(plan, Duration.FromSeconds(40)));
    }
}
