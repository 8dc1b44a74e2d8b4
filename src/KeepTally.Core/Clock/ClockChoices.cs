using KeepTally.Core.Json;

namespace KeepTally.Core.Clock;

/// <summary>The closed choices of a clock.</summary>
public static class ClockChoices
{
    internal static Choices<RepStart> RepStarts { get; } =
        new("repFrom", ("tap", RepStart.Tap, "the tap before"), ("whistle", RepStart.Whistle, "the coach's whistle"));

    /// <summary>All of them.</summary>
    public static IReadOnlyList<Choices> All { get; } = [RepStarts];
}
