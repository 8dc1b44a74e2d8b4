using static KeepTally.Core.Courts.Ink;

namespace KeepTally.Core.Courts;

/// <summary>Team games of the hall. Every size is from memory of the rule book named beside it.</summary>
internal static class HallCourts
{
    internal static Court Handball { get; } =
        new(
            "handball",
            "Handball",
            Extent.Of(40),
            Extent.Of(20),
            "IHF Rules of the Game, rule 1 (2022)",
            (length, width) =>
                [
                    .. Outline(length, width),
                    Across(length / 2, 0, width),
                    .. BothEnds(
                        length,
                        width,
                        [Net(0, (width / 2) - 1.5, 0, (width / 2) + 1.5)],
                        Round(width / 2, 3, 6, width),
                        Round(width / 2, 3, 9, width, dashed: true),
                        [Across(7, (width / 2) - 0.5, (width / 2) + 0.5), Across(4, (width / 2) - 0.075, (width / 2) + 0.075)]
                    ),
                ]
        )
        {
            Goal = (3, 2),
            Finds = (length, width) =>
                [
                    new("the near post of the left goal", new(0, (width / 2) - 1.5)),
                    new("the far post of the left goal", new(0, (width / 2) + 1.5)),
                    new("the middle of the left seven-metre line", new(7, width / 2)),
                    new("the near post of the right goal", new(length, (width / 2) - 1.5)),
                    new("the far post of the right goal", new(length, (width / 2) + 1.5)),
                    .. Halfway(length, width),
                ],
        };

    internal static Court Futsal { get; } =
        new(
            "futsal",
            "Futsal",
            new(25, 40, 42),
            new(16, 20, 25),
            "FIFA Futsal Laws of the Game, law 1 (2023)",
            (length, width) =>
                [
                    .. Outline(length, width),
                    Across(length / 2, 0, width),
                    Circle(length / 2, width / 2, 3),
                    Dot(length / 2, width / 2),
                    .. BothEnds(
                        length,
                        width,
                        [Net(0, (width / 2) - 1.5, 0, (width / 2) + 1.5), Dot(6, width / 2), Dot(10, width / 2)],
                        Round(width / 2, 3, 6, width)
                    ),
                ]
        )
        {
            Goal = (3, 2),
            Finds = (length, width) =>
                [
                    new("the left penalty mark", new(6, width / 2)),
                    new("the left second penalty mark", new(10, width / 2)),
                    .. Halfway(length, width),
                ],
        };

    internal static Court Floorball { get; } =
        new(
            "floorball",
            "Floorball",
            new(36, 40, 44),
            new(18, 20, 22),
            "IFF Rules of the Game, rule 1 (2022)",
            (length, width) =>
                [
                    .. Outline(length, width),
                    Across(length / 2, 0, width),
                    Dot(length / 2, width / 2),
                    .. BothEnds(
                        length,
                        width,
                        Box(2.85, (width / 2) - 2.5, 4, 5),
                        Box(3.5, (width / 2) - 1.25, 1, 2.5),
                        [Net(3.5, (width / 2) - 0.8, 3.5, (width / 2) + 0.8), Dot(3.5, 1.5), Dot(3.5, width - 1.5)]
                    ),
                ]
        )
        {
            Goal = (1.6, 1.15),
            Finds = (length, width) =>
                [
                    new("the near front corner of the left goal area", new(6.85, (width / 2) - 2.5)),
                    new("the far front corner of the left goal area", new(6.85, (width / 2) + 2.5)),
                    .. Halfway(length, width),
                ],
        };

    internal static Court Netball { get; } =
        new(
            "netball",
            "Netball",
            Extent.Of(30.5),
            Extent.Of(15.25),
            "World Netball Rules of Netball, rule 2 (2024)",
            (length, width) =>
                [
                    .. Outline(length, width),
                    Across(length / 3, 0, width),
                    Across(length * 2 / 3, 0, width),
                    Circle(length / 2, width / 2, 0.45),
                    .. BothEnds(length, width, [Arc(0, width / 2, 4.9, -90, 90), Net(-0.08, width / 2, 0.08, width / 2)]),
                ]
        )
        {
            Finds = (length, width) =>
                [
                    new("the left goal post", new(0, width / 2)),
                    new("the top of the left goal circle", new(4.9, width / 2)),
                    new("the near end of the left transverse line", new(length / 3, 0)),
                    new("the far end of the left transverse line", new(length / 3, width)),
                    new("the right goal post", new(length, width / 2)),
                ],
        };

    internal static Court Basketball { get; } =
        new(
            "basketball",
            "Basketball",
            Extent.Of(28),
            Extent.Of(15),
            "FIBA Official Basketball Rules, rule 2 (2024)",
            (length, width) =>
            {
                // Where the straight pieces, 0.90 m from the sides, meet the arc of 6.75 m round the basket.
                var half = (width / 2) - 0.9;
                var (along, angle) = (1.575 + Math.Sqrt((6.75 * 6.75) - (half * half)), Math.Asin(half / 6.75) * 180 / Math.PI);
                return
                [
                    .. Outline(length, width),
                    Across(length / 2, 0, width),
                    Circle(length / 2, width / 2, 1.8),
                    .. BothEnds(
                        length,
                        width,
                        Box(0, (width / 2) - 2.45, 5.8, 4.9),
                        [
                            Arc(5.8, width / 2, 1.8, -90, 90),
                            Along(0, along, 0.9),
                            Along(0, along, width - 0.9),
                            Arc(1.575, width / 2, 6.75, -angle, angle),
                            Arc(1.575, width / 2, 1.25, -90, 90),
                            Net(1.2, (width / 2) - 0.9, 1.2, (width / 2) + 0.9),
                        ]
                    ),
                ];
            }
        )
        {
            Finds = (length, width) =>
                [
                    new("the middle of the left free-throw line", new(5.8, width / 2)),
                    new("the near end of the left free-throw line", new(5.8, (width / 2) - 2.45)),
                    new("the far end of the left free-throw line", new(5.8, (width / 2) + 2.45)),
                    .. Halfway(length, width),
                ],
        };

    internal static IEnumerable<Landmark> Halfway(double length, double width) =>
        [
            new("the near end of the halfway line", new(length / 2, 0)),
            new("the far end of the halfway line", new(length / 2, width)),
            new("the middle of the halfway line", new(length / 2, width / 2)),
        ];
}
