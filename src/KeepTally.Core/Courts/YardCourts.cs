using KeepTally.Core.Measures;
using static KeepTally.Core.Courts.Ink;

namespace KeepTally.Core.Courts;

/// <summary>Fields that are laid out in feet and yards. Every size is from memory of the rule book named beside it.</summary>
internal static class YardCourts
{
    private const double Foot = Measure.Foot;
    private const double Yard = Measure.Yard;

    internal static Court AmericanFootball { get; } =
        new(
            "american football",
            "American football",
            Extent.Of(120 * Yard),
            Extent.Of(160 * Foot),
            "NCAA Football Rules, rule 1 (2024)",
            (length, width) =>
                [
                    .. Outline(length, width),
                    Across(10 * Yard, 0, width),
                    Across(110 * Yard, 0, width),
                    .. Enumerable.Range(1, 19).Select(five => Across((10 + (five * 5)) * Yard, 0, width)),
                    // Inbounds lines, 60 feet from the sides.
                    Along(10 * Yard, 110 * Yard, 60 * Foot, dashed: true),
                    Along(10 * Yard, 110 * Yard, width - (60 * Foot), dashed: true),
                    .. BothEnds(length, width, [Net(0, (width / 2) - (9.25 * Foot), 0, (width / 2) + (9.25 * Foot))]),
                ]
        )
        {
            Finds = (_, width) =>
                [
                    new("the near end of the left goal line", new(10 * Yard, 0)),
                    new("the far end of the left goal line", new(10 * Yard, width)),
                    new("the near end of the 50-yard line", new(60 * Yard, 0)),
                    new("the far end of the 50-yard line", new(60 * Yard, width)),
                ],
        };

    internal static Court MenLacrosse { get; } =
        new(
            "men's lacrosse",
            "Lacrosse, men",
            Extent.Of(110 * Yard),
            new(53.33 * Yard, 60 * Yard, 60 * Yard),
            "NCAA Men's Lacrosse Rules, rule 1 (2025)",
            (length, width) =>
                [
                    .. Outline(length, width),
                    Across(length / 2, 0, width),
                    .. BothEnds(
                        length,
                        width,
                        [
                            Circle(15 * Yard, width / 2, 3 * Yard),
                            Net(15 * Yard, (width / 2) - Yard, 15 * Yard, (width / 2) + Yard),
                            Across((length / 2) - (20 * Yard), 0, width),
                            // The wing lines, 10 yards each way of the middle line and 20 yards from the middle spot.
                            Along((length / 2) - (10 * Yard), length / 2, (width / 2) - (20 * Yard)),
                            Along((length / 2) - (10 * Yard), length / 2, (width / 2) + (20 * Yard)),
                            // The box of the goal area, 35 yards by 40.
                            Along(0, (length / 2) - (20 * Yard), (width / 2) - (20 * Yard)),
                            Along(0, (length / 2) - (20 * Yard), (width / 2) + (20 * Yard)),
                        ]
                    ),
                ]
        )
        {
            Goal = (2 * Yard, 2 * Yard),
            Finds = (length, width) => HallCourts.Halfway(length, width),
        };

    internal static Court WomenLacrosse { get; } =
        new(
            "women's lacrosse",
            "Lacrosse, women",
            new(100 * Yard, 110 * Yard, 120 * Yard),
            new(60 * Yard, 60 * Yard, 70 * Yard),
            "World Lacrosse Women's Field Rules, rule 1 (2022)",
            (length, width) =>
                [
                    .. Outline(length, width),
                    Across(length / 2, (width / 2) - 1.5, (width / 2) + 1.5),
                    Circle(length / 2, width / 2, 9),
                    .. BothEnds(
                        length,
                        width,
                        [
                            Circle(GoalLine(length), width / 2, 2.6),
                            Net(GoalLine(length), (width / 2) - 0.915, GoalLine(length), (width / 2) + 0.915),
                            // The arc of 8 m and the fan of 12 m, from the middle of the goal line.
                            Arc(GoalLine(length), width / 2, 10.6, -45, 45),
                            Arc(GoalLine(length), width / 2, 14.6, -90, 90),
                            Across(GoalLine(length) + (30 * Yard), 0, width),
                        ]
                    ),
                ]
        )
        {
            Goal = (1.83, 1.83),
            Finds = (length, width) => [new("the middle of the floor", new(length / 2, width / 2))],
        };

