using KeepTally.Core.Events.Fields;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Events;

public abstract partial record RunEvent
{
    /// <summary>A tap on the pad: whom, what, where it went, what else it says, and the number it carries; each may be left out.</summary>
    public sealed record Tap(
        EventId Id,
        Instant At,
        PlayerId? Unit,
        string? Outcome,
        string? Zone,
        IReadOnlyDictionary<string, string>? Tags,
        double? Value
    ) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "tap";

        internal static readonly EventFormat<Tap> Written = new(
            TypeName,
            kind =>
            {
                var unit = kind.With(new PlayerField("unit", isOfTheSheet: false), tap => tap.Unit);
                var outcome = kind.With(new TextField("outcome"), tap => tap.Outcome);
                var zone = kind.With(new TextField("zone"), tap => tap.Zone);
                var tags = kind.With(new TagsField("tags"), tap => tap.Tags);
                var value = kind.With(new NumberField("value"), tap => tap.Value);
                var laps = kind.With(new LapsField("laps"), tap => tap.Laps);
                return (id, at, in said) =>
                    new Tap(id, at, said.Get(unit), said.Get(outcome), said.Get(zone), said.Get(tags), said.Get(value))
                    {
                        Laps = said.Get(laps),
                    };
            }
        )
        {
            IsOfPeople = true,
        };

        internal override EventFormat Format => Written;

        /// <summary>The lap times in the unit of <c>Value</c>; null where there are none.</summary>
        public IReadOnlyList<double>? Laps { get; init; }

        /// <summary>Whether it counts although it was late, by an <see cref="Amend"/>.</summary>
        public bool CountsLate { get; init; }
    }
}
