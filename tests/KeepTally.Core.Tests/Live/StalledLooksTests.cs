using CsCheck;
using KeepTally.Core.Clock;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Time;

namespace KeepTally.Core.Tests.Live;

/// <summary>A device that looks seldom hears the same, at the same instants, as one that never stops looking.</summary>
public sealed class StalledLooksTests
{
    private const string Rounds =
        """ "clock":{"work":20,"change":7,"rounds":3,"countIn":5,"calls":[10,5,4,3,2,1],"breakAfter":{"round":2,"seconds":12}} """;

    [Fact]
    public void No_call_is_missed_or_doubled_under_any_stalls_pauses_added_time_and_skips()
    {
        var words = Gen.Select(Gen.Int[1, 9000], Gen.Int[0, 6], Gen.Int[-15, 30]).Array[0, 14];
        Gen.Select(words, Gen.Double[0, 1].Array[0, 9])
            .Sample(
                (said, stalls) =>
                {
                    var events = Events(said);
                    var end = 150_000L + said.Sum(each => each.Item1);
                    var seldom = Heard(events, [.. stalls.Select(share => (long)(share * end)), end]);
                    var always = Heard(events, [.. Enumerable.Range(0, (int)(end / 40) + 1).Select(step => step * 40L), end]);
                    Assert.Equal(always, seldom);
                    Assert.Equal(always.Count, always.Distinct().Count());
                },
                iter: 150
            );
    }

    /// <summary>Found by the property above: less and less was taken from work in its count-in, until its horn came before its start.</summary>
    [Fact]
    public void In_the_count_in_work_is_made_no_shorter_than_none()
    {
        var heard = Heard(Events([(1000, 4, -11), (1000, 4, -9), (1000, 4, -1)]), [60_000]);

        Assert.Equal(heard.OrderBy(each => each.At).Select(each => each.At), heard.Select(each => each.At));
        Assert.Equal(5000, heard.First(each => each.Kind == SignalKind.Horn).At);
    }

    private static RunEvent[] Events((int After, int Kind, int Seconds)[] said)
    {
        var (at, n) = (0L, 1);
        var events = new List<RunEvent> { new RunEvent.Start(new EventId(new DeviceId("d"), n), new Instant(0)) };
        foreach (var (after, kind, seconds) in said)
        {
            at += after;
            var id = new EventId(new DeviceId("d"), ++n);
            events.Add(
                kind switch
                {
                    0 or 1 => new RunEvent.Pause(id, new Instant(at)),
                    2 or 3 => new RunEvent.Resume(id, new Instant(at)),
                    4 => new RunEvent.Add(id, new Instant(at), Duration.FromSeconds(seconds)),
                    5 => new RunEvent.Skip(id, new Instant(at), IntervalKind.Work, 1 + (Math.Abs(seconds) % 3)),
                    _ => new RunEvent.Skip(id, new Instant(at), IntervalKind.Change, 1 + (Math.Abs(seconds) % 3)),
                }
            );
        }

        return [.. events];
    }

    /// <summary>What was heard, in the order of its instants: each word to the clock is a look of its own.</summary>
    private static List<(long At, SignalKind Kind, long Left)> Heard(RunEvent[] events, long[] looks)
    {
        var sheet = Given.Open(Given.Card(Rounds), "a", "b");
        var heard = new List<(long, SignalKind, long)>();
        var (before, next) = (0L, 0);
        foreach (var look in looks.Concat(events.Select(said => said.At.Milliseconds)).Distinct().Order())
        {
            Hear(before, look);
            while (next < events.Length && events[next].At.Milliseconds <= look)
            {
                sheet.Add(events[next++]);
            }

            before = look;
        }

        return heard;

        void Hear(long from, long to)
        {
            if (sheet.Score.Clock is not { IsStarted: true, IsPaused: false } clock)
            {
                return;
            }

            var signals = sheet.Timeline!.Signals(clock.At(new Instant(from)), clock.At(new Instant(to)));
            heard.AddRange(
                signals.Select(signal => (clock.InstantOf(signal.At).Milliseconds, signal.Kind, signal.Left.Milliseconds))
            );
        }
    }
}
