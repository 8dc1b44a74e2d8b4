using System.Text.Json;
using KeepTally.Core.Json;
using KeepTally.Core.Time;

namespace KeepTally.Core.Events.Fields;

/// <summary>A span of time that must be there, in seconds; below nought for less.</summary>
/// <param name="name">The name in the format.</param>
/// <param name="what">What belongs there, for who left it out.</param>
/// <param name="most">How far from nought it may be, in seconds.</param>
internal sealed class SecondsField(string name, string what, double most) : Field<Duration>(name)
{
    internal override bool IsNeeded => true;

    internal override Duration Of(object? value) => Duration.FromSeconds((double?)value ?? 0);

    internal override object? ValueOf(Duration held) => held.TotalSeconds;

    internal override Schema Schema => Schema.PlainNumber(-most, most);

    internal override bool TryTake(ref Utf8JsonReader json, out object? value)
    {
        value =
            json.Read() && json.TokenType == JsonTokenType.Number && json.TryGetDouble(out var number) && Math.Abs(number) <= most
                ? number
                : null;
        return value is not null;
    }

    internal override object? Read(JsonPlace place) => place.Need(Name, what)?.Number(-most, most);

    internal override void Write(Utf8JsonWriter json, object value) => json.WriteNumber(Name, (double)value);
}
