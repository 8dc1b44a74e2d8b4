namespace KeepTally.Screen.Views;

/// <summary>The properties of a tap that can be corrected.</summary>
/// <param name="Text">The tap as it reads now.</param>
/// <param name="Late">It does not count because it came late, and can be counted by hand.</param>
/// <param name="Units">Whose it may have been; none where it can be nobody else's.</param>
/// <param name="Outcomes">The outcomes that can be chosen.</param>
/// <param name="Zones">The zones that can be chosen.</param>
/// <param name="Tags">The tags that can be chosen.</param>
public sealed record AmendView(
    string Text,
    bool Late,
    IReadOnlyList<PickView> Units,
    IReadOnlyList<PickView> Outcomes,
    IReadOnlyList<PickView> Zones,
    IReadOnlyList<TagPickView> Tags
);
