using KeepTally.Core.Courts;
using KeepTally.Core.Layout;
using KeepTally.Core.Measures;

namespace KeepTally.Core.Tests.Courts;

/// <summary>
/// Every court against the sizes its rule book publishes. The figures are from memory of the editions that
/// <see cref="Court.Source"/> names; feet and yards are written as the book writes them.
/// </summary>
public sealed class CourtTests
{
    private const double Ft = 0.3048;
    private const double Yd = 0.9144;

    public static TheoryData<string, double, double, double, double> Sizes =>
        new()
        {
            { "handball", 40, 40, 20, 20 },
            { "field hockey", 91.4, 91.4, 55, 55 },
            { "netball", 30.5, 30.5, 15.25, 15.25 },
            { "floorball", 36, 44, 18, 22 },
            { "ultimate", 100, 100, 37, 37 },
            { "badminton", 13.4, 13.4, 6.1, 6.1 },
            { "association football", 90, 120, 45, 90 },
            { "futsal", 25, 42, 16, 25 },
            // 94 to 100 m of play and an in-goal of 6 to 22 m at each end.
            { "rugby", 94 + 12, 100 + 44, 68, 70 },
            { "tennis", 78 * Ft, 78 * Ft, 36 * Ft, 36 * Ft },
            { "volleyball", 18, 18, 9, 9 },
            { "beach volleyball", 16, 16, 8, 8 },
            { "basketball", 28, 28, 15, 15 },
            { "pickleball", 44 * Ft, 44 * Ft, 20 * Ft, 20 * Ft },
            { "gaelic football", 130, 145, 80, 90 },
            { "american football", 360 * Ft, 360 * Ft, 160 * Ft, 160 * Ft },
            { "men's lacrosse", 110 * Yd, 110 * Yd, 53.33 * Yd, 60 * Yd },
            { "women's lacrosse", 100 * Yd, 120 * Yd, 60 * Yd, 70 * Yd },
            // A boundary of 65 to 90 yards from the middle.
            { "cricket", 130 * Yd, 180 * Yd, 130 * Yd, 180 * Yd },
            { "cricket pitch", 22 * Yd, 22 * Yd, 10 * Ft, 10 * Ft },
            { "baseball", 250 * Ft, 400 * Ft, 250 * Ft, 400 * Ft },
            { "youth baseball", 180 * Ft, 225 * Ft, 180 * Ft, 225 * Ft },
            { "softball", 200 * Ft, 250 * Ft, 200 * Ft, 250 * Ft },
            { "youth softball", 180 * Ft, 225 * Ft, 180 * Ft, 225 * Ft },
        };

    [Theory]
    [MemberData(nameof(Sizes))]
    public void A_court_has_the_size_its_rule_book_publishes(string id, double least, double most, double narrow, double wide)
    {
        var court = CourtList.Find(id)!;
        Assert.Equal(least, court.Length.Least, 2);
        Assert.Equal(most, court.Length.Most, 2);
        Assert.Equal(narrow, court.Width.Least, 2);
        Assert.Equal(wide, court.Width.Most, 2);
        Assert.InRange(court.Length.Usual, least - 0.01, most + 0.01);
        Assert.InRange(court.Width.Usual, narrow - 0.01, wide + 0.01);
        Assert.Matches("[0-9]{4}", court.Source);
    }

    [Fact]
    public void Every_court_is_held_against_its_book() =>
        Assert.Equal(CourtList.All.Select(court => court.Id).Order(), Sizes.Select(row => row.Data.Item1).Order());

    /// <summary>What is a fixed distance in the rule book, from the point it is measured from.</summary>
    [Theory]
    // Handball: the seven-metre line, and goal and free-throw lines at 6 and 9 m before the middle of the goal.
    [InlineData("handball", 7, 10)]
    [InlineData("handball", 6, 10)]
    [InlineData("handball", 9, 10)]
    // Field hockey: the circle 14.63 m before the goal, the spot 6.475 m, the line 22.90 m.
    [InlineData("field hockey", 14.63, 27.5)]
    [InlineData("field hockey", 6.475, 27.5)]
    [InlineData("field hockey", 22.9, 27.5)]
    // Netball: the goal circle 4.9 m from the middle of the goal line; thirds of 10.17 m.
    [InlineData("netball", 4.9, 7.625)]
    [InlineData("netball", 10.1667, 3)]
    // Floorball: the goal area begins 2.85 m from the short side and is 4 m deep.
    [InlineData("floorball", 2.85, 10)]
    [InlineData("floorball", 6.85, 10)]
    // Ultimate: end zones of 18 m.
    [InlineData("ultimate", 18, 5)]
    // Badminton: short service lines 1.98 m from the net, long ones for doubles 0.76 m from the back.
    [InlineData("badminton", 4.72, 1)]
    [InlineData("badminton", 0.76, 1)]
    // Association football: penalty area 16.5 m, goal area 5.5 m, mark 11 m, circle of 9.15 m.
    [InlineData("association football", 16.5, 34)]
    [InlineData("association football", 5.5, 34)]
    [InlineData("association football", 11, 34)]
    [InlineData("association football", 52.5 - 9.15, 34)]
    // Futsal: 6 m area and mark, second mark 10 m.
    [InlineData("futsal", 6, 10)]
    [InlineData("futsal", 10, 10)]
    // Rugby, with in-goals of 10 m: 22-metre line, ten-metre line.
    [InlineData("rugby", 10 + 22, 35)]
    [InlineData("rugby", 50, 35)]
    // Tennis: service line 21 ft from the net.
    [InlineData("tennis", (39 - 21) * Ft, 5)]
    // Volleyball: attack line 3 m from the middle.
    [InlineData("volleyball", 6, 4)]
    // Basketball: free-throw line 5.80 m; three-point line 6.75 m from the basket, which is 1.575 m in.
    [InlineData("basketball", 5.8, 7.5)]
    [InlineData("basketball", 1.575 + 6.75, 7.5)]
    // Pickleball: non-volley line 7 ft from the net.
    [InlineData("pickleball", 15 * Ft, 1)]
    // Gaelic football: lines at 13, 20, 45 and 65 m.
    [InlineData("gaelic football", 13, 45)]
    [InlineData("gaelic football", 20, 20)]
    [InlineData("gaelic football", 45, 20)]
    [InlineData("gaelic football", 65, 20)]
    // American football: goal line 10 yd from the end line.
    [InlineData("american football", 10 * Yd, 10)]
    // Cricket: popping crease 4 ft before the bowling crease.
    [InlineData("cricket pitch", 4 * Ft, 1)]
    public void A_line_is_where_the_rule_book_has_it(string id, double x, double y)
    {
        var surface = new Ground(CourtList.Find(id), CourtPart.Whole, null, null).By(Stride.Usual);
        Assert.Contains(surface.Markings, marking => Passes(marking, new Spot(x, y)));
    }

