using KeepTally.Core.Judgement;
using KeepTally.Core.Reports;

namespace KeepTally.Core.Tests.Reports;

/// <summary>Which zone to ask a player for next, and which place of a drill was hard, worked out by hand.</summary>
public sealed class AskNextTests
{
    [Theory]
    [InlineData(5, 10, 2, 10, "Ask next for low right: 2 of 10 hit, and no zone has a lower share.")]
    [InlineData(2, 10, 5, 10, "Ask next for high left: 2 of 10 hit, and no zone has a lower share.")]
    // Ten of forty is a lower share than three of ten, though more were hit.
    [InlineData(3, 10, 10, 40, "Ask next for low right: 10 of 40 hit, and no zone has a lower share.")]
    [InlineData(0, 10, 2, 2, "Ask next for low right: it was asked only twice.")]
    [InlineData(0, 10, 0, 1, "Ask next for low right: it was asked only once.")]
    [InlineData(0, 10, 0, 0, "Ask next for low right: it was never asked.")]
    [InlineData(4, 8, 5, 10, "Every zone has the same share: 50 % hit.")]
    public void The_zone_to_ask_next_is_the_one_hardly_asked_else_the_lowest(
        int hit,
        int of,
        int other,
        int otherOf,
        string told
    ) => Assert.Equal(told, AskNext.Of([("high-left", new Share(hit, of)), ("low-right", new Share(other, otherOf))]));

    [Fact]
    public void Without_zones_nothing_is_said() => Assert.Equal("", AskNext.Of([]));

    /// <summary>Whatever was tapped: no zone was asked clearly less and none has a lower share than the one named.</summary>
    [Fact]
    public void No_other_zone_has_more_claim_to_be_asked()
    {
        var draw = new Random(16);
        for (var i = 0; i < 500; i++)
        {
            (string Zone, Share Hit)[] zones =
            [
                .. Enumerable
                    .Range(0, draw.Next(1, 6))
                    .Select(zone =>
                    {
                        var of = draw.Next(0, 12);
                        return ($"z{zone}", new Share(draw.Next(0, of + 1), of));
                    }),
            ];
            if (AskNext.Zone(zones) is { } next)
            {
                var named = zones.Single(zone => zone.Zone == next).Hit;
                Assert.All(zones, zone => Assert.True(named.Of < 3 ? named.Of <= zone.Hit.Of : named.Value <= zone.Hit.Value));
            }
            else
            {
                Assert.Single(zones.Select(zone => zone.Hit.Value).Distinct());
            }
        }
    }

    [Theory]
    [InlineData(1, 20, "The lowest share was made from left corner: 1 of 20, against 24 of 40 from the other places.")]
    [InlineData(11, 20, "No place was clearly harder than the others.")]
    [InlineData(20, 20, "No place was clearly harder than the others.")]
    [InlineData(0, 0, "No place was clearly harder than the others.")]
    public void A_hard_place_is_named_only_where_it_can_be_told(int made, int of, string told) =>
        Assert.Equal(
            told,
            CourseText.Spots([
                new LateGoes("left-corner", new Share(made, of), default),
                new LateGoes("middle", new Share(6, 10), new Share(6, 10)),
                new LateGoes("right", new Share(12, 20), default),
            ])
        );
}
