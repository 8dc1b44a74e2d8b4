using KeepTally.Core.Courts;
using KeepTally.Core.Json;

namespace KeepTally.Core.Layout;

/// <summary>The closed choices of a layout.</summary>
public static class LayoutChoices
{
    /// <summary>The kind of a mark.</summary>
    public static Choices<MarkKind> Kinds { get; } =
        new(
            "kind",
            ("cone", MarkKind.Cone, "Cone"),
            ("disc", MarkKind.Disc, "Disc"),
            ("ball", MarkKind.Ball, "Ball"),
            ("player", MarkKind.Player, "Player"),
            ("coach", MarkKind.Coach, "Coach"),
            ("line", MarkKind.Line, "Line"),
            ("zone", MarkKind.Zone, "Zone"),
            ("goal", MarkKind.Goal, "Goal")
        );

    /// <summary>How a player or a ball moves.</summary>
    public static Choices<Travel> Travels { get; } =
        new(
            "as",
            ("run", Travel.Run, "Run"),
            ("pass", Travel.Pass, "Pass"),
            ("shot", Travel.Shot, "Shot"),
            ("carry", Travel.Carry, "Run with the ball"),
            ("rotate", Travel.Rotate, "Change places")
        );

    /// <summary>How much of a court.</summary>
    public static Choices<CourtPart> Parts { get; } =
        new(
            "part",
            ("whole", CourtPart.Whole, "All of it"),
            ("half", CourtPart.Half, "One half"),
            ("third", CourtPart.Third, "One third")
        );

    /// <summary>The word a choice is written by.</summary>
    public static string WordOf(Enum choice) => choice.ToString().ToLowerInvariant();
}
