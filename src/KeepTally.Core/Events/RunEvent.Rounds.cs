using KeepTally.Core.Events.Fields;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Events;

public abstract partial record RunEvent
{
    /// <summary>The clock has so many rounds from now on, though no fewer than have begun.</summary>
    public sealed record Rounds(EventId Id, Instant At, int Count) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "rounds";

        internal static readonly EventFormat<Rounds> Written = new(
            TypeName,
            kind =>
            {
                var rounds = kind.With(
                    new WholeField("rounds", "how many rounds there are to be", 1, Limits.MostRounds),
                    change => change.Count
                );
                return (id, at, in said) => new Rounds(id, at, said.Get(rounds));
            }
        );

        internal override EventFormat Format => Written;
    }
}
