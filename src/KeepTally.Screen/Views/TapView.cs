namespace KeepTally.Screen.Views;

/// <param name="Sheet">The id of the sheet.</param>
/// <param name="Device">The device it came from.</param>
/// <param name="N">The number of the event on its device.</param>
/// <param name="Text">The tap, in words.</param>
/// <param name="Undone">True once it was undone.</param>
/// <param name="Move">Places moved on; not a tap.</param>
/// <param name="Note">Empty, or why the tap did not count.</param>
public sealed record TapView(string Sheet, string Device, int N, string Text, bool Undone, bool Move, string Note)
{
    /// <summary>Who, what or where it was can be put right.</summary>
    public bool CanChange { get; init; }

    /// <summary>Why the undo button asks before it takes this back, as it stands before the text: "Other device"; empty where it does so at once.</summary>
    public string Ask { get; init; } = "";
}
