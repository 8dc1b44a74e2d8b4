using KeepTally.Core.Events.Fields;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Events;

public abstract partial record RunEvent
{
    /// <summary>
    /// What a tap said is put right: <paramref name="Of"/> reads from now on as told here, in its own place; what is left out stays
    /// as it was.
    /// </summary>
    /// <param name="Id">The id of the event.</param>
    /// <param name="At">The moment it happened.</param>
    /// <param name="Of">The id of the tap that is corrected.</param>
    /// <param name="Unit">The unit it is corrected to; null for no change.</param>
    /// <param name="Outcome">The outcome it is corrected to; null for no change.</param>
    /// <param name="Zone">The zone it is corrected to; null for no change.</param>
    /// <param name="Value">The value it is corrected to; null for no change.</param>
    /// <param name="Counts">Whether it counts though it was late; null leaves that as it was.</param>
    public sealed record Amend(
        EventId Id,
        Instant At,
        EventId Of,
        PlayerId? Unit,
        string? Outcome,
        string? Zone,
        double? Value,
        bool? Counts
    ) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "amend";

        internal static readonly EventFormat<Amend> Written = new(
            TypeName,
            kind =>
            {
                var of = kind.With(new EventIdField("of"), amend => amend.Of);
                var unit = kind.With(new PlayerField("unit", isOfTheSheet: false), amend => amend.Unit);
                var outcome = kind.With(new TextField("outcome"), amend => amend.Outcome);
                var zone = kind.With(new TextField("zone"), amend => amend.Zone);
                var tags = kind.With(new TagsField("tags"), amend => amend.Tags);
                var value = kind.With(new NumberField("value"), amend => amend.Value);
                var counts = kind.With(new FlagField.OrNeither("counts"), amend => amend.Counts);
                return (id, at, in said) =>
                    new Amend(
                        id,
                        at,
                        said.Get(of),
                        said.Get(unit),
                        said.Get(outcome),
                        said.Get(zone),
                        said.Get(value),
                        said.Get(counts)
                    )
                    {
                        Tags = said.Get(tags),
                    };
            }
        )
        {
            IsOfPeople = true,
        };

        internal override EventFormat Format => Written;

        /// <summary>Values of tags that are put right; null or those not named stay as they were.</summary>
        public IReadOnlyDictionary<string, string>? Tags { get; init; }

        /// <summary>The tap as it reads by this.</summary>
        public Tap Over(Tap tap) =>
            tap with
            {
                Tags = Tags is null ? tap.Tags : Over(tap.Tags),
                Unit = Unit ?? tap.Unit,
                Outcome = Outcome ?? tap.Outcome,
                Zone = Zone ?? tap.Zone,
                Value = Value ?? tap.Value,
                CountsLate = Counts ?? tap.CountsLate,
            };

        private Dictionary<string, string> Over(IReadOnlyDictionary<string, string>? said)
        {
            var all = (said ?? new Dictionary<string, string>()).ToDictionary(StringComparer.Ordinal);
            foreach (var (tag, value) in Tags!)
            {
                all[tag] = value;
            }

            return all;
        }
    }
}
