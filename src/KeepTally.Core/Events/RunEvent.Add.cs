using KeepTally.Core.Events.Fields;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Events;

public abstract partial record RunEvent
{
    /// <summary>The work under way, or that was last, is longer by so much; shorter where it is below nought.</summary>
    public sealed record Add(EventId Id, Instant At, Duration By) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "add";

        internal static readonly EventFormat<Add> Written = new(
            TypeName,
            kind =>
            {
                var seconds = kind.With(
                    new SecondsField("seconds", "how many seconds more, or below nought less", Limits.MostAdded),
                    add => add.By
                );
                return (id, at, in said) => new Add(id, at, said.Get(seconds));
            }
        );

        internal override EventFormat Format => Written;
    }
}
