using CsCheck;
using KeepTally.Core.Layout;
using KeepTally.Core.Measures;
using KeepTally.Core.SetUp;
using KeepTally.Core.Tests.Shipped;

namespace KeepTally.Core.Tests.SetUp;

/// <summary>What a player does to a layout in the editor.</summary>
public sealed class LayoutEditTests
{
    private static readonly LayoutEdits Metres = new(LengthUnit.Metres, Stride.Usual);

    private static readonly Gen<(Diagram Diagram, int Mark)> AnyMark = Gen.Int[0, ShippedCard.Ids.Count - 1]
        .SelectMany(card =>
        {
            var diagram = ShippedCard.Read(ShippedCard.Ids[card]).Layout!;
            return Gen.Int[0, diagram.Marks.Count - 1].Select(mark => (diagram, mark));
        });

    /// <summary>Whatever is done leaves a layout that is written and reads again.</summary>
    [Fact]
    public void Whatever_is_done_reads_again() =>
        Gen.Select(AnyMark, Gen.Int[0, 11], Gen.Double[-5, 60], Gen.Double[-5, 40])
            .Sample(
                (any, act, x, y) =>
                {
                    var (diagram, mark) = any;
                    var after = act switch
                    {
                        0 => Metres.Put(diagram, (MarkKind)(mark % 8), new Spot(x, y)),
                        1 => Metres.MoveTo(diagram, mark, new Spot(x, y)),
                        2 => Metres.Nudge(diagram, mark, Math.Sign(x), Math.Sign(y)),
                        3 => LayoutEdits.Without(diagram, mark),
                        4 => LayoutEdits.With(diagram, mark, diagram.Marks[mark] with { Id = "renamed" }),
                        5 => LayoutEdits.WithStep(diagram, "And then."),
                        6 => LayoutEdits.WithoutStep(diagram, 0),
                        7 => CornerEdits.Of(diagram, mark, Stride.Usual),
                        8 => CornerEdits.More(CornerEdits.Of(diagram, mark, Stride.Usual), mark, Stride.Usual),
                        9 => CornerEdits.Without(CornerEdits.Of(diagram, mark, Stride.Usual), mark, 0),
                        10 => CornerEdits.AsRectangle(CornerEdits.Of(diagram, mark, Stride.Usual), mark, Stride.Usual),
                        _ => LayoutEdits.WithWay(diagram, new Way(diagram.Marks[mark].Id, diagram.Marks[0].Id, Travel.Run, 1)),
                    };
                    var text = LayoutWriter.Text(after);
                    Assert.Equal(text, LayoutWriter.Text(LayoutReader.Read(text).Require()));
                },
                iter: 500
            );

    [Theory]
    [InlineData(LengthUnit.Metres, 3.26, "3.5")]
    [InlineData(LengthUnit.Feet, 3.26, "11ft")]
    [InlineData(LengthUnit.Yards, 3.26, "3.5yd")]
    [InlineData(LengthUnit.Paces, 3.26, "4.5p")]
    public void What_is_moved_snaps_to_what_the_coach_counts_in(LengthUnit unit, double metres, string written) =>
        Assert.Equal(written, new LayoutEdits(unit, Stride.Usual).Snapped(metres).Written);

    [Fact]
    public void Near_where_lines_meet_a_mark_is_put_there()
    {
        var court = LayoutReader.Read("""{"surface":{"court":"handball","part":"half"}}""").Require();
        var put = Metres.Put(court, MarkKind.Cone, new Spot(0.2, 11.3));
        Assert.Equal(new Spot(0, 11.5), put.By(Stride.Usual).Marks[0].At);
    }

    [Fact]
    public void What_hangs_in_a_goal_and_the_ways_go_with_their_mark()
    {
        var diagram = ShippedCard.Read("corner-calls").Layout!;
        var goal = diagram.Marks.ToList().FindIndex(mark => mark.Id == "goal");
        var renamed = LayoutEdits.With(diagram, goal, diagram.Marks[goal] with { Id = "net" });
        Assert.All(renamed.Marks.Where(mark => mark.Kind == MarkKind.Zone), zone => Assert.Equal("net", zone.In));
        var bare = LayoutEdits.Without(diagram, goal);
        Assert.DoesNotContain(bare.Marks, mark => mark.Kind == MarkKind.Zone);
        Assert.All(
            bare.Ways,
            way => Assert.All(new[] { way.From, way.To }, id => Assert.Contains(bare.Marks, mark => mark.Id == id))
        );

        var thrower = diagram.Marks.ToList().FindIndex(mark => mark.Id == "thrower");
        Assert.All(LayoutEdits.Without(diagram, thrower).Ways, way => Assert.DoesNotContain("thrower", new[] { way.From, way.To }));
    }

    [Fact]
    public void A_step_removed_takes_its_ways_and_later_ones_move_up()
    {
        var diagram = ShippedCard.Read("minute-trios").Layout!;
        var after = LayoutEdits.WithoutStep(diagram, 0);
        Assert.Equal(diagram.Steps.Skip(1), after.Steps);
        Assert.Equal(diagram.Ways.Where(way => way.Step != 1).Select(way => way with { Step = way.Step - 1 }), after.Ways);
    }

    /// <summary>By hand: a rectangle of 4 by 2 m at (1, 1) without its second corner is a triangle, and 4 by 2 m again around it.</summary>
    [Fact]
    public void A_zone_loses_a_corner_gets_one_and_is_a_rectangle_again()
    {
        var zone = new Mark("z", MarkKind.Zone, Metre(1), Metre(1), Metre(4), Metre(2), "");
        var diagram = new Diagram(Ground.Plain(20, 10), [zone], [], []);

        var three = CornerEdits.Without(CornerEdits.Of(diagram, 0, Stride.Usual), 0, 1);
        Assert.Equal([new(1, 1), new(5, 3), new(1, 3)], three.Marks[0].By(Stride.Usual).Outline);
        Assert.Same(three, CornerEdits.Without(three, 0, 0));
        Assert.Equal(new Spot(1, 2), CornerEdits.More(three, 0, Stride.Usual).Marks[0].By(Stride.Usual).Outline[^1]);
        Assert.Equal(zone, CornerEdits.AsRectangle(three, 0, Stride.Usual).Marks[0] with { Corners = zone.Corners });

        static Measure Metre(double metres) => Measure.OfMetres(metres);
    }
}