    internal static Court CricketPitch { get; } =
        new(
            "cricket pitch",
            "Cricket, the pitch",
            Extent.Of(22 * Yard),
            Extent.Of(10 * Foot),
            "MCC Laws of Cricket, laws 6 to 8 (2017 code, 3rd edition)",
            (length, width) =>
                [
                    .. Outline(length, width),
                    .. BothEnds(
                        length,
                        width,
                        [
                            Across(4 * Foot, 0, width),
                            Across(0, (width / 2) - (4 * Foot) - (4 * 0.0254), (width / 2) + (4 * Foot) + (4 * 0.0254)),
                            Along(-4 * Foot, 4 * Foot, (width / 2) - (4 * Foot) - (4 * 0.0254)),
                            Along(-4 * Foot, 4 * Foot, (width / 2) + (4 * Foot) + (4 * 0.0254)),
                            Net(0, (width / 2) - (4.5 * 0.0254), 0, (width / 2) + (4.5 * 0.0254)),
                        ]
                    ),
                ]
        )
        {
            Finds = (length, width) =>
                [new("the left middle stump", new(0, width / 2)), new("the right middle stump", new(length, width / 2))],
        };

    internal static Court CricketField { get; } =
        new(
            "cricket",
            "Cricket, the field",
            new(130 * Yard, 150 * Yard, 180 * Yard),
            new(130 * Yard, 150 * Yard, 180 * Yard),
            "ICC men's playing conditions, clause 19 (2023): the boundary 65 to 90 yards from the middle",
            (length, width) =>
                [
                    Circle(length / 2, width / 2, Math.Min(length, width) / 2),
                    // The inner field: half circles of 30 yards round both middle stumps, and straight lines between.
                    Arc((length / 2) - (11 * Yard), width / 2, 30 * Yard, 90, 270, dashed: true),
                    Arc((length / 2) + (11 * Yard), width / 2, 30 * Yard, -90, 90, dashed: true),
                    Along((length / 2) - (11 * Yard), (length / 2) + (11 * Yard), (width / 2) - (30 * Yard), dashed: true),
                    Along((length / 2) - (11 * Yard), (length / 2) + (11 * Yard), (width / 2) + (30 * Yard), dashed: true),
                    .. Box((length / 2) - (11 * Yard), (width / 2) - (5 * Foot), 22 * Yard, 10 * Foot),
                ]
        )
        {
            Finds = (length, width) =>
                [
                    new("the left middle stump", new((length / 2) - (11 * Yard), width / 2)),
                    new("the right middle stump", new((length / 2) + (11 * Yard), width / 2)),
                ],
        };

    internal static Court Baseball { get; } =
        Diamond("baseball", "Baseball, full diamond", "Official Baseball Rules, rule 2 (2024)", 90, 60.5, new(250, 325, 400), 95);

    internal static Court YouthBaseball { get; } =
        Diamond(
            "youth baseball",
            "Baseball, youth diamond",
            "Little League Official Regulations and Playing Rules, rule 1 (2024)",
            60,
            46,
            new(180, 200, 225),
            50
        );

    internal static Court Softball { get; } =
        Diamond(
            "softball",
            "Softball, full diamond",
            "WBSC Official Rules of Softball, fast pitch, rule 2 (2022)",
            60,
            43,
            new(200, 220, 250),
            60
        );

    internal static Court YouthSoftball { get; } =
        Diamond(
            "youth softball",
            "Softball, youth diamond",
            "Little League Softball Official Regulations and Playing Rules, rule 1 (2024)",
            60,
            40,
            new(180, 200, 225),
            60
        );

    private static double GoalLine(double length) => (length - (90 * Yard)) / 2;

    /// <summary>
    /// A diamond with home at the lower left corner and a foul line along each of the two sides that meet there: all in feet.
    /// </summary>
    private static Court Diamond(string id, string name, string source, double bases, double plate, Extent fence, double grass)
    {
        var (side, infield) = (bases * Foot, grass * Foot);
        // The pitcher's plate is on the line from home to second base, measured from the point of home.
        var mound = plate * Foot / Math.Sqrt(2);
        var foul = new Extent(fence.Least * Foot, fence.Usual * Foot, fence.Most * Foot);
        return new Court(
            id,
            name,
            foul,
            foul,
            source,
            (length, width) =>
                [
                    Along(0, length, 0),
                    Across(0, 0, width),
                    Arc(0, 0, Math.Min(length, width), 0, 90),
                    Along(0, side, side),
                    Across(side, 0, side),
                    Dot(side, 0),
                    Dot(side, side),
                    Dot(0, side),
                    Dot(0, 0),
                    Dot(mound, mound),
                    Arc(mound, mound, infield, -45 - 40, 135 + 40, dashed: true),
                ]
        )
        {
            Finds = (_, _) =>
                [
                    new("home plate", new(0, 0)),
                    new("first base", new(side, 0)),
                    new("second base", new(side, side)),
                    new("third base", new(0, side)),
                    new("the pitcher's plate", new(mound, mound)),
                ],
        };
    }
}
