namespace KeepTally.Store.Squads;

/// <summary>What a squad was before a list was taken.</summary>
/// <param name="Team">The team.</param>
/// <param name="Added">The ids of those who were new.</param>
/// <param name="Changed">Everyone who was changed: their id, their details before and after, and whether they had left the squad.</param>
public sealed record ImportedSquad(
    int Team,
    IReadOnlyList<int> Added,
    IReadOnlyList<(int Id, PlayerDetails Before, PlayerDetails After, bool Archived)> Changed
);
