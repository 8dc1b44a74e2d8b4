using System.Runtime.InteropServices.JavaScript;
using System.Text.Json;
using KeepTally.Core.Clock;
using KeepTally.Core.Identity;
using KeepTally.Screen;

namespace KeepTally.Browser;

/// <summary>Returns what to show and sound at a moment.</summary>
internal static partial class Bridge
{
    /// <summary>Returns the properties of a tap that can be corrected; an empty text where none can.</summary>
    [JSExport]
    internal static string Amendable(string sheet, string device, int n) =>
        AmendPresenter.Of(Practice, new SheetId(sheet), new EventId(new DeviceId(device), n)) is { } view
            ? JsonSerializer.Serialize(view, ViewJson.Default.AmendView)
            : "";

    /// <summary>The grid of what units have counted themselves.</summary>
    [JSExport]
    internal static string OwnCounts(double now) =>
        JsonSerializer.Serialize(OwnCountPresenter.Of(Practice, Moment(now)), ViewJson.Default.OwnCountsView);

    /// <summary>Returns the players of the drill under way and those who may come in.</summary>
    [JSExport]
    internal static string Who(double now) =>
        JsonSerializer.Serialize(WhoPresenter.Of(Practice, Moment(now)), ViewJson.Default.WhoView);

    /// <summary>Returns the habits of the practice: how often each was seen, and of which player.</summary>
    [JSExport]
    internal static string Habits() =>
        JsonSerializer.Serialize(HabitPresenter.Of(Practice, Page.Habits), ViewJson.Default.IReadOnlyListHabitView);

    /// <summary>The boards of the drill under way, one for each sheet.</summary>
    [JSExport]
    internal static string Boards(double now) =>
        JsonSerializer.Serialize(Page.Board!.At(Moment(now)), ViewJson.Default.IReadOnlyListBoardView);

    /// <summary>Appends what the clock calls for by now, and hands over what has changed on the screen since the last look.</summary>
    [JSExport]
    internal static string Look(double now)
    {
        var due = Practice.AppendDue(Moment(now));
        return Page.Changes.To(Page.Face!.At(Moment(now)), due);
    }

    /// <summary>As <see cref="Look"/>, of the pads and the clock alone: what is shown of a tap at once.</summary>
    [JSExport]
    internal static string Glance(double now)
    {
        var due = Practice.AppendDue(Moment(now));
        return Page.Changes.To(Page.Face!.GlanceAt(Moment(now)), due);
    }

    /// <summary>The whole screen.</summary>
    [JSExport]
    internal static string View(double now) => JsonSerializer.Serialize(Page.Face!.At(Moment(now)), ViewJson.Default.PracticeView);

    /// <summary>Returns the share of the interval that is left, from 0 to 1, for every frame; -1 where the clock's text has changed.</summary>
    [JSExport]
    internal static double Pulse(double now) => Page.Pulse!.At(Moment(now));

    /// <summary>The clock alone; an empty text once all drills are over.</summary>
    [JSExport]
    internal static string Clock(double now) =>
        Practice.Current < Practice.Runs.Count
            ? JsonSerializer.Serialize(
                ClockPresenter.Of(Practice.Runs[Practice.Current], Moment(now), Page.Face!.Calls),
                ViewJson.Default.ClockView
            )
            : "";

    /// <summary>Has the time left called at these seconds in place of the card's; why not, or an empty text.</summary>
    [JSExport]
    internal static string CallAt(string seconds)
    {
        var read = OwnCalls.Read(seconds);
        if (!read.IsOk)
        {
            return read.Faults[0].Told;
        }

        Page.Face!.Calls = read.Value.Count > 0 ? read.Value : null;
        return "";
    }

    /// <summary>Returns the signals after <paramref name="from"/> and up to <paramref name="to"/>, while the clock runs.</summary>
    [JSExport]
    internal static string Signals(double from, double to)
    {
        var signals =
            Practice.Current < Practice.Runs.Count
                ? SignalPresenter.Of(Practice.Runs[Practice.Current], Moment(from), Moment(to), Page.Face!.Calls)
                : [];
        return JsonSerializer.Serialize(signals, ViewJson.Default.IReadOnlyListSignalView);
    }
}
