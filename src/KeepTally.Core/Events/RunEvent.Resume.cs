using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Events;

public abstract partial record RunEvent
{
    /// <summary>The clock goes on.</summary>
    public sealed record Resume(EventId Id, Instant At) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "resume";

        internal static readonly EventFormat<Resume> Written = new(TypeName, _ => (id, at, in _) => new Resume(id, at));

        internal override EventFormat Format => Written;
    }
}
