using System.Text.Json;
using KeepTally.Core.Json;

namespace KeepTally.Core.Events.Fields;

/// <summary>A row of lap times, one at least; may be left out.</summary>
internal sealed class LapsField(string name) : Field<IReadOnlyList<double>?>(name)
{
    internal override IReadOnlyList<double>? Of(object? value) => (double[]?)value;

    internal override object? ValueOf(IReadOnlyList<double>? held) => held is null ? null : held as double[] ?? [.. held];

    internal override Schema Schema => Schema.List(Schema.PlainAnyNumber).AtLeastOne().AtMost(Limits.MostLaps);

    internal override bool TryTake(ref Utf8JsonReader json, out object? value)
    {
        value = null;
        if (!json.Read() || json.TokenType != JsonTokenType.StartArray)
        {
            return false;
        }

        var laps = new List<double>();
        while (json.Read() && json.TokenType == JsonTokenType.Number && json.TryGetDouble(out var lap) && double.IsFinite(lap))
        {
            laps.Add(lap);
        }

        value = laps.ToArray();
        return json.TokenType == JsonTokenType.EndArray && laps.Count is > 0 and <= Limits.MostLaps;
    }

    internal override object? Read(JsonPlace place)
    {
        if (place.Find(Name) is not { } laps)
        {
            return null;
        }

        var read = laps.Items().Select(lap => lap.Number()).ToArray();
        if (read.Length is 0 or > Limits.MostLaps)
        {
            laps.Wrong("this is no row of laps", $"write 1 to {Limits.MostLaps} numbers");
        }

        return read;
    }

    internal override void Write(Utf8JsonWriter json, object value)
    {
        json.WriteStartArray(Name);
        foreach (var lap in (double[])value)
        {
            json.WriteNumberValue(lap);
        }

        json.WriteEndArray();
    }
}
