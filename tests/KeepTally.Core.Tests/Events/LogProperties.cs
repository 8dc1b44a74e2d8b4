using CsCheck;
using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Scoring;
using KeepTally.Core.Tests.Live;
using KeepTally.Core.Time;

namespace KeepTally.Core.Tests.Events;

/// <summary>What holds for any events on any of these cards.</summary>
public sealed class LogProperties
{
    private static readonly DrillCard[] Cards = AnyLog.Cards;

    private static readonly Gen<DrillCard> AnyCard = Gen.OneOf(Cards);

    /// <summary>Events of every kind with clashing times and devices, so that their order is really asked for.</summary>
    private static readonly Gen<(long At, string Device, int Reach, (int, int, int, int) Word)[]> AnyDraws = Gen.Select(
        Gen.Int[0, 60].Select(tick => tick * 700L),
        Gen.OneOf("a", "b", "clock"),
        Gen.Int[0, 40],
        AnyLog.Word
    ).Array[0, 45];

    private static readonly Gen<(DrillCard Card, RunEvent[] Events)> AnyHistory = Gen.Select(AnyCard, AnyDraws)
        .Select((card, draws) => (card, Events(card, draws)));

    /// <summary>Long enough for several kept points of the fold.</summary>
    private static readonly Gen<(DrillCard Card, RunEvent[] Events)> AnyLongHistory = Gen.Select(
            AnyCard,
            Gen.Select(Gen.Int[0, 300].Select(tick => tick * 140L), Gen.OneOf("a", "b"), Gen.Int[0, 400], AnyLog.Word).Array[
                300,
                400
            ]
        )
        .Select((card, draws) => (card, Events(card, draws)));

    [Fact]
    public void Order_of_arrival_and_doubling_never_matter() =>
        Gen.Select(AnyHistory, Gen.Int)
            .Sample(
                (history, seed) =>
                {
                    var (card, events) = history;
                    var shuffled = events.Concat(events.Take(events.Length / 2)).ToArray();
                    new Random(seed).Shuffle(shuffled);

                    Assert.Equal(Replayed(card, events), Replayed(card, shuffled));
                }
            );

    /// <summary>Who a player is stands in many places of an event; the text of the line knows them all.</summary>
    [Fact]
    public void A_player_is_told_by_another_name_wherever_an_event_names_them() =>
        AnyHistory.Sample(history =>
        {
            foreach (var each in history.Events)
            {
                var line = EventWriter.Write(each);
                Assert.Equal(
                    line.Replace("\":\"a\"", "\":\"zz\"", StringComparison.Ordinal)
                        .Replace("\"device\":\"zz\"", "\"device\":\"a\"", StringComparison.Ordinal)
                        .Replace("\"reason\":\"zz\"", "\"reason\":\"a\"", StringComparison.Ordinal),
                    EventWriter.Write(Renaming.Of(each, new PlayerId("a"), new PlayerId("zz")))
                );
            }
        });

    [Fact]
    public void Undoing_and_redoing_changes_nothing() =>
        Gen.Select(AnyHistory, Gen.Int[0, 1000])
            .Sample(
                (history, pick) =>
                {
                    var (card, events) = history;
                    var target = events.Length == 0 ? new EventId(new DeviceId("nobody"), 1) : events[pick % events.Length].Id;
                    var undo = new RunEvent.Undo(new EventId(new DeviceId("z"), 1), new Instant(50_000), target);
                    var redo = new RunEvent.Undo(new EventId(new DeviceId("z"), 2), new Instant(50_000), undo.Id);

                    Assert.Equal(Replayed(card, events), Replayed(card, [.. events, undo, redo]));
                }
            );

    [Fact]
    public void Undoing_an_event_is_as_if_it_was_never_said() =>
        Gen.Select(AnyHistory, Gen.Int[0, 1000])
            .Where((history, _) => history.Events.Length > 0)
            .Sample(
                (history, pick) =>
                {
                    var (card, events) = history;
                    // An undo may have reached the event already; only events that nothing reaches say something here.
                    var target = events[pick % events.Length];
                    if (events.OfType<RunEvent.Undo>().Any(undo => undo.Of == target.Id) || target is RunEvent.Undo)
                    {
                        return;
                    }

                    var undo = new RunEvent.Undo(new EventId(new DeviceId("z"), 1), new Instant(50_000), target.Id);
                    Assert.Equal(
                        Replayed(card, [.. events.Where(runEvent => runEvent != target)]),
                        Replayed(card, [.. events, undo])
                    );
                }
            );

    [Fact]
    public void A_tap_put_right_is_as_if_it_had_been_said_so() =>
        Gen.Select(AnyHistory, Gen.Int[0, 1000], AnyLog.Word)
            .Sample(
                (history, pick, word) =>
                {
                    var (card, events) = history;
                    var amended = events.OfType<RunEvent.Amend>().Select(amend => amend.Of).ToHashSet();
                    var taps = events.OfType<RunEvent.Tap>().Where(tap => !amended.Contains(tap.Id)).ToArray();
                    if (taps.Length == 0)
                    {
                        return;
                    }

                    var tap = taps[pick % taps.Length];
                    var amend = new RunEvent.Amend(
                        new EventId(new DeviceId("z"), 1),
                        new Instant(50_000),
                        tap.Id,
                        new PlayerId(word.One % 2 == 0 ? "a" : "b"),
                        tap.Outcome is null ? null
                            : word.Other % 2 == 0 ? "make"
                            : "miss",
                        tap.Zone is null ? null : "right",
                        null,
                        null
                    );
                    Assert.Equal(
                        Replayed(card, [.. events.Select(each => each == tap ? amend.Over(tap) : each)]),
                        Replayed(card, [.. events, amend])
                    );
                }
            );

