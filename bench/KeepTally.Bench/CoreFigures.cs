using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Scoring;
using KeepTally.Core.Time;
using KeepTally.Core.Words;
using KeepTally.Screen;

namespace KeepTally.Bench;

/// <summary>What the core takes for a tap, for opening a history, for an undo, and for events that arrive out of order.</summary>
internal static class CoreFigures
{
    private const int Taps = 100_000;
    private const int Long = 5000;
    private const int Half = 3000;

    internal static IEnumerable<Figure> All()
    {
        var events = BenchCards.Events(Taps);
        var byHand = Measure.Milliseconds(() => events, each => HandWrittenLoop.Fold(each)) * 1e6 / Taps;
        yield return new Figure("hand-written loop, points card", byHand, "ns an event");
        foreach (var name in BenchCards.Names)
        {
            var these = BenchCards.Events(Taps, tagged: name == "tags");
            var fold = Measure.Milliseconds(() => BenchCards.Open(name), sheet => Fold(sheet, these)) * 1e6 / Taps;
            yield return name == "points"
                ? new Figure(
                    $"fold, {name} card",
                    fold,
                    "ns an event",
                    Ratio: fold / byHand,
                    Beside: "by hand",
                    Most: 4,
                    OfRatio: true
                )
                : new Figure($"fold, {name} card", fold, "ns an event", Ratio: fold / byHand, Beside: "by hand");
        }

        yield return new Figure("tap path on 1,000 events", TapPath(1000), "µs", Most: 50);
        var lines = BenchCards.Events(Long).Select(EventWriter.Write).ToArray();
        yield return new Figure(
            "open 5,000 events from their lines",
            Measure.Milliseconds(() => BenchCards.Live("points"), live => Open(live, lines)),
            "ms",
            Most: 50
        );
        yield return new Figure("undo of the last tap in 5,000 events", Undo(Long - 1), "ms", Most: 2);
        yield return new Figure("undo of the first tap in 5,000 events", Undo(2), "ms", Most: 2);
        yield return new Figure("3,000 taps, then 3,000 earlier ones", OutOfOrder(), "ms", Most: 100);
        yield return new Figure("2,000 taps, each undone, one by one", Undos(), "ms", Most: 100);
    }

    private static void Fold(Score sheet, RunEvent[] events)
    {
        foreach (var runEvent in events)
        {
            sheet.Apply(runEvent);
        }
    }

    /// <summary>A press as the run screen takes it: to its event, its words, and the changed screen.</summary>
    private static double TapPath(int before)
    {
        const int Presses = 100;
        return Measure.Milliseconds(
                () =>
                {
                    var live = BenchCards.Live("points");
                    live.AddAll(BenchCards.Events(before));
                    _ = live.ReportAt(new Instant(before));
                    return new LivePractice(new DeviceId("me"), [new LiveRun("one", [new RunSheet(new SheetId("s"), "", live)])]);
                },
                practice =>
                {
                    var face = new RunPresenter(practice, []);
                    var live = practice.Find(new SheetId("s"))!;
                    for (var i = 0; i < Presses; i++)
                    {
                        var now = before + (10 * i);
                        var glance = live.Score.Snapshot(new Instant(now));
                        var appended = practice
                            .Tap(new SheetId("s"), new TapCommand(new PlayerId("a"), "goal"), new Instant(now))
                            .Require();
                        practice.AppendDue(new Instant(now));
                        _ = TapWords.Explain(
                            live,
                            (RunEvent.Tap)appended[0].Event,
                            glance,
                            live.Score.Snapshot(new Instant(now + 1))
                        );
                        _ = face.At(new Instant(now + 5));
                    }
                }
            )
            * 1000
            / Presses;
    }

    private static void Open(Sheet live, string[] lines)
    {
        live.AddAll([.. lines.Select(line => EventReader.Read(line).Require())]);
        _ = live.ReportAt(live.Log.LastAt);
    }

    private static double Undo(int n) =>
        Measure.Milliseconds(
            () =>
            {
                var live = BenchCards.Live("points");
                live.AddAll(BenchCards.Events(Long));
                _ = live.ReportAt(new Instant(Long));
                return live;
            },
            live =>
            {
                live.Add(
                    new RunEvent.Undo(new EventId(new DeviceId("y"), 1), new Instant(Long + 10), new EventId(new DeviceId("x"), n))
                );
                _ = live.ReportAt(new Instant(Long + 20));
            }
        );

    private static double OutOfOrder()
    {
        var later = BenchCards
            .Events(Half, device: "late")
            .Select(runEvent => runEvent is RunEvent.Tap tap ? tap with { At = tap.At + new Duration(Half) } : runEvent)
            .ToArray();
        var earlier = BenchCards.Events(Half, device: "early");
        return Measure.Milliseconds(
            () => BenchCards.Live("points"),
            live =>
            {
                foreach (var runEvent in later.Concat(earlier))
                {
                    live.Add(runEvent);
                }

                _ = live.ReportAt(new Instant(2 * Half));
            }
        );
    }

    private static double Undos() =>
        Measure.Milliseconds(
            () => BenchCards.Live("points"),
            live =>
            {
                live.AddAll(BenchCards.Events(2000));
                for (var n = 2; n <= 2001; n++)
                {
                    live.Add(
                        new RunEvent.Undo(
                            new EventId(new DeviceId("u"), n),
                            new Instant(2000 + n),
                            new EventId(new DeviceId("x"), n)
                        )
                    );
                }

                _ = live.ReportAt(new Instant(5000));
            }
        );
}
