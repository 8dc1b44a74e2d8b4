using static KeepTally.Core.Courts.Ink;

namespace KeepTally.Core.Courts;

/// <summary>Goal games of the field, and the disc. Every size is from memory of the rule book named beside it.</summary>
internal static class FieldCourts
{
    internal static Court FieldHockey { get; } =
        new(
            "field hockey",
            "Field hockey",
            Extent.Of(91.4),
            Extent.Of(55),
            "FIH Rules of Hockey, the field of play (2024)",
            (length, width) =>
                [
                    .. Outline(length, width),
                    Across(length / 2, 0, width),
                    .. BothEnds(
                        length,
                        width,
                        Round(width / 2, 3.66, 14.63, width),
                        Round(width / 2, 3.66, 19.63, width, dashed: true),
                        [Across(22.9, 0, width), Dot(6.475, width / 2), Net(0, (width / 2) - 1.83, 0, (width / 2) + 1.83)]
                    ),
                ]
        )
        {
            Goal = (3.66, 2.14),
            Finds = (length, width) =>
                [
                    new("the near post of the left goal", new(0, (width / 2) - 1.83)),
                    new("the far post of the left goal", new(0, (width / 2) + 1.83)),
                    new("the left penalty spot", new(6.475, width / 2)),
                    new("the top of the left circle", new(14.63, width / 2)),
                    new("the near end of the left 23-metre line", new(22.9, 0)),
                    new("the far end of the left 23-metre line", new(22.9, width)),
                    .. HallCourts.Halfway(length, width),
                ],
        };

    internal static Court Football { get; } =
        new(
            "association football",
            "Association football",
            new(90, 105, 120),
            new(45, 68, 90),
            "IFAB Laws of the Game, law 1 (2024/25)",
            (length, width) =>
            {
                // The arc is what of the circle round the penalty mark lies beyond the area.
                var beyond = Math.Acos(5.5 / 9.15) * 180 / Math.PI;
                return
                [
                    .. Outline(length, width),
                    Across(length / 2, 0, width),
                    Circle(length / 2, width / 2, 9.15),
                    Dot(length / 2, width / 2),
                    .. BothEnds(
                        length,
                        width,
                        Box(0, (width / 2) - 20.16, 16.5, 40.32),
                        Box(0, (width / 2) - 9.16, 5.5, 18.32),
                        [
                            Dot(11, width / 2),
                            Arc(11, width / 2, 9.15, -beyond, beyond),
                            Arc(0, 0, 1, 0, 90),
                            Arc(0, width, 1, -90, 0),
                            Net(0, (width / 2) - 3.66, 0, (width / 2) + 3.66),
                        ]
                    ),
                ];
            }
        )
        {
            Goal = (7.32, 2.44),
            Finds = (length, width) =>
                [
                    new("the left penalty mark", new(11, width / 2)),
                    new("the near front corner of the left penalty area", new(16.5, (width / 2) - 20.16)),
                    new("the far front corner of the left penalty area", new(16.5, (width / 2) + 20.16)),
                    new("the near post of the left goal", new(0, (width / 2) - 3.66)),
                    new("the far post of the left goal", new(0, (width / 2) + 3.66)),
                    .. HallCourts.Halfway(length, width),
                ],
        };

    internal static Court Rugby { get; } =
        new(
            "rugby",
            "Rugby union",
            new(106, 120, 144),
            new(68, 70, 70),
            "World Rugby Laws of the Game, law 1 (2024): 94 to 100 m between the goal lines, in-goal 6 to 22 m",
            (length, width) =>
            {
                // 100 m between the goal lines as long as the in-goals keep their least depth.
                var inGoal = Math.Clamp((length - 100) / 2, 6, 22);
                return
                [
                    .. Outline(length, width),
                    Across(length / 2, 0, width),
                    Along(inGoal, length - inGoal, 5, dashed: true),
                    Along(inGoal, length - inGoal, 15, dashed: true),
                    Along(inGoal, length - inGoal, width - 5, dashed: true),
                    Along(inGoal, length - inGoal, width - 15, dashed: true),
                    .. BothEnds(
                        length,
                        width,
                        [
                            Across(inGoal, 0, width),
                            Across(inGoal + 5, 0, width, dashed: true),
                            Across(inGoal + 22, 0, width),
                            Across((length / 2) - 10, 0, width, dashed: true),
                            Net(inGoal, (width / 2) - 2.8, inGoal, (width / 2) + 2.8),
                        ]
                    ),
                ];
            }
        )
        {
            Goal = (5.6, 3),
            Finds = (length, width) => HallCourts.Halfway(length, width),
        };

    internal static Court Ultimate { get; } =
        new(
            "ultimate",
            "Ultimate",
            Extent.Of(100),
            Extent.Of(37),
            "WFDF Rules of Ultimate, section 2 (2025)",
            (length, width) => [.. Outline(length, width), .. BothEnds(length, width, [Across(18, 0, width), Dot(36, width / 2)])]
        )
        {
            Finds = (length, width) =>
                [
                    new("the near end of the left goal line", new(18, 0)),
                    new("the far end of the left goal line", new(18, width)),
                    new("the left brick mark", new(36, width / 2)),
                ],
        };

    internal static Court GaelicFootball { get; } =
        new(
            "gaelic football",
            "Gaelic football",
            new(130, 145, 145),
            new(80, 90, 90),
            "GAA Official Guide, part 2, rules of specification (2023)",
            (length, width) =>
                [
                    .. Outline(length, width),
                    Across(length / 2, (width / 2) - 5, (width / 2) + 5),
                    .. BothEnds(
                        length,
                        width,
                        Box(0, (width / 2) - 7, 4.5, 14),
                        Box(0, (width / 2) - 9.5, 13, 19),
                        [
                            Across(13, 0, width),
                            Across(20, 0, width),
                            Across(45, 0, width),
                            Across(65, 0, width),
                            Arc(20, width / 2, 13, -90, 90),
                            Dot(11, width / 2),
                            Net(0, (width / 2) - 3.25, 0, (width / 2) + 3.25),
                        ]
                    ),
                ]
        )
        {
            Goal = (6.5, 2.5),
            Finds = (_, width) => [new("the left penalty mark", new(11, width / 2))],
        };
}
