using System.Text.Json;
using KeepTally.Core.Json;

namespace KeepTally.Core.Events.Fields;

/// <summary>True, or left out for false.</summary>
internal sealed class FlagField(string name) : Field<bool>(name)
{
    private static readonly object True = true;

    internal override bool Of(object? value) => value is true;

    internal override object? ValueOf(bool held) => held ? True : null;

    internal override Schema Schema => Schema.Boolean;

    internal override bool TryTake(ref Utf8JsonReader json, out object? value) => Choices.TryTake(ref json, out value);

    internal override object? Read(JsonPlace place) => place.Find(Name)?.Boolean();

    internal override void Write(Utf8JsonWriter json, object value) => json.WriteBoolean(Name, (bool)value);

    /// <summary>True, false, or left out: three things that are told apart.</summary>
    internal sealed class OrNeither(string name) : Field<bool?>(name)
    {
        internal override bool? Of(object? value) => (bool?)value;

        internal override object? ValueOf(bool? held) => held;

        internal override Schema Schema => Schema.Boolean;

        internal override bool TryTake(ref Utf8JsonReader json, out object? value) => Choices.TryTake(ref json, out value);

        internal override object? Read(JsonPlace place) => place.Find(Name)?.Boolean();

        internal override void Write(Utf8JsonWriter json, object value) => json.WriteBoolean(Name, (bool)value);
    }

    private static class Choices
    {
        internal static bool TryTake(ref Utf8JsonReader json, out object? value)
        {
            value = json.Read() && json.TokenType is JsonTokenType.True or JsonTokenType.False ? json.GetBoolean() : null;
            return value is not null;
        }
    }
}
