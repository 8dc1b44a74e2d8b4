using KeepTally.Core.Events.Fields;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Events;

public abstract partial record RunEvent
{
    /// <summary>A cue for the next rep, for <paramref name="Unit"/> or for all; an empty text removes it.</summary>
    public sealed record Cue(EventId Id, Instant At, string Text, PlayerId? Unit) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "cue";

        internal static readonly EventFormat<Cue> Written = new(
            TypeName,
            kind =>
            {
                var text = kind.With(
                    new NeededTextField(
                        "text",
                        "what is to be said; an empty text takes it away",
                        Limits.LongestWord,
                        mayBeEmpty: true
                    ),
                    cue => cue.Text
                );
                var unit = kind.With(new PlayerField("unit", isOfTheSheet: false), cue => cue.Unit);
                return (id, at, in said) => new Cue(id, at, said.Get(text), said.Get(unit));
            }
        )
        {
            IsOfPeople = true,
        };

        internal override EventFormat Format => Written;
    }
}
