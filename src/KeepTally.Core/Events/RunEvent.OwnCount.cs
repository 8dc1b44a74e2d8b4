using KeepTally.Core.Events.Fields;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Events;

public abstract partial record RunEvent
{
    /// <summary>A unit says itself how many it had in a round; the last word for the round stands. It is kept apart from taps.</summary>
    /// <param name="Id">The id of the event.</param>
    /// <param name="At">The moment it happened.</param>
    /// <param name="Unit">The unit: a player, a pair, a group or a side.</param>
    /// <param name="Count">The number the unit said it had.</param>
    /// <param name="Round">The round of the clock, from 1.</param>
    public sealed record OwnCount(EventId Id, Instant At, PlayerId Unit, int Count, int Round) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "count";

        internal static readonly EventFormat<OwnCount> Written = new(
            TypeName,
            kind =>
            {
                var unit = kind.With(new NeededPlayerField("unit", "who says so"), own => own.Unit);
                var count = kind.With(new WholeField("count", "how many", 0, Limits.MostCounted), own => own.Count);
                var round = kind.With(new WholeField("round", null, 1, Limits.MostRounds), own => own.Round);
                return (id, at, in said) => new OwnCount(id, at, said.Get(unit), said.Get(count), said.Get(round));
            }
        )
        {
            IsOfPeople = true,
        };

        internal override EventFormat Format => Written;
    }
}
