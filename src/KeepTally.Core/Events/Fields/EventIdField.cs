using System.Text.Json;
using KeepTally.Core.Identity;
using KeepTally.Core.Json;

namespace KeepTally.Core.Events.Fields;

/// <summary>The event that another reaches for, by its device and number; must be there.</summary>
internal sealed class EventIdField(string name) : Field<EventId>(name)
{
    private const string Device = "device";
    private const string Number = "n";

    internal override bool IsNeeded => true;

    internal override EventId Of(object? value) => value is EventId id ? id : default;

    internal override object? ValueOf(EventId held) => held;

    internal override Schema Schema =>
        Schema.Object(
            new SchemaProperty(Device, Schema.TextOf(Limits.LongestDevice, 1), IsNeeded: true),
            new SchemaProperty(Number, Schema.PlainWhole(0), IsNeeded: true)
        );

    internal override bool TryTake(ref Utf8JsonReader json, out object? value)
    {
        value = null;
        if (!json.Read() || json.TokenType != JsonTokenType.StartObject)
        {
            return false;
        }

        object? device = null;
        var n = -1;
        while (json.Read() && json.TokenType == JsonTokenType.PropertyName)
        {
            var isClear = json.ValueTextEquals("device"u8)
                ? device is null && Texts.TryTake(ref json, Limits.LongestDevice, out device) && device is not ""
                : json.ValueTextEquals("n"u8)
                    && n < 0
                    && json.Read()
                    && json.TokenType == JsonTokenType.Number
                    && json.TryGetInt32(out n)
                    && n >= 0;
            if (!isClear)
            {
                return false;
            }
        }

        value = device is string known && n >= 0 ? new EventId(new DeviceId(known), n) : null;
        return value is not null && json.TokenType == JsonTokenType.EndObject;
    }

    internal override object? Read(JsonPlace place)
    {
        if (place.Need(Name, "the device and n of the event it reaches for") is not { } of)
        {
            return null;
        }

        of.Only(Device, Number);
        var device = of.NeedText(Device, "whose event") is { Length: > 0 }
            ? of.Find(Device)?.Limited(Limits.LongestDevice) ?? ""
            : "";
        return new EventId(new DeviceId(device), of.Need(Number, "which event")?.Whole(0, int.MaxValue) ?? 0);
    }

    internal override void Write(Utf8JsonWriter json, object value)
    {
        var id = (EventId)value;
        json.WriteStartObject(Name);
        json.WriteString(Device, id.Device.Value);
        json.WriteNumber(Number, id.N);
        json.WriteEndObject();
    }
}
