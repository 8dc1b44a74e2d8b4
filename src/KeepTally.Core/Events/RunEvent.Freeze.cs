using KeepTally.Core.Events.Fields;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Events;

public abstract partial record RunEvent
{
    /// <summary>A teaching stop: the clock stands until it is resumed.</summary>
    public sealed record Freeze(EventId Id, Instant At, string Reason) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "freeze";

        internal static readonly EventFormat<Freeze> Written = new(
            TypeName,
            kind =>
            {
                var reason = kind.With(new TextField("reason"), freeze => freeze.Reason);
                return (id, at, in said) => new Freeze(id, at, said.Get(reason) ?? "");
            }
        );

        internal override EventFormat Format => Written;
    }
}
