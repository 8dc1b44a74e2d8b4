using System.Runtime.InteropServices.JavaScript;
using System.Text.Json;
using KeepTally.Core.Chance;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Time;
using KeepTally.Core.Training;
using KeepTally.Screen;
using KeepTally.Screen.Views;

namespace KeepTally.Browser;

/// <summary>A simulated drill beside the one that is open: what happens in it, and how well it was tapped.</summary>
internal static partial class Bridge
{
    /// <summary>Works out what happens in the drill that was just opened, if its clock is started at a moment.</summary>
    /// <param name="json">The practice as it was opened.</param>
    /// <param name="start">The moment it starts, in milliseconds of the shared clock.</param>
    /// <param name="pace">Milliseconds from one rep to the next.</param>
    /// <param name="length">Milliseconds in all.</param>
    /// <param name="skill">The share of tries made.</param>
    /// <param name="seed">The seed of the draw.</param>
    [JSExport]
    internal static string Train(string json, double start, double pace, double length, double skill, int seed)
    {
        var file = PracticeReader.Read(json);
        var runs = PracticeOpener.Open(file, null).Require();
        var practice = new LivePractice(new DeviceId("shown"), [.. runs.Select(run => run.Live)]);
        Page.Shown = ThumbScript.Play(
            practice,
            Moment(start),
            new Duration((long)pace),
            new Duration((long)length),
            skill,
            new SeededDraw(seed)
        );
        var sheet = practice.Runs[0].Sheets[0].Sheet;
        return JsonSerializer.Serialize(
            [.. Page.Shown.Select(shown => ShownPresenter.Of(sheet, shown))],
            ViewJson.Default.IReadOnlyListShownView
        );
    }

    /// <summary>How well what was shown up to a moment has been tapped.</summary>
    [JSExport]
    internal static string Trained(double now)
    {
        var log = Practice.Runs[0].Sheets[0].Sheet.Log;
        var taps = Enumerable.Range(0, log.Count).Where(log.StandsAt).Select(log.ReadAt).OfType<RunEvent.Tap>();
        var report = ThumbReport.Of([.. Page.Shown.Where(shown => shown.At <= Moment(now))], [.. taps]);
        return JsonSerializer.Serialize(TrainedView.Of(report), ViewJson.Default.TrainedView);
    }
}
