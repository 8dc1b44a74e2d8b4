using KeepTally.Core.Events.Fields;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Events;

public abstract partial record RunEvent
{
    /// <summary>The game is over, whatever stands, and another begins at once on the same sheet.</summary>
    /// <param name="Id">The id of the event.</param>
    /// <param name="At">The moment it happened.</param>
    /// <param name="Ends">Sides change ends: the next one starts with the ball, or has the good side.</param>
    /// <param name="Moves">Places move on once before it.</param>
    public sealed record Again(EventId Id, Instant At, bool Ends, bool Moves) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "again";

        internal static readonly EventFormat<Again> Written = new(
            TypeName,
            kind =>
            {
                var ends = kind.With(new FlagField("ends"), again => again.Ends);
                var moves = kind.With(new FlagField("moves"), again => again.Moves);
                return (id, at, in said) => new Again(id, at, said.Get(ends), said.Get(moves));
            }
        );

        internal override EventFormat Format => Written;
    }
}
