using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Events;

public abstract partial record RunEvent
{
    /// <summary>The clock begins to run.</summary>
    public sealed record Start(EventId Id, Instant At) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "start";

        internal static readonly EventFormat<Start> Written = new(TypeName, _ => (id, at, in _) => new Start(id, at));

        internal override EventFormat Format => Written;
    }
}
