using System.Text.Json;
using KeepTally.Core.Json;

namespace KeepTally.Core.Events.Fields;

/// <summary>A text that must be there.</summary>
/// <param name="name">The name in the format.</param>
/// <param name="what">What belongs there, for who left it out.</param>
/// <param name="longest">How many characters it may have.</param>
/// <param name="mayBeEmpty">Whether an empty text says something, too.</param>
internal sealed class NeededTextField(string name, string what, int longest, bool mayBeEmpty) : Field<string>(name)
{
    internal override bool IsNeeded => true;

    internal override string Of(object? value) => (string?)value ?? "";

    internal override object? ValueOf(string held) => held;

    internal override Schema Schema => Schema.TextOf(longest, mayBeEmpty ? 0 : 1);

    internal override bool TryTake(ref Utf8JsonReader json, out object? value) =>
        Texts.TryTake(ref json, longest, out value) && (mayBeEmpty || value is not "");

    internal override object? Read(JsonPlace place) =>
        mayBeEmpty ? place.Need(Name, what)?.Limited(longest)
        : place.NeedText(Name, what).Length > 0 ? place.Find(Name)?.Limited(longest)
        : null;

    internal override void Write(Utf8JsonWriter json, object value) => json.WriteString(Name, (string)value);
}
