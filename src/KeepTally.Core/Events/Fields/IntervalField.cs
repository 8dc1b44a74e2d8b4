using System.Text.Json;
using KeepTally.Core.Clock;
using KeepTally.Core.Json;

namespace KeepTally.Core.Events.Fields;

/// <summary>Which interval of the clock, by its word in the log; must be there.</summary>
internal sealed class IntervalField(string name) : Field<IntervalKind>(name)
{
    internal override bool IsNeeded => true;

    internal override IntervalKind Of(object? value) => value is IntervalKind kind ? kind : IntervalKind.Work;

    internal override object? ValueOf(IntervalKind held) => held;

    internal override Schema Schema => Schema.PlainOneOf(IntervalWords.All.Select(each => each.Word));

    internal override bool TryTake(ref Utf8JsonReader json, out object? value)
    {
        value = null;
        if (!Texts.TryTake(ref json, Limits.LongestWord, out var text))
        {
            return false;
        }

        foreach (var (word, kind) in IntervalWords.All)
        {
            if (word.Equals(text as string, StringComparison.Ordinal))
            {
                value = kind;
            }
        }

        return value is not null;
    }

    internal override object? Read(JsonPlace place) => place.Need(Name, "work, change or break")?.OneOf(IntervalWords.All);

    internal override void Write(Utf8JsonWriter json, object value) =>
        json.WriteString(Name, IntervalWords.Of((IntervalKind)value));
}
