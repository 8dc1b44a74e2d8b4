using KeepTally.Core.Time;

namespace KeepTally.Core.Floor;

/// <summary>The time and reps of a player at one job.</summary>
/// <param name="Job">The coach's word for it.</param>
/// <param name="Reps">How many taps were counted on the sheet while they had it.</param>
/// <param name="Time">How long they had it, work only: without changes and pauses.</param>
public sealed record JobTime(string Job, int Reps, Duration Time);
