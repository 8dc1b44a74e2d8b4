using System.Text.Json;
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
            WriteOwn(json, runEvent);
            json.WriteEndObject();
        });

    private static void WriteOwn(Utf8JsonWriter json, RunEvent runEvent)
    {
        switch (runEvent)
        {
            case RunEvent.Tap tap:
                WriteTap(json, tap);
                break;
            case RunEvent.Turn turn:
                Optional(json, "unit", turn.Unit?.Value);
                break;
            case RunEvent.Rotate rotate:
                Optional(json, "winner", rotate.Winner?.Value);
                Optional(json, "loser", rotate.Loser?.Value);
                Optional(json, "actor", rotate.Actor?.Value);
                break;
            case RunEvent.Undo undo:
                WriteOf(json, undo.Of);
                break;
            case RunEvent.Amend amend:
                WriteOf(json, amend.Of);
                Optional(json, "unit", amend.Unit?.Value);
                Optional(json, "outcome", amend.Outcome);
                Optional(json, "zone", amend.Zone);
                WriteTags(json, amend.Tags);
                if (amend.Value is { } amended)
                {
                    json.WriteNumber("value", amended);
                }

                if (amend.Counts is { } counts)
                {
                    json.WriteBoolean("counts", counts);
                }

                break;
            case RunEvent.Freeze freeze:
                json.WriteString("reason", freeze.Reason);
                break;
            case RunEvent.Note note:
                json.WriteString("text", note.Text);
                Optional(json, "unit", note.Unit?.Value);
                Only(json, "practice", note.OfPractice);
                break;
            case RunEvent.Add add:
                json.WriteNumber("seconds", add.By.TotalSeconds);
                break;
            case RunEvent.Skip skip:
                json.WriteString("interval", IntervalWords.Of(skip.Kind));
                json.WriteNumber("round", skip.Round);
                break;
            case RunEvent.Rounds rounds:
                json.WriteNumber("rounds", rounds.Count);
                break;
            case RunEvent.Again again:
                Only(json, "ends", again.Ends);
                Only(json, "moves", again.Moves);
                break;
            case RunEvent.Habit habit:
                json.WriteString("habit", habit.Name);
                Optional(json, "player", habit.Player?.Value);
                break;
            case RunEvent.OwnCount count:
                json.WriteString("unit", count.Unit.Value);
                json.WriteNumber("count", count.Count);
                json.WriteNumber("round", count.Round);
                break;
            case RunEvent.Cue cue:
                json.WriteString("text", cue.Text);
                Optional(json, "unit", cue.Unit?.Value);
                break;
            case RunEvent.Substitution substitution:
                Optional(json, "out", substitution.Out?.Value);
                Optional(json, "in", substitution.In?.Value);
                break;
        }
    }

    private static void WriteOf(Utf8JsonWriter json, EventId of)
    {
        json.WriteStartObject("of");
        json.WriteString("device", of.Device.Value);
        json.WriteNumber("n", of.N);
        json.WriteEndObject();
    }

    private static void WriteTags(Utf8JsonWriter json, IReadOnlyDictionary<string, string>? tags)
    {
        if (tags is null)
        {
            return;
        }

        json.WriteStartObject("tags");
        foreach (var (tag, value) in tags)
        {
            json.WriteString(tag, value);
        }

        json.WriteEndObject();
    }

    private static void WriteTap(Utf8JsonWriter json, RunEvent.Tap tap)
    {
        Optional(json, "unit", tap.Unit?.Value);
        Optional(json, "outcome", tap.Outcome);
        Optional(json, "zone", tap.Zone);
        WriteTags(json, tap.Tags);
        if (tap.Value is { } number)
        {
            json.WriteNumber("value", number);
        }

        if (tap.Laps is { } laps)
        {
            json.WriteStartArray("laps");
            foreach (var lap in laps)
            {
                json.WriteNumberValue(lap);
            }

            json.WriteEndArray();
        }
    }

    /// <summary>A property that is false is left out.</summary>
    private static void Only(Utf8JsonWriter json, string name, bool value)
    {
        if (value)
        {
            json.WriteBoolean(name, true);
        }
    }

    private static void Optional(Utf8JsonWriter json, string name, string? value)
    {
        if (value is not null)
        {
            json.WriteString(name, value);
        }
    }
}
