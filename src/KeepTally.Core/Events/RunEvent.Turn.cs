using KeepTally.Core.Events.Fields;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Events;

public abstract partial record RunEvent
{
    /// <summary>The turn passes to <paramref name="Unit"/>, or to the next that is not done.</summary>
    public sealed record Turn(EventId Id, Instant At, PlayerId? Unit) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "turn";

        internal static readonly EventFormat<Turn> Written = new(
            TypeName,
            kind =>
            {
                var unit = kind.With(new PlayerField("unit", isOfTheSheet: false), turn => turn.Unit);
                return (id, at, in said) => new Turn(id, at, said.Get(unit));
            }
        );

        internal override EventFormat Format => Written;
    }
}
