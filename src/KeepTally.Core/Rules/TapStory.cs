using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Tallies;

namespace KeepTally.Core.Rules;

/// <summary>A counted tap and how its unit stood before and after it.</summary>
/// <param name="Attempt">True a success, false a failure, null neither.</param>
internal readonly record struct TapStory(Stage Stage, RunEvent.Tap Tap, UnitSnapshot Was, UnitSnapshot Now, bool? Attempt);
