using System.Buffers;
using System.Globalization;
using System.Text;
using System.Text.Json;
using System.Text.Json.Serialization.Metadata;
using KeepTally.Core.Live;
using KeepTally.Screen;
using KeepTally.Screen.Views;

namespace KeepTally.Browser;

/// <summary>
/// Hands the script only what has changed on the screen since the last look. A part that is the same object as before is the
/// same to the letter (see <see cref="RunPresenter"/>).
/// </summary>
/// <remarks>
/// <c>{"whole": view}</c> the first time and when another drill is under way; else <c>{"canGoBack"?, "run"?: {…}}</c> with the
/// changed properties alone. In <c>run.taps</c> a number is the line that stood there before, <c>run.last</c> is the place in <c>taps</c>, -1 for none. Of <c>run.sheets</c> only changed ones are named, by their index: whole, null, or with
/// <c>rows</c> as an object of changed rows by index, each with what has changed in it.
/// </remarks>
internal sealed class ViewChanges
{
    private readonly ArrayBufferWriter<byte> _buffer = new(4096);
    private PracticeView? _shown;

    internal string To(PracticeView now, IReadOnlyList<SheetEvent> due)
    {
        _buffer.ResetWrittenCount();
        using (var json = new Utf8JsonWriter(_buffer))
        {
            json.WriteStartObject();
            if (due.Count > 0)
            {
                json.WritePropertyName("due");
                JsonSerializer.Serialize(json, Answers.Events(due), ViewJson.Default.IReadOnlyListEventLine);
            }

            if (_shown is not { Run: { } was } before || before.Block != now.Block || now.Run is not { } run)
            {
                json.WritePropertyName("whole");
                JsonSerializer.Serialize(json, now, ViewJson.Default.PracticeView);
            }
            else
            {
                if (before.CanGoBack != now.CanGoBack)
                {
                    json.WriteBoolean("canGoBack", now.CanGoBack);
                }

                json.WriteStartObject("run");
                WriteRun(json, was, run);
                json.WriteEndObject();
            }

            json.WriteEndObject();
        }

        _shown = now;
        return Encoding.UTF8.GetString(_buffer.WrittenSpan);
    }

    /// <summary>The next look hands everything over.</summary>
    internal void Forget() => _shown = null;

    private static void WriteRun(Utf8JsonWriter json, RunView was, RunView now)
    {
        Text(json, "primary", was.Primary, now.Primary);
        Text(json, "primaryLabel", was.PrimaryLabel, now.PrimaryLabel);
        Text(json, "prompt", was.Prompt, now.Prompt);
        Text(json, "late", was.Late, now.Late);
        Boolean(json, "canMove", was.CanMove, now.CanMove);
        Boolean(json, "canStop", was.CanStop, now.CanStop);
        Boolean(json, "ownCounts", was.OwnCounts, now.OwnCounts);
        Text(json, "noteNow", was.NoteNow, now.NoteNow);
        Text(json, "load", was.Load, now.Load);
        Text(json, "lastBall", was.LastBall, now.LastBall);
        Text(json, "notReached", was.NotReached, now.NotReached);
        if (was.Moves != now.Moves)
        {
            Part(json, "moves", null, now.Moves, ViewJson.Default.ClockMovesView);
        }

        Part(json, "clock", was.Clock, now.Clock, ViewJson.Default.ClockView);
        WriteTaps(json, was.Taps, now.Taps);
        if (!ReferenceEquals(was.Last, now.Last))
        {
            json.WriteNumber("last", now.Last is null ? -1 : IndexIn(now.Taps, now.Last));
        }

        if (!was.Round.SequenceEqual(now.Round))
        {
            Part(json, "round", null, now.Round, ViewJson.Default.IReadOnlyListRoundView);
        }

        if (!was.Habits.SequenceEqual(now.Habits))
        {
            Part(json, "habits", null, now.Habits, ViewJson.Default.IReadOnlyListInt32);
        }

        if (!was.Contest.SequenceEqual(now.Contest))
        {
            Part(json, "contest", null, now.Contest, ViewJson.Default.IReadOnlyListContestView);
        }

        if (was.Duplicate != now.Duplicate)
        {
            json.WritePropertyName("duplicate");
            JsonSerializer.Serialize(json, now.Duplicate, ViewJson.Default.DuplicateTapView!);
        }

        if (!ReferenceEquals(was.Sheets, now.Sheets))
        {
            json.WriteStartObject("sheets");
            for (var i = 0; i < now.Sheets.Count; i++)
            {
                WriteSheet(json, i, was.Sheets[i], now.Sheets[i]);
            }

            json.WriteEndObject();
        }
    }

