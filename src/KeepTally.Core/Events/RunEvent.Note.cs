using KeepTally.Core.Events.Fields;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Events;

public abstract partial record RunEvent
{
    /// <summary>Something written down, about <paramref name="Unit"/> or about the drill.</summary>
    public sealed record Note(EventId Id, Instant At, string Text, PlayerId? Unit) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "note";

        internal static readonly EventFormat<Note> Written = new(
            TypeName,
            kind =>
            {
                var text = kind.With(
                    new NeededTextField("text", "the words of the note", Limits.LongestNote, mayBeEmpty: false),
                    note => note.Text
                );
                var unit = kind.With(new PlayerField("unit", isOfTheSheet: false), note => note.Unit);
                var practice = kind.With(new FlagField("practice"), note => note.OfPractice);
                return (id, at, in said) => new Note(id, at, said.Get(text), said.Get(unit)) { OfPractice = said.Get(practice) };
            }
        )
        {
            IsOfPeople = true,
        };

        internal override EventFormat Format => Written;

        /// <summary>Whether it is about the whole practice.</summary>
        public bool OfPractice { get; init; }
    }
}
