using System.Globalization;
using KeepTally.Core.Cards;
using KeepTally.Core.Layout;
using KeepTally.Core.Measures;
using KeepTally.Core.Rules.Zones;
using KeepTally.Core.SetUp;

namespace KeepTally.Core.Tests.Shipped;

/// <summary>Every shipped card is drawn, and what is drawn goes with what the card says.</summary>
public sealed class LayoutFactsTests
{
    /// <summary>Every card, and every other number on a side with which it can be played, as "three-a-side 2".</summary>
    public static TheoryData<string> All =>
        [
            .. ShippedCard.Ids,
            .. from id in ShippedCard.Ids
            from stage in ShippedCard.Read(id).Stages
            from way in stage.Versus
            select $"{id} {way.Number}",
        ];

    private static (DrillCard Card, Scene Scene) Drawn(string drill)
    {
        var words = drill.Split(' ');
        var card = ShippedCard.Read(words[0]);
        if (words.Length > 1)
        {
            var number = int.Parse(words[1], CultureInfo.InvariantCulture);
            card = VersusChoice.Played(card, card.Stages.ToList().FindIndex(stage => stage.Versus.Count > 0), number);
        }

        return (card, card.Layout!.By(Stride.Usual));
    }

    [Theory]
    [MemberData(nameof(All))]
    public void It_has_a_layout_with_steps_that_stands_on_its_floor(string id)
    {
        var (_, scene) = Drawn(id);
        Assert.NotEmpty(scene.Steps);
        Assert.All(scene.OnFloor.SelectMany(mark => mark.Outline), spot => Assert.InRange(spot.X, -2, scene.Surface.Length + 2));
        Assert.All(scene.OnFloor.SelectMany(mark => mark.Outline), spot => Assert.InRange(spot.Y, -1, scene.Surface.Width + 1));
        Assert.All(scene.Ways, way => Assert.InRange(way.Step, 1, scene.Steps.Count));
    }

    /// <summary>Nobody runs who is not there, and no ball flies from where none is.</summary>
    [Theory]
    [MemberData(nameof(All))]
    public void Every_way_is_gone(string id)
    {
        var (_, scene) = Drawn(id);
        var play = RepPlay.Of(scene);
        foreach (var beat in play.Beats)
        {
            var expected = scene.Ways.Where(way => way.Step == beat.Step).Sum(way => way.As == Travel.Carry ? 2 : 1);
            Assert.True(expected == beat.Moves.Count, $"step {beat.Step}: {expected} should move, {beat.Moves.Count} do");
        }
    }

    [Theory]
    [MemberData(nameof(All))]
    public void No_more_is_put_down_than_is_brought(string id)
    {
        var (card, scene) = Drawn(id);
        var brought = card.Equipment.Where(each => each.Item is "cone" or "disc").Sum(each => each.Count);
        var things = ToPlace.Of(scene).Where(place => place.Thing is "cone" or "disc" or "marker").ToArray();
        Assert.True(things.Length <= brought, $"{things.Length} to put down, {brought} brought");
    }

    [Theory]
    [MemberData(nameof(All))]
    public void The_zones_asked_for_are_drawn_once_and_do_not_overlap(string id)
    {
        var (card, scene) = Drawn(id);
        foreach (var targets in card.Stages.Select(stage => stage.Targets).OfType<Targets>())
        {
            var zones = targets
                .Names.Select(name => Assert.Single(scene.Marks, mark => mark.Kind == MarkKind.Zone && mark.Id == name))
                .ToArray();
            foreach (var zone in zones)
            {
                Assert.True(zone.Holds(zone.Middle));
                Assert.All(
                    zones.Where(other => other != zone && other.In == zone.In),
                    other => Assert.False(Overlap(zone, other), $"{zone.Id} and {other.Id}")
                );
            }
        }
    }

    /// <summary>Points strictly within both, on a grid of five centimetres.</summary>
    private static bool Overlap(Placed a, Placed b)
    {
        var (left, right) = (a.Outline.Min(spot => spot.X), a.Outline.Max(spot => spot.X));
        var (near, far) = (a.Outline.Min(spot => spot.Y), a.Outline.Max(spot => spot.Y));
        for (var x = left + 0.025; x < right; x += 0.05)
        {
            for (var y = near + 0.025; y < far; y += 0.05)
            {
                if (a.Holds(new Spot(x, y)) && b.Holds(new Spot(x, y)))
                {
                    return true;
                }
            }
        }

        return false;
    }
}
