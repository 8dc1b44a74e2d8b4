using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Events;

public abstract partial record RunEvent
{
    /// <summary>The coach's whistle: the clock of one rep begins.</summary>
    public sealed record Whistle(EventId Id, Instant At) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "whistle";

        internal static readonly EventFormat<Whistle> Written = new(TypeName, _ => (id, at, in _) => new Whistle(id, at));

        internal override EventFormat Format => Written;
    }
}