    [Theory]
    // Bases 90 ft apart, the plate 60 ft 6 in from home; youth 60 and 46; softball 60 and 43; youth softball 60 and 40.
    [InlineData("baseball", 90, 60.5)]
    [InlineData("youth baseball", 60, 46)]
    [InlineData("softball", 60, 43)]
    [InlineData("youth softball", 60, 40)]
    public void A_diamond_has_its_bases_and_its_plate(string id, double bases, double plate)
    {
        var marks = new Ground(CourtList.Find(id), CourtPart.Whole, null, null)
            .By(Stride.Usual)
            .Landmarks.ToDictionary(mark => mark.Name, mark => mark.At);
        Assert.Equal(bases * Ft, marks["home plate"].To(marks["first base"]), 6);
        Assert.Equal(bases * Ft, marks["first base"].To(marks["second base"]), 6);
        Assert.Equal(bases * Ft, marks["home plate"].To(marks["third base"]), 6);
        Assert.Equal(plate * Ft, marks["home plate"].To(marks["the pitcher's plate"]), 6);
        // From home to second across: the diagonal of a square, 127 ft 3⅜ in on a full diamond. Source: Official Baseball Rules, rule 2.
        Assert.Equal(bases * Ft * Math.Sqrt(2), marks["home plate"].To(marks["second base"]), 6);
    }

    [Fact]
    public void What_is_painted_lies_on_the_floor_and_looks_the_same_from_both_ends()
    {
        foreach (var court in CourtList.All)
        {
            var surface = new Ground(court, CourtPart.Whole, null, null).By(Stride.Usual);
            foreach (var line in surface.Markings.OfType<Marking.Line>())
            {
                // Return creases reach behind the bowling crease, whose ends are on the pitch.
                var behind = court.Id == "cricket pitch" ? 1.3 : 0.01;
                Assert.InRange(line.From.X, -behind, surface.Length + behind);
                Assert.InRange(line.To.Y, -0.01, surface.Width + 0.01);
            }
        }

        foreach (var court in CourtList.All.Where(court => court.Finds(1, 1).All(mark => mark.Name != "home plate")))
        {
            var surface = new Ground(court, CourtPart.Whole, null, null).By(Stride.Usual);
            foreach (var point in surface.Markings.OfType<Marking.Point>())
            {
                var turned = new Spot(surface.Length - point.At.X, surface.Width - point.At.Y);
                Assert.Contains(surface.Markings.OfType<Marking.Point>(), each => each.At.To(turned) < 0.001);
            }
        }
    }

    [Fact]
    public void A_size_the_rule_book_does_not_allow_is_told_with_what_it_allows()
    {
        var faults = LayoutReader.Read("""{"surface":{"court":"association football","length":130,"width":68}}""").Faults;
        Assert.Contains("90 to 120", Assert.Single(faults).Problem, StringComparison.Ordinal);
        Assert.True(LayoutReader.Read("""{"surface":{"court":"association football","length":100,"width":64}}""").IsOk);
    }

    [Fact]
    public void Half_a_court_has_the_landmarks_of_that_half()
    {
        var half = new Ground(CourtList.Find("handball"), CourtPart.Half, null, null).By(Stride.Usual);
        Assert.Equal((20, 20), (half.Length, half.Width));
        Assert.All(half.Landmarks, mark => Assert.InRange(mark.At.X, 0, 20.01));
        Assert.Contains(half.Landmarks, mark => mark.Name == "the near end of the halfway line");
    }

    private static bool Passes(Marking marking, Spot at) =>
        marking switch
        {
            Marking.Line line => line.From.To(at) + at.To(line.To) - line.From.To(line.To) < 0.0001,
            Marking.Arc arc => Math.Abs(arc.Middle.To(at) - arc.Radius) < 0.0001,
            Marking.Point point => point.At.To(at) < 0.0001,
            Marking.Stands => false,
            _ => throw new InvalidOperationException(),
        };
}
