using KeepTally.Core.Clock;
using KeepTally.Core.Events.Fields;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Events;

public abstract partial record RunEvent
{
    /// <summary>An interval of the clock is over at this moment, if it is the one under way.</summary>
    /// <param name="Id">The id of the event.</param>
    /// <param name="At">The moment it happened.</param>
    /// <param name="Kind">Work, change or break.</param>
    /// <param name="Round">The round it belongs to, from 1.</param>
    public sealed record Skip(EventId Id, Instant At, IntervalKind Kind, int Round) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "skip";

        internal static readonly EventFormat<Skip> Written = new(
            TypeName,
            kind =>
            {
                var interval = kind.With(new IntervalField("interval"), skip => skip.Kind);
                var round = kind.With(
                    new WholeField("round", "the round it belongs to, from 1", 1, Limits.MostRounds),
                    skip => skip.Round
                );
                return (id, at, in said) => new Skip(id, at, said.Get(interval), said.Get(round));
            }
        );

        internal override EventFormat Format => Written;
    }
}
