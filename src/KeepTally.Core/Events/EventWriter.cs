using KeepTally.Core.Json;

namespace KeepTally.Core.Events;

/// <summary>Writes one event as the one line that <see cref="EventReader"/> reads.</summary>
public static class EventWriter
{
    /// <summary>The line of an event, without a line break.</summary>
    public static string Write(RunEvent runEvent) =>
        JsonLine.Write(json =>
        {
            json.WriteStartObject();
            json.WriteString("device", runEvent.Id.Device.Value);
            json.WriteNumber("n", runEvent.Id.N);
            json.WriteNumber("at", runEvent.At.Milliseconds);
            json.WriteString("type", runEvent.Type);
            runEvent.Format.Write(json, runEvent);
            json.WriteEndObject();
        });
}
