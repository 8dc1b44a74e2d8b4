using KeepTally.Core.Events.Fields;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Events;

public abstract partial record RunEvent
{
    /// <summary>Places move on; who won, lost or did it where a move asks for it.</summary>
    public sealed record Rotate(EventId Id, Instant At, PlayerId? Winner, PlayerId? Loser, PlayerId? Actor) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "rotate";

        internal static readonly EventFormat<Rotate> Written = new(
            TypeName,
            kind =>
            {
                var winner = kind.With(new PlayerField("winner", isOfTheSheet: true), rotate => rotate.Winner);
                var loser = kind.With(new PlayerField("loser", isOfTheSheet: true), rotate => rotate.Loser);
                var actor = kind.With(new PlayerField("actor", isOfTheSheet: true), rotate => rotate.Actor);
                return (id, at, in said) => new Rotate(id, at, said.Get(winner), said.Get(loser), said.Get(actor));
            }
        );

        internal override EventFormat Format => Written;
    }
}
