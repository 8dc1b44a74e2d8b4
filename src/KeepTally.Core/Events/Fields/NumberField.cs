using System.Text.Json;
using KeepTally.Core.Json;

namespace KeepTally.Core.Events.Fields;

/// <summary>Any number; may be left out.</summary>
internal sealed class NumberField(string name) : Field<double?>(name)
{
    internal override double? Of(object? value) => (double?)value;

    internal override object? ValueOf(double? held) => held;

    internal override Schema Schema => Schema.PlainAnyNumber;

    internal override bool TryTake(ref Utf8JsonReader json, out object? value)
    {
        value =
            json.Read() && json.TokenType == JsonTokenType.Number && json.TryGetDouble(out var number) && double.IsFinite(number)
                ? number
                : null;
        return value is not null;
    }

    internal override object? Read(JsonPlace place) => place.Find(Name)?.Number();

    internal override void Write(Utf8JsonWriter json, object value) => json.WriteNumber(Name, (double)value);
}
