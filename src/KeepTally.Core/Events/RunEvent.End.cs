using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Events;

public abstract partial record RunEvent
{
    /// <summary>The sheet is closed.</summary>
    public sealed record End(EventId Id, Instant At) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "end";

        internal static readonly EventFormat<End> Written = new(TypeName, _ => (id, at, in _) => new End(id, at));

        internal override EventFormat Format => Written;
    }
}
