using KeepTally.Core.Cards;
using KeepTally.Core.Events;

namespace KeepTally.Core.Rules;

/// <summary>A breach of a limit by one tap.</summary>
public interface IBreach
{
    /// <summary>Whether the tap counts for nothing, though it is kept; else it counts as a failure without points or effects.</summary>
    bool IsVoid { get; }

    /// <summary>The forbidden thing in words.</summary>
    string Words(Stage stage, RunEvent.Tap tap);
}
