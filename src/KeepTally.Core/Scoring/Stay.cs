using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Scoring;

/// <summary>A player was on a sheet, for one unit, for a time.</summary>
/// <param name="Player">The player.</param>
/// <param name="Unit">The unit they were in; their own where players score.</param>
/// <param name="From">Since when.</param>
/// <param name="To">Till when; null where they are on still.</param>
public readonly record struct Stay(PlayerId Player, PlayerId Unit, RunningTime From, RunningTime? To);
