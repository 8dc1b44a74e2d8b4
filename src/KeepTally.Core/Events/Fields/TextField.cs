using System.Text.Json;
using KeepTally.Core.Json;

namespace KeepTally.Core.Events.Fields;

/// <summary>A text that may be left out.</summary>
internal sealed class TextField(string name) : Field<string?>(name)
{
    internal override string? Of(object? value) => (string?)value;

    internal override object? ValueOf(string? held) => held;

    internal override Schema Schema => Schema.TextOf(Limits.LongestWord);

    internal override bool TryTake(ref Utf8JsonReader json, out object? value) =>
        Texts.TryTake(ref json, Limits.LongestWord, out value);

    internal override object? Read(JsonPlace place) => place.Find(Name)?.Limited(Limits.LongestWord);

    internal override void Write(Utf8JsonWriter json, object value) => json.WriteString(Name, (string)value);
}