    /// <summary>Lines that stood in the list before are named by where they stood.</summary>
    private static void WriteTaps(Utf8JsonWriter json, IReadOnlyList<TapView> was, IReadOnlyList<TapView> now)
    {
        if (ReferenceEquals(was, now))
        {
            return;
        }

        json.WriteStartArray("taps");
        foreach (var tap in now)
        {
            if (IndexIn(was, tap) is >= 0 and var before)
            {
                json.WriteNumberValue(before);
            }
            else
            {
                JsonSerializer.Serialize(json, tap, ViewJson.Default.TapView);
            }
        }

        json.WriteEndArray();
    }

    private static int IndexIn(IReadOnlyList<TapView> taps, TapView sought)
    {
        for (var i = 0; i < taps.Count; i++)
        {
            if (ReferenceEquals(taps[i], sought))
            {
                return i;
            }
        }

        return -1;
    }

    private static void WriteSheet(Utf8JsonWriter json, int index, SheetView? was, SheetView? now)
    {
        if (ReferenceEquals(was, now))
        {
            return;
        }

        var name = index.ToString(CultureInfo.InvariantCulture);
        if (was is null || now is null || was.Rows.Count != now.Rows.Count)
        {
            Part(json, name, was, now, ViewJson.Default.SheetView);
            return;
        }

        json.WriteStartObject(name);
        Boolean(json, "done", was.Done, now.Done);
        Text(json, "result", was.Result, now.Result);
        Text(json, "aim", was.Aim, now.Aim);
        Text(json, "versus", was.Versus, now.Versus);
        Text(json, "games", was.Games, now.Games);
        Part(json, "again", was.Again, now.Again, ViewJson.Default.AgainView);
        Text(json, "clock", was.Clock, now.Clock);
        Text(json, "group", was.Group, now.Group);
        if (!was.Helpers.SequenceEqual(now.Helpers))
        {
            Part(json, "helpers", null, now.Helpers, ViewJson.Default.IReadOnlyListHelperView);
        }

        if (!ReferenceEquals(was.People, now.People))
        {
            Part(json, "people", null, now.People, ViewJson.Default.IReadOnlyListPersonView);
        }

        json.WriteStartObject("rows");
        for (var i = 0; i < now.Rows.Count; i++)
        {
            WriteRow(json, i, was.Rows[i], now.Rows[i]);
        }

        json.WriteEndObject();
        json.WriteEndObject();
    }

    private static void WriteRow(Utf8JsonWriter json, int index, RowView was, RowView now)
    {
        if (ReferenceEquals(was, now))
        {
            return;
        }

        json.WriteStartObject(index.ToString(CultureInfo.InvariantCulture));
        Text(json, "unit", was.Unit, now.Unit);
        Text(json, "name", was.Name, now.Name);
        Text(json, "score", was.Score, now.Score);
        if (was.Strokes != now.Strokes)
        {
            json.WriteNumber("strokes", now.Strokes);
        }

        Text(json, "detail", was.Detail, now.Detail);
        Text(json, "gate", was.Gate, now.Gate);
        Text(json, "streak", was.Streak, now.Streak);
        Boolean(json, "done", was.Done, now.Done);
        Boolean(json, "last", was.Last, now.Last);
        Boolean(json, "leads", was.Leads, now.Leads);
        Text(json, "asked", was.Asked, now.Asked);
        Text(json, "barred", was.Barred, now.Barred);
        Text(json, "said", was.Said, now.Said);
        Boolean(json, "waits", was.Waits, now.Waits);
        Boolean(json, "ball", was.Ball, now.Ball);
        Text(json, "withheld", was.Withheld, now.Withheld);
        Text(json, "members", was.Members, now.Members);
        json.WriteEndObject();
    }

    private static void Text(Utf8JsonWriter json, string name, string? was, string? now)
    {
        if (was != now)
        {
            json.WriteString(name, now);
        }
    }

    private static void Boolean(Utf8JsonWriter json, string name, bool was, bool now)
    {
        if (was != now)
        {
            json.WriteBoolean(name, now);
        }
    }

    private static void Part<T>(Utf8JsonWriter json, string name, T? was, T? now, JsonTypeInfo<T> type)
        where T : class
    {
        if (ReferenceEquals(was, now))
        {
            return;
        }

        json.WritePropertyName(name);
        if (now is null)
        {
            json.WriteNullValue();
        }
        else
        {
            JsonSerializer.Serialize(json, now, type);
        }
    }
}
