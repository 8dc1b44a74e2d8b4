using CsCheck;
using KeepTally.Core.Cards;
using KeepTally.Core.Formats;
using KeepTally.Core.Sheets;

namespace KeepTally.Core.Tests.Sheets;

/// <summary>What holds for any events on any of these cards.</summary>
public sealed class LogProperties
{
    private static readonly DrillCard[] Cards =
    [
        Given.Card(""),
        Given.Card(
            """
            "until":[{"points":5},{"seconds":30}],"clock":{"work":10,"change":3,"rounds":3,"countIn":2},
            "places":[{"id":"s","size":1,"scores":true},{"id":"q","kind":"line"}],
            "moves":[{"from":"s","to":"q"},{"from":"q","to":"s"}],"rotate":{"on":"success","every":2}
            """
        ),
        Given.Card(
            """
            "ladder":{"rungs":["l","m","r"],"laps":2,"pass":{"successes":2,"of":3,"stop":"both"},"fail":"back"},"until":[{"streak":6}]
            """
        ),
        Given.Card(
            """
            "play":"match","scores":"side","sides":["a","b"],"until":[{"points":6,"lead":2},{"attempts":20}]
            """
        ),
        Given.Card(
            """
            "play":"turns","until":[{"seconds":15,"after":"finish"},{"outs":2}]
            """,
            """[{"id":"make","result":"success","points":1},{"id":"miss","result":"failure","does":["out","next"]}]"""
        ),
    ];

    private static readonly Gen<DrillCard> AnyCard = Gen.OneOf(Cards);

    /// <summary>Events with clashing times and devices, so that their order is really asked for.</summary>
    private static readonly Gen<RunEvent[]> AnyEvents = Gen.Select(
            Gen.Int[0, 60].Select(tick => tick * 700L),
            Gen.OneOf("a", "b", "clock"),
            Gen.Int[0, 13],
            Gen.Int[0, 40],
            Gen.OneOf("a", "b")
        )
        .Array[0, 45]
        .Select(drawn =>
            drawn.Select((each, index) => Event(each.Item1, each.Item2, index + 1, each.Item3, each.Item4, each.Item5)).ToArray()
        );

    [Fact]
    public void Order_of_arrival_and_doubling_never_matter() =>
        Gen.Select(AnyCard, AnyEvents, Gen.Int)
            .Sample(
                (card, events, seed) =>
                {
                    var shuffled = events.Concat(events.Take(events.Length / 2)).ToArray();
                    new Random(seed).Shuffle(shuffled);

                    Assert.Equal(Replayed(card, events), Replayed(card, shuffled));
                }
            );

    [Fact]
    public void Undoing_and_redoing_changes_nothing() =>
        Gen.Select(AnyCard, AnyEvents, Gen.Int[0, 1000])
            .Sample(
                (card, events, pick) =>
                {
                    var target = events.Length == 0 ? new EventId("nobody", 1) : events[pick % events.Length].Id;
                    var undo = new RunEvent.Undo(new EventId("z", 1), 50_000, target);
                    var redo = new RunEvent.Undo(new EventId("z", 2), 50_000, undo.Id);

                    Assert.Equal(Replayed(card, events), Replayed(card, [.. events, undo, redo]));
                }
            );

    [Fact]
    public void Undoing_an_event_is_as_if_it_was_never_said() =>
        Gen.Select(AnyCard, AnyEvents, Gen.Int[0, 1000])
            .Where((_, events, _) => events.Length > 0)
            .Sample(
                (card, events, pick) =>
                {
                    // An undo may have reached the event already; only events that nothing reaches say something here.
                    var target = events[pick % events.Length];
                    if (events.OfType<RunEvent.Undo>().Any(undo => undo.Of == target.Id) || target is RunEvent.Undo)
                    {
                        return;
                    }

                    var undo = new RunEvent.Undo(new EventId("z", 1), 50_000, target.Id);
                    Assert.Equal(Replayed(card, [.. events.Where(said => said != target)]), Replayed(card, [.. events, undo]));
                }
            );

    [Fact]
    public void What_is_written_reads_back_the_same() =>
        AnyEvents.Sample(events =>
        {
            foreach (var said in events)
            {
                Assert.Equal(said, EventReader.Read(EventWriter.Write(said)).Sure());
            }
        });

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
        Gen.Select(AnyCard, AnyEvents)
            .Sample(
                (card, events) =>
                {
                    var live = Given.Sheet(card, "a", "b");
                    foreach (var said in events)
                    {
                        live.Add(said);
                        _ = live.Sheet.Report(live.Log.LastAt + 300);
                    }

                    var anew = Given.Sheet(card, "a", "b");
                    foreach (var said in live.Log.Events)
                    {
                        anew.Add(said);
                    }

                    Assert.Equal(ReplayWriter.Write(anew.Now()), ReplayWriter.Write(live.Now()));
                    Assert.Equal(Stood(anew), Stood(live));
                }
            );

    private static RunEvent Event(long at, string device, int n, int kind, int reach, string unit)
    {
        var id = new EventId(device, n);
        return kind switch
        {
            0 => new RunEvent.Start(id, at / 7),
            1 => new RunEvent.Pause(id, at),
            2 => new RunEvent.Resume(id, at),
            3 => new RunEvent.Freeze(id, at, unit),
            4 => new RunEvent.Undo(id, at, new EventId(device, reach)),
            5 => new RunEvent.Turn(id, at, reach % 2 == 0 ? null : unit),
            6 => new RunEvent.Rotate(id, at, null, null, null),
            7 => reach < 4 ? new RunEvent.End(id, at) : new RunEvent.Note(id, at, "well done", unit),
            _ => new RunEvent.Tap(id, at, unit, reach % 3 == 0 ? "miss" : "make", null, null, null),
        };
    }

    private static string Replayed(DrillCard card, IEnumerable<RunEvent> events)
    {
        var live = Given.Sheet(card, "a", "b");
        foreach (var said in events)
        {
            Assert.Null(live.Add(said));
        }

        return ReplayWriter.Write(live.Sheet.Report(60_000)) + Stood(live);
    }

    private static string Stood(LiveSheet live) =>
        string.Join('|', live.Floor.Now.Places.Select(place => place.Id + ":" + string.Join(',', live.Floor.Now.At(place.Id))));
}
