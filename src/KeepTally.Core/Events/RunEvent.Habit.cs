using KeepTally.Core.Events.Fields;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Events;

public abstract partial record RunEvent
{
    /// <summary>Something looked for all practice long was seen once, of <paramref name="Player"/> or of the team.</summary>
    public sealed record Habit(EventId Id, Instant At, string Name, PlayerId? Player) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "habit";

        internal static readonly EventFormat<Habit> Written = new(
            TypeName,
            kind =>
            {
                var habit = kind.With(
                    new NeededTextField("habit", "what was seen, such as \"loose ball\"", Limits.LongestWord, mayBeEmpty: false),
                    seen => seen.Name
                );
                var player = kind.With(new PlayerField("player", isOfTheSheet: true), seen => seen.Player);
                return (id, at, in said) => new Habit(id, at, said.Get(habit), said.Get(player));
            }
        )
        {
            IsOfPeople = true,
        };

        internal override EventFormat Format => Written;
    }
}
