using KeepTally.Core.Events.Fields;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Events;

public abstract partial record RunEvent
{
    /// <summary><paramref name="Of"/> counts as if it had never been.</summary>
    public sealed record Undo(EventId Id, Instant At, EventId Of) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "undo";

        internal static readonly EventFormat<Undo> Written = new(
            TypeName,
            kind =>
            {
                var of = kind.With(new EventIdField("of"), undo => undo.Of);
                return (id, at, in said) => new Undo(id, at, said.Get(of));
            }
        )
        {
            IsOfPeople = true,
        };

        internal override EventFormat Format => Written;
    }
}
