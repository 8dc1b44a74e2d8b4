using System.Text.Json;
using KeepTally.Core.Json;
using KeepTally.Core.Time;

namespace KeepTally.Core.Scoring;

/// <summary>Writes a report as the JSON object of docs/formats.md, section 2.</summary>
public static class ReplayWriter
{
    /// <summary>The report as one line of JSON.</summary>
    public static string Write(ScoreReport report) =>
        JsonLine.Write(json =>
        {
            json.WriteStartObject();
            json.WriteNumber("stage", report.Stage);
            json.WriteBoolean("started", report.Started);
            json.WriteBoolean("done", report.Done);
            json.WriteString("winner", report.Winner?.Value);
            json.WriteString("turn", report.Turn?.Value);
            json.WriteString("ball", report.Ball?.Value);
            Seconds(json, "running", report.Running.SinceStart);
            json.WriteNumber("late", report.Late);
            Units(json, report);
            json.WriteStartArray("freezes");
            foreach (var freeze in report.Freezes)
            {
                json.WriteStartObject();
                json.WriteString("reason", freeze.Reason);
                json.WriteNumber("count", freeze.Count);
                Seconds(json, "seconds", freeze.Stood);
                json.WriteEndObject();
            }

            json.WriteEndArray();
            if (report.Habits.Count > 0)
            {
                Habits(json, report.Habits);
            }

            if (report.Earlier.Count > 0)
            {
                json.WriteStartArray("earlier");
                foreach (var game in report.Earlier)
                {
                    json.WriteStartObject();
                    json.WriteString("winner", game.Winner?.Value);
                    Seconds(json, "running", game.Running.SinceStart);
                    json.WriteNumber("late", game.Late);
                    Units(json, game);
                    json.WriteEndObject();
                }

                json.WriteEndArray();
            }

            json.WriteEndObject();
        });

    private static void Habits(Utf8JsonWriter json, IReadOnlyList<HabitReport> habits)
    {
        json.WriteStartArray("habits");
        foreach (var habit in habits)
        {
            json.WriteStartObject();
            json.WriteString("habit", habit.Habit);
            json.WriteString("player", habit.Player?.Value);
            json.WriteNumber("count", habit.Count);
            json.WriteEndObject();
        }

        json.WriteEndArray();
    }

    private static void Units(Utf8JsonWriter json, ScoreReport report)
    {
        json.WriteStartArray("units");
        foreach (var unit in report.Units)
        {
            Unit(json, unit);
        }

        json.WriteEndArray();
        json.WriteStartArray("ranking");
        foreach (var ranked in report.Ranking)
        {
            json.WriteStartObject();
            json.WriteNumber("rank", ranked.Rank);
            json.WriteString("unit", ranked.Unit.Value);
            json.WriteEndObject();
        }

        json.WriteEndArray();
    }

    private static void Unit(Utf8JsonWriter json, UnitReport unit)
    {
        json.WriteStartObject();
        json.WriteString("id", unit.Id.Value);
        json.WriteNumber("points", unit.Points);
        json.WriteNumber("attempts", unit.Attempts);
        json.WriteNumber("successes", unit.Successes);
        json.WriteNumber("streak", unit.Streak);
        json.WriteNumber("bestStreak", unit.BestStreak);
        json.WriteNumber("outs", unit.Outs);
        json.WriteNumber("voids", unit.Voids);
        json.WriteNumber("rung", unit.Rung);
        json.WriteNumber("lap", unit.Lap);
        json.WriteNumber("cleared", unit.Cleared);
        Number(json, "reach", unit.Reach);
        Number(json, "place", unit.Place);
        json.WriteString("asked", unit.Asked);
        if (unit.OwnCount is { } own)
        {
            json.WriteNumber("ownCount", own);
        }

        if (unit.FirstHalf is { } half)
        {
            json.WriteNumber("firstHalf", half);
        }

        json.WriteBoolean("done", unit.Done);
        if (unit.Off)
        {
            json.WriteBoolean("off", true);
        }

        Seconds(json, "seconds", unit.Running);
        json.WriteStartObject("zones");
        Table(json, unit.Zones);
        json.WriteEndObject();
        json.WriteStartObject("counts");
        Counts(json, unit.Counts);
        json.WriteEndObject();
        if (unit.Tags.Count > 0)
        {
            Tags(json, unit.Tags);
        }

        json.WriteStartObject("readings");
        json.WriteNumber("n", unit.Readings.Count);
        Number(json, "best", unit.Readings.Best);
        Number(json, "mean", unit.Readings.Mean);
        Number(json, "last", unit.Readings.Last);
        json.WriteEndObject();
        json.WriteEndObject();
    }

    /// <summary>Only a stage that lists its tags has them counted.</summary>
    private static void Tags(Utf8JsonWriter json, IReadOnlyList<TagReport> tags)
    {
        json.WriteStartObject("tags");
        foreach (var tag in tags)
        {
            json.WriteStartObject(tag.Tag);
            Table(json, tag.Values);
            json.WriteEndObject();
        }

        json.WriteEndObject();
    }

    private static void Table(
        Utf8JsonWriter json,
        IReadOnlyList<KeyValuePair<string, IReadOnlyList<KeyValuePair<string, int>>>> rows
    )
    {
        foreach (var (row, cells) in rows)
        {
            json.WriteStartObject(row);
            Counts(json, cells);
            json.WriteEndObject();
        }
    }

    private static void Counts(Utf8JsonWriter json, IReadOnlyList<KeyValuePair<string, int>> counts)
    {
        foreach (var (name, count) in counts)
        {
            json.WriteNumber(name, count);
        }
    }

    private static void Seconds(Utf8JsonWriter json, string name, Duration span) => json.WriteNumber(name, span.TotalSeconds);

    private static void Number(Utf8JsonWriter json, string name, double? value)
    {
        if (value is { } number)
        {
            json.WriteNumber(name, number);
        }
        else
        {
            json.WriteNull(name);
        }
    }
}
