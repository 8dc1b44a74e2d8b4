namespace KeepTally.Screen.Views;

/// <summary>One of several that can be picked.</summary>
/// <param name="Id">The id of the choice.</param>
/// <param name="Name">The name, as it is shown.</param>
/// <param name="On">It is what stands now.</param>
public sealed record PickView(string Id, string Name, bool On);
