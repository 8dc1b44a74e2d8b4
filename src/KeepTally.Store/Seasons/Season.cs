namespace KeepTally.Store.Seasons;

/// <summary>A season of a team.</summary>
/// <param name="Id">The id; null for the present season, which is not closed.</param>
/// <param name="Team">The id of the team.</param>
/// <param name="Name">What it is called.</param>
/// <param name="First">The first day that belongs to it; null where it has no beginning.</param>
/// <param name="Last">The last day; null where it is not closed.</param>
public sealed record Season(int? Id, int Team, string Name, DateOnly? First, DateOnly? Last);
