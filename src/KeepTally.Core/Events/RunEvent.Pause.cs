using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Events;

public abstract partial record RunEvent
{
    /// <summary>The clock stands until it is resumed.</summary>
    public sealed record Pause(EventId Id, Instant At) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "pause";

        internal static readonly EventFormat<Pause> Written = new(TypeName, _ => (id, at, in _) => new Pause(id, at));

        internal override EventFormat Format => Written;
    }
}
