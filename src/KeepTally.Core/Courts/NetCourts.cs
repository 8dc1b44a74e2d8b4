using KeepTally.Core.Measures;
using static KeepTally.Core.Courts.Ink;

namespace KeepTally.Core.Courts;

/// <summary>Games over a net. Every size is from memory of the rule book named beside it.</summary>
internal static class NetCourts
{
    private const double Foot = Measure.Foot;

    internal static Court Badminton { get; } =
        new(
            "badminton",
            "Badminton",
            Extent.Of(13.4),
            Extent.Of(6.1),
            "BWF Laws of Badminton, law 1 (2023)",
            (length, width) =>
                [
                    .. Outline(length, width),
                    Along(0, length, 0.46),
                    Along(0, length, width - 0.46),
                    Net(length / 2, 0, length / 2, width),
                    .. BothEnds(
                        length,
                        width,
                        [Across(0.76, 0, width), Across((length / 2) - 1.98, 0, width), Along(0, (length / 2) - 1.98, width / 2)]
                    ),
                ]
        )
        {
            Finds = (length, width) =>
                [
                    new("the near net post", new(length / 2, 0)),
                    new("the far net post", new(length / 2, width)),
                    new("where the right short service line meets the centre line", new((length / 2) + 1.98, width / 2)),
                    new("where the left short service line meets the centre line", new((length / 2) - 1.98, width / 2)),
                    new("the near end of the right short service line", new((length / 2) + 1.98, 0)),
                    new("the far end of the right short service line", new((length / 2) + 1.98, width)),
                ],
        };

    internal static Court Volleyball { get; } =
        new(
            "volleyball",
            "Volleyball, indoor",
            Extent.Of(18),
            Extent.Of(9),
            "FIVB Official Volleyball Rules, rule 1 (2025)",
            (length, width) =>
                [
                    .. Outline(length, width),
                    Net(length / 2, 0, length / 2, width),
                    .. BothEnds(length, width, [Across((length / 2) - 3, 0, width)]),
                ]
        )
        {
            Finds = (length, width) =>
                [
                    new("the near end of the left attack line", new((length / 2) - 3, 0)),
                    new("the far end of the left attack line", new((length / 2) - 3, width)),
                    new("the near end of the right attack line", new((length / 2) + 3, 0)),
                    new("the far end of the right attack line", new((length / 2) + 3, width)),
                ],
        };

    internal static Court BeachVolleyball { get; } =
        new(
            "beach volleyball",
            "Volleyball, beach",
            Extent.Of(16),
            Extent.Of(8),
            "FIVB Official Beach Volleyball Rules, rule 1 (2025)",
            (length, width) => [.. Outline(length, width), Net(length / 2, 0, length / 2, width)]
        );

    internal static Court Pickleball { get; } =
        new(
            "pickleball",
            "Pickleball",
            Extent.Of(44 * Foot),
            Extent.Of(20 * Foot),
            "USA Pickleball Official Rulebook, section 2 (2024)",
            (length, width) =>
                [
                    .. Outline(length, width),
                    Net(length / 2, 0, length / 2, width),
                    .. BothEnds(
                        length,
                        width,
                        [Across((length / 2) - (7 * Foot), 0, width), Along(0, (length / 2) - (7 * Foot), width / 2)]
                    ),
                ]
        )
        {
            Finds = (length, width) =>
                [
                    new("where the right non-volley line meets the centre line", new((length / 2) + (7 * Foot), width / 2)),
                    new("where the left non-volley line meets the centre line", new((length / 2) - (7 * Foot), width / 2)),
                ],
        };

    internal static Court Tennis { get; } =
        new(
            "tennis",
            "Tennis",
            Extent.Of(78 * Foot),
            Extent.Of(36 * Foot),
            "ITF Rules of Tennis, rule 1 (2024)",
            (length, width) =>
                [
                    .. Outline(length, width),
                    Along(0, length, 4.5 * Foot),
                    Along(0, length, width - (4.5 * Foot)),
                    Net(length / 2, -3 * Foot, length / 2, width + (3 * Foot)),
                    Along((length / 2) - (21 * Foot), (length / 2) + (21 * Foot), width / 2),
                    .. BothEnds(
                        length,
                        width,
                        [Across((length / 2) - (21 * Foot), 4.5 * Foot, width - (4.5 * Foot)), Along(0, 4 * 0.0254, width / 2)]
                    ),
                ]
        )
        {
            Finds = (length, width) =>
                [
                    new("where the right service line meets the centre line", new((length / 2) + (21 * Foot), width / 2)),
                    new("where the left service line meets the centre line", new((length / 2) - (21 * Foot), width / 2)),
                ],
        };
}
