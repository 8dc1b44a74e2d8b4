using System.Text;
using System.Text.Json.Serialization;
using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Live;
using KeepTally.Screen.Views;

namespace KeepTally.Browser;

/// <summary>An event to keep and to send.</summary>
internal sealed record EventLine(string Sheet, string Device, int N, string Line);

/// <summary>Writes what came of a command.</summary>
internal static class Answers
{
    internal static IReadOnlyList<EventLine> Events(IReadOnlyList<SheetEvent> appended)
    {
        var events = new EventLine[appended.Count];
        for (var i = 0; i < events.Length; i++)
        {
            var (sheet, made) = appended[i];
            events[i] = new EventLine(sheet.Value, made.Id.Device.Value, made.Id.N, EventWriter.Write(made));
        }

        return events;
    }

    /// <summary>What came of a command that may be refused.</summary>
    internal static string Of(Result<IReadOnlyList<SheetEvent>> came, string why = "") =>
        came.IsOk ? Of(came.Value, null, why) : Of([], came.Faults[0].ToString());

    /// <summary>
    /// Lines of text: why it was refused, or empty; what a tap did and why, or empty; what is worth a sound; then four lines an event: sheet,
    /// device, number, and its line of the log, which is JSON and need not be written as a text within another.
    /// </summary>
    internal static string Of(IReadOnlyList<SheetEvent> appended, string? refused, string why = "", string mark = "")
    {
        var text = new StringBuilder();
        text.Append(refused?.ReplaceLineEndings(" ")).Append('\n').Append(why.ReplaceLineEndings(" ")).Append('\n').Append(mark);
        for (var i = 0; i < appended.Count; i++)
        {
            var (sheet, made) = appended[i];
            text.Append('\n').Append(sheet).Append('\n').Append(made.Id.Device).Append('\n').Append(made.Id.N);
            text.Append('\n').Append(EventWriter.Write(made));
        }

        return text.ToString();
    }
}

/// <summary>Writes what the script shows. It is never read here, so that nothing need be set up for reading.</summary>
[JsonSourceGenerationOptions(
    PropertyNamingPolicy = JsonKnownNamingPolicy.CamelCase,
    GenerationMode = JsonSourceGenerationMode.Serialization
)]
[JsonSerializable(typeof(IReadOnlyList<EventLine>))]
[JsonSerializable(typeof(PracticeView))]
[JsonSerializable(typeof(ClockView))]
[JsonSerializable(typeof(ClockMovesView))]
[JsonSerializable(typeof(AgainView))]
[JsonSerializable(typeof(AmendView))]
[JsonSerializable(typeof(IReadOnlyList<HabitView>))]
[JsonSerializable(typeof(IReadOnlyList<HelperView>))]
[JsonSerializable(typeof(WhoView))]
[JsonSerializable(typeof(OwnCountsView))]
[JsonSerializable(typeof(IReadOnlyList<ShownView>))]
[JsonSerializable(typeof(TrainedView))]
[JsonSerializable(typeof(WhatIfView))]
[JsonSerializable(typeof(LinkView))]
[JsonSerializable(typeof(IReadOnlyList<BoardView>))]
[JsonSerializable(typeof(IReadOnlyList<SignalView>))]
internal sealed partial class ViewJson : JsonSerializerContext;
