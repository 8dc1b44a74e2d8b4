using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Tallies;

namespace KeepTally.Core.Rules;

/// <summary>A counted tap and how its unit stood before and after it.</summary>
/// <param name="Stage">The stage of the card.</param>
/// <param name="Tap">The tap.</param>
/// <param name="Was">The score before the tap.</param>
/// <param name="Now">The score after the tap.</param>
/// <param name="Attempt">True a success, false a failure, null neither.</param>
internal readonly record struct TapStory(Stage Stage, RunEvent.Tap Tap, UnitSnapshot Was, UnitSnapshot Now, bool? Attempt);