    [Fact]
    public void What_is_written_reads_back_the_same() =>
        AnyHistory.Sample(
            (_, events) =>
            {
                foreach (var runEvent in events)
                {
                    var line = EventWriter.Write(runEvent);
                    Assert.Equal(line, EventWriter.Write(EventReader.Read(line).Require()));
                    Assert.Equal(line, EventWriter.Write(EventReader.ReadClosely(line).Require()));
                }
            }
        );

    [Fact]
    public void A_ladder_never_clears_more_than_was_made() =>
        Gen.Select(Gen.Int[1, 4], Gen.Int[0, 3], Gen.Bool.Array[0, 80])
            .Sample(
                (need, spare, shots) =>
                {
                    var card = Given.Card(
                        $$"""
                        "ladder":{"rungs":["1","2"],"laps":50,"pass":{"stop":"both","successes":{{need}},"of":{{need + spare}} } }
                        """
                    );
                    var unit = Given
                        .Started(card, "a")
                        .Taps(string.Join(' ', shots.Select(hit => hit ? "a+" : "a-")))
                        .Now()
                        .Of("a");

                    Assert.True(unit.Cleared * need <= unit.Successes);
                    Assert.Equal(shots.Count(hit => hit), (int)unit.Points);
                }
            );

    [Fact]
    public void Folding_on_and_folding_anew_agree() =>
        AnyHistory.Sample(
            (card, events) =>
            {
                var live = AnyLog.Open(card);
                foreach (var runEvent in events)
                {
                    live.Add(runEvent);
                    _ = live.Score.Report(live.Log.LastAt + new Duration(300));
                }

                var anew = AnyLog.Open(card);
                foreach (var runEvent in live.Log.Events)
                {
                    anew.Add(runEvent);
                }

                Assert.Equal(ReplayWriter.Write(anew.Now()), ReplayWriter.Write(live.Now()));
                Assert.Equal(Stood(anew), Stood(live));
            }
        );

    [Fact]
    public void From_a_kept_point_and_from_the_start_a_long_log_folds_to_the_same() =>
        Gen.Select(AnyLongHistory, Gen.Int)
            .Sample(
                (history, seed) =>
                {
                    var (card, events) = history;
                    new Random(seed).Shuffle(events.AsSpan(200));
                    var live = AnyLog.Open(card);
                    foreach (var (index, runEvent) in events.Index())
                    {
                        live.Add(runEvent);
                        if (index % 20 == 0)
                        {
                            Assert.Equal(live.Score.Report(live.Log.LastAt).Done, live.Score.IsDoneAt(live.Log.LastAt));
                        }
                    }

                    var anew = AnyLog.Open(card);
                    anew.AddAll(events);

                    Assert.Equal(ReplayWriter.Write(anew.Now()), ReplayWriter.Write(live.Now()));
                    Assert.Equal(Stood(anew), Stood(live));
                },
                iter: 60
            );

    [Fact]
    public void What_is_asked_without_a_report_is_what_the_report_says() =>
        Gen.Select(AnyHistory, Gen.Int[0, 20_000])
            .Sample(
                (history, later) =>
                {
                    var live = AnyLog.Open(history.Card);
                    live.AddAll(history.Events);
                    var at = live.Log.LastAt + new Duration(later);
                    var report = live.Score.Report(at);

                    Assert.Equal(report.Done, live.Score.IsDoneAt(at));
                    Assert.Equal(report.Running, live.Score.RunningTimeAt(at));
                    Assert.Equal(report.Winner, live.Score.Snapshot(at).Winner);
                    Assert.All(report.Units, unit => Assert.Equal(unit.Points, live.Score.SnapshotOf(unit.Id, at).Points));
                    Assert.All(report.Units, unit => Assert.Equal(unit.Done, live.Score.SnapshotOf(unit.Id, at).Done));
                    // In front is only who had a go; in a match it is any side.
                    var ranked = report
                        .Ranking.Where(each =>
                            live.Stage.Play == Play.Match || report.Units.First(unit => unit.Id == each.Unit).HadGo
                        )
                        .ToArray();
                    Assert.Equal(
                        ranked.Count(each => each.Rank == ranked[0].Rank) == 1 ? ranked[0].Unit : null,
                        live.Score.LeaderAt(at)
                    );
                }
            );

    private static RunEvent[] Events(DrillCard card, (long At, string Device, int Reach, (int, int, int, int) Word)[] draws) =>
        [
            .. draws.Select(
                (each, index) =>
                    AnyLog.Event(
                        card,
                        new EventId(new DeviceId(each.Device), index + 1),
                        each.Word.Item1 == 0 ? each.At / 7 : each.At,
                        each.Word,
                        new EventId(new DeviceId(each.Device), each.Reach)
                    )
            ),
        ];

    private static string Replayed(DrillCard card, IEnumerable<RunEvent> events)
    {
        var live = AnyLog.Open(card);
        foreach (var runEvent in events)
        {
            Assert.Null(live.Add(runEvent));
        }

        return ReplayWriter.Write(live.Score.Report(new Instant(60_000))) + Stood(live);
    }

    private static string Stood(Sheet live) =>
        string.Join('|', live.Floor.Now.Places.Select(place => place.Id + ":" + string.Join(',', live.Floor.Now.At(place.Id))));
}
