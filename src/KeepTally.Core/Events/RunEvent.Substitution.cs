using KeepTally.Core.Events.Fields;
using KeepTally.Core.Faults;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Events;

public abstract partial record RunEvent
{
    /// <summary><paramref name="Out"/> leaves, <paramref name="In"/> joins; two who are both on change places.</summary>
    public sealed record Substitution(EventId Id, Instant At, PlayerId? Out, PlayerId? In) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "sub";

        internal static readonly EventFormat<Substitution> Written = new(
            TypeName,
            kind =>
            {
                var goes = kind.With(new PlayerField("out", isOfTheSheet: true), sub => sub.Out);
                var comes = kind.With(new PlayerField("in", isOfTheSheet: true), sub => sub.In);
                return (id, at, in said) => new Substitution(id, at, said.Get(goes), said.Get(comes));
            }
        )
        {
            IsOfPeople = true,
            Fault = sub =>
                sub is { Out: null, In: null }
                    ? new Fault("out", "the change says neither who goes nor who comes", "write out, in, or both")
                    : null,
        };

        internal override EventFormat Format => Written;
    }
}
