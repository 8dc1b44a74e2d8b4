using KeepTally.Core.Identity;

namespace KeepTally.Core.Loads;

/// <summary>The load that a player may still take of a kind on the day of a practice.</summary>
/// <param name="Player">The id of the player.</param>
/// <param name="Kind">What is counted, as <c>throw</c>.</param>
/// <param name="Before">How many there were that day in other practices.</param>
/// <param name="Most">So many in the day.</param>
/// <param name="Rests">Rest is due that day.</param>
public sealed record LoadAllowance(PlayerId Player, string Kind, int Before, int Most, bool Rests);
