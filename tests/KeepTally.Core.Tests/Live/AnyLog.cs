using CsCheck;
using KeepTally.Core.Cards;
using KeepTally.Core.Clock;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Rules.Tagging;
using KeepTally.Core.Rules.Zones;
using KeepTally.Core.Time;

namespace KeepTally.Core.Tests.Live;

/// <summary>Cards of many rules and events of every kind for them, to be drawn from.</summary>
internal static class AnyLog
{
    internal static DrillCard[] Cards { get; } =
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
            "play":"match","scores":"side","sides":["a","b"],"until":[{"points":6,"lead":2},{"attempts":20},{"outs":3}]
            """,
            """[{"id":"make","result":"success","points":1},{"id":"miss","result":"failure","does":["out"]}]"""
        ),
        Given.Card(
            """
            "play":"turns","until":[{"seconds":15,"after":"finish"},{"outs":2}],"clock":{"work":5,"change":1,"rounds":4}
            """,
            """[{"id":"make","result":"success","points":1},{"id":"miss","result":"failure","does":["out","next"]}]"""
        ),
        Given.Card(
            """
            "targets":{"zones":["left","right"],"rounds":6},"tags":{"how":{"label":"How","values":{"high":"High","low":"Low"}}},
            "limits":[{"tag":"how","within":1,"breach":"failure"}]
            """
        ),
        Given.Card(
            """
            "measure":[{"by":"readingBest","better":"high"}],"clock":{"work":20,"change":4,"rounds":2,"countIn":3},
            "places":[{"id":"one","size":1,"scores":true},{"id":"two","size":1},{"id":"q","kind":"line"}],
            "moves":[{"from":"one","to":"two"},{"from":"two","to":"q"},{"from":"q","to":"one"}],"rotate":{"on":"round"}
            """,
            """[{"id":"make","result":"success","points":1,"reading":"m"},{"id":"miss","result":"failure"}]"""
        ),
    ];

    /// <summary>A sheet of a card with two who are on it, and where players score, three who may come in.</summary>
    internal static Sheet Open(DrillCard card) =>
        Sheet
            .Open(
                card,
                new LogHead(
                    card.Id,
                    0,
                    card.Chosen,
                    [new Unit(new PlayerId("a"), "Ada", []), new Unit(new PlayerId("b"), "Bea", [])],
                    Bench:
                    [
                        new Member(new PlayerId("c"), "Cleo"),
                        new Member(new PlayerId("d"), "Dora"),
                        new Member(new PlayerId("e"), "Esme"),
                    ]
                )
            )
            .Require();

    /// <summary>What a device may come to say: a kind, and three draws that fill it in.</summary>
    internal static Gen<(int Kind, int One, int Other, int Third)> Word { get; } =
        Gen.Select(Gen.Int[0, 19], Gen.Int[0, 40], Gen.Int[0, 40], Gen.Int[0, 40]);

    /// <summary>An event of any kind that fits the card.</summary>
    internal static RunEvent Event(
        DrillCard card,
        EventId id,
        long at,
        (int Kind, int One, int Other, int Third) word,
        EventId reach
    )
    {
        var (kind, one, other, third) = word;
        var unit = "ab"[one % 2].ToString();
        var anyPlayer = "abcde"[one % 5].ToString();
        var players = card.Stages[0].Scores == Scorer.Player;
        return kind switch
        {
            0 => new RunEvent.Start(id, new Instant(at)),
            1 => new RunEvent.Pause(id, new Instant(at)),
            2 => new RunEvent.Resume(id, new Instant(at)),
            3 => new RunEvent.Freeze(id, new Instant(at), unit),
            4 or 5 => new RunEvent.Undo(id, new Instant(at), reach),
            6 => new RunEvent.Turn(id, new Instant(at), Given.Player(other % 2 == 0 ? null : unit)),
            7 => new RunEvent.Rotate(id, new Instant(at), null, null, null),
            8 when other < 3 => new RunEvent.End(id, new Instant(at)),
            8 when other < 12 => new RunEvent.Again(id, new Instant(at), other % 2 == 0, third % 2 == 0),
            8 when other < 16 => new RunEvent.Habit(id, new Instant(at), "loose ball", Given.Player(third % 2 == 0 ? unit : null)),
            8 when other < 22 => new RunEvent.Add(id, new Instant(at), Duration.FromSeconds(third - 10)),
            8 when other < 24 => new RunEvent.Whistle(id, new Instant(at)),
            8 when other < 30 => new RunEvent.Amend(
                id,
                new Instant(at),
                reach,
                Given.Player(third % 2 == 0 ? unit : null),
                third % 3 == 0 ? "miss" : null,
                null,
                null,
                third % 5 == 0 ? true : null
            ),
            8 when other < 34 => new RunEvent.Skip(id, new Instant(at), (IntervalKind)(1 + (third % 3)), 1 + (one % 3)),
            8 when other < 36 => new RunEvent.Rounds(id, new Instant(at), 1 + (third % 6)),
            8 when other < 38 => new RunEvent.OwnCount(id, new Instant(at), new PlayerId(unit), third, 1 + (one % 3)),
            8 when other < 40 => new RunEvent.Cue(
                id,
                new Instant(at),
                third % 3 == 0 ? "" : "low",
                Given.Player(third % 2 == 0 ? unit : null)
            ),
            8 => new RunEvent.Note(id, new Instant(at), "well done", new PlayerId(unit)),
            9 or 10 when players => Sub(id, at, anyPlayer, "abcde"[other % 5].ToString(), third),
            _ => Tap(card.Stages[0], id, at, players && third % 7 == 0 ? anyPlayer : unit, one, other, third),
        };
    }

    private static RunEvent.Substitution Sub(EventId id, long at, string gone, string comes, int third) =>
        (third % 3) switch
        {
            0 => new RunEvent.Substitution(id, new Instant(at), new PlayerId(gone), null),
            1 => new RunEvent.Substitution(id, new Instant(at), null, new PlayerId(comes)),
            _ => new RunEvent.Substitution(id, new Instant(at), new PlayerId(gone), new PlayerId(comes)),
        };

    private static RunEvent.Tap Tap(Stage stage, EventId id, long at, string unit, int one, int other, int third) =>
        new(
            id,
            new Instant(at),
            new PlayerId(unit),
            stage.Targets is not null && other % 4 > 0 ? null
                : other % 3 == 0 ? "miss"
                : "make",
            stage.Targets is null
                ? null
                : (other % 4) switch
                {
                    0 => null,
                    1 => "left",
                    2 => "right",
                    _ => "none",
                },
            stage.Tags.Count > 0 && third % 2 == 0
                ? new Dictionary<string, string> { ["how"] = one % 3 == 0 ? "low" : "high" }
                : null,
            stage.Outcomes[0].Reading is not null ? third / 4.0 : null
        );
}
