namespace KeepTally.Screen.Views;

/// <summary>Something to be heard.</summary>
/// <param name="Kind">go, horn, call, surprise or rep.</param>
/// <param name="In">Milliseconds from now until it sounds.</param>
/// <param name="Said">For a call, what a voice says.</param>
public sealed record SignalView(string Kind, long In, string Said);
