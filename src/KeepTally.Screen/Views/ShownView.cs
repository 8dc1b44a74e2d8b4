namespace KeepTally.Screen.Views;

/// <summary>Something that happens in a simulated drill.</summary>
/// <param name="At">When it is seen, in milliseconds of the run.</param>
/// <param name="Who">By whom, by call name.</param>
/// <param name="What">What came of it.</param>
/// <param name="Zone">Where it went; empty where that is not asked.</param>
/// <param name="Form">made, missed or other.</param>
public sealed record ShownView(long At, string Who, string What, string Zone, string Form);
