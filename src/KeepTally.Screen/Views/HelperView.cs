namespace KeepTally.Screen.Views;

/// <summary>Anyone who an outcome that belongs to a job is counted for now.</summary>
/// <param name="Unit">The player; null where nobody has the job, or all is over.</param>
/// <param name="Name">The player's name.</param>
public sealed record HelperView(string? Unit, string Name);
