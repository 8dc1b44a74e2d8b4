using System.Text.Json;
using KeepTally.Core.Json;

namespace KeepTally.Core.Events.Fields;

/// <summary>A whole number from <paramref name="least"/> to <paramref name="most"/>.</summary>
/// <param name="name">The name in the format.</param>
/// <param name="what">What belongs there, for who left it out; null where it may be left out and is <paramref name="least"/> then.</param>
/// <param name="least">The least it may be.</param>
/// <param name="most">The most it may be.</param>
internal sealed class WholeField(string name, string? what, int least, int most) : Field<int>(name)
{
    internal override bool IsNeeded => what is not null;

    internal override int Of(object? value) => (int?)value ?? least;

    internal override object? ValueOf(int held) => held;

    internal override Schema Schema => Schema.PlainWhole(least, most);

    internal override bool TryTake(ref Utf8JsonReader json, out object? value)
    {
        value =
            json.Read()
            && json.TokenType == JsonTokenType.Number
            && json.TryGetInt32(out var number)
            && number >= least
            && number <= most
                ? number
                : null;
        return value is not null;
    }

    internal override object? Read(JsonPlace place) =>
        (what is null ? place.Find(Name) : place.Need(Name, what))?.Whole(least, most);

    internal override void Write(Utf8JsonWriter json, object value) => json.WriteNumber(Name, (int)value);
}
