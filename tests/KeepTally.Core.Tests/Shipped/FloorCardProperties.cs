using System.Globalization;
using CsCheck;
using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Floor;
using KeepTally.Core.Formats;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Places;
using KeepTally.Core.Reports;
using KeepTally.Core.Scoring;
using KeepTally.Core.Time;

namespace KeepTally.Core.Tests.Shipped;

/// <summary>
/// What holds for cards with places and jobs drawn at random, played by sides and groups of one to four, not all of one size:
/// verdicts, jobs, who is busy, and that nobody is stuck.
/// </summary>
public sealed class FloorCardProperties
{
    private static readonly Gen<string> Places = Gen.Select(
        Gen.Int[1, 2],
        Gen.OneOf("", "true", "false"),
        (size, feeds) =>
        {
            var (feeder, moves) =
                feeds.Length > 0
                    ? (
                        $$"""{"id":"feed","size":1,"active":{{feeds}}},""",
                        """{"from":"spot","to":"feed"},{"from":"feed","to":"queue"}"""
                    )
                    : ("", """{"from":"spot","to":"queue"}""");
            return $$"""
                "places":[{"id":"spot","size":{{size}},"scores":true,"active":true},{{feeder}}{"id":"queue","kind":"line"}],
                "moves":[{{moves}},{"from":"queue","to":"spot"}]
                """;
        }
    );

    private static readonly Gen<string> Until = Gen.OneOf(
        Gen.Int[1, 8].Select(n => $$"""{"points":{{n}}}"""),
        Gen.Int[1, 9].Select(n => $$"""{"attempts":{{n}}}"""),
        Gen.Int[2, 4].Select(n => $$"""{"streak":{{n}}}""")
    );

    private static readonly Gen<(DrillCard Card, int[] Sizes)> Any = Gen.Select(
        Gen.OneOf("player", "group", "side"),
        Places,
        Gen.OneOf("success", "attempts", "tap", "manual"),
        Until.Array[0, 2],
        Gen.Int[1, 4].Array[2, 4],
        (scores, places, on, until, sizes) =>
        {
            var (play, sides) = scores == "side" ? ("match", ",\"sides\":[\"a\",\"b\"]") : ("together", "");
            var job =
                scores == "player" && places.Contains("feed", StringComparison.Ordinal)
                    ? """,{"id":"dropped","label":"Dropped","result":"failure","points":-1,"job":"feed"}"""
                    : "";
            var card = CardReader.Read(
                $$"""
                {"format":"keep-tally/drill@1","id":"d","name":"D","stages":[{"scores":"{{scores}}","play":"{{play}}"{{sides}},
                 "outcomes":[{"id":"make","label":"Make","result":"success","points":1},{"id":"miss","label":"Miss","result":"failure"}{{job}}],
                 {{places}},"rotate":{"on":"{{on}}"},"until":[{{string.Join(',', until)}}]}]}
                """
            );
            return (card.Require(), scores == "side" ? sizes[..2] : sizes);
        }
    );

    private static readonly Gen<(int Who, int What)[]> Taps = Gen.Select(Gen.Int[0, 15], Gen.Int[0, 5]).Array[0, 50];

    [Fact]
    public void Jobs_are_no_attempts_and_the_verdict_ranks_first_whom_it_names() =>
        Gen.Select(Any, Taps)
            .Sample(
                (any, taps) =>
                {
                    var live = Played(any, taps, _ => { });
                    var report = live.ReportAt(live.Log.LastAt);
                    foreach (var unit in report.Units)
                    {
                        var own = unit.Counts.Where(count => count.Key != "dropped").Sum(count => count.Value);
                        Assert.Equal(own, unit.Attempts);
                    }

                    var sheet = new DrillSheet("", live.Head, live.Units, true, report);
                    var rows = DrillTable.Rank(live.Stage, [sheet]);
                    var verdict = Verdict.Of(live.Stage, rows, open: false);
                    Assert.All(verdict.Top, row => Assert.Equal(1, row.Rank));
                    Assert.True(verdict.First is null || verdict.First.HadGo || live.Stage.Play == Play.Match);
                    if (live.Stage.Play != Play.Match)
                    {
                        Assert.All(rows, row => Assert.Equal(row.HadGo, row.Rank is not null));
                    }
                }
            );

    [Fact]
    public void Everyone_stands_once_and_nobody_is_busier_than_they_were_there() =>
        Gen.Select(Any, Taps)
            .Sample(
                (any, taps) =>
                {
                    var live = Played(
                        any,
                        taps,
                        sheet =>
                        {
                            var everyone = sheet.Floor.Now.Everyone;
                            Assert.Equal(everyone.Count, everyone.Distinct().Count());
                            Assert.Equal(sheet.Score.Roster.Everyone.ToHashSet(), everyone.ToHashSet());
                            Assert.All(
                                sheet.Stage.Places.Where(place => place.Kind == PlaceKind.Spot),
                                spot => Assert.True(sheet.Floor.Now.At(spot.Id).Count <= spot.Size)
                            );
                        }
                    );
                    Assert.All(ScoredSheet.Of(live).Work.Players, player => Assert.True(player.Busy <= player.There));
                }
            );

    [Fact]
    public void While_a_player_is_not_done_a_player_who_is_not_can_be_tapped() =>
        Gen.Select(Any, Taps)
            .Sample(
                (any, taps) =>
                    Played(
                        any,
                        taps,
                        sheet =>
                        {
                            var at = sheet.Log.LastAt;
                            bool IsDone(PlayerId unit) => sheet.Score.SnapshotOf(unit, at).Done;
                            if (sheet.Stage.Rotate?.On == RotateTrigger.Manual || sheet.Units.All(unit => IsDone(unit.Id)))
                            {
                                return;
                            }

                            Assert.Contains(ScoringSlots.At(sheet.Stage, sheet.UnitsOn, sheet.Floor), unit => !IsDone(unit));
                        }
                    )
            );

    private static Sheet Played((DrillCard Card, int[] Sizes) any, (int Who, int What)[] taps, Action<Sheet> look)
    {
        var (card, sizes) = any;
        var stage = card.Stages[0];
        var names = Enumerable.Range(1, sizes.Sum()).Select(n => new Member(new PlayerId($"p{n}"), $"P{n}")).ToArray();
        var next = 0;
        Unit[] units =
            stage.Scores == Scorer.Player
                ? [.. names.Select(name => new Unit(name.Id, name.Name, []))]
                :
                [
                    .. sizes.Select(
                        (size, index) =>
                        {
                            var id = "abcd"[index].ToString(CultureInfo.InvariantCulture);
                            return new Unit(new PlayerId(id), id, names[next..(next += size)]);
                        }
                    ),
                ];
        var live = Sheet.Open(card, new LogHead("d", 0, card.Chosen, units)).Require();
        live.Add(new RunEvent.Start(new EventId(new DeviceId("s"), 1), Instant.Origin));
        foreach (var (index, (who, what)) in taps.Index())
        {
            var tappable = ScoringSlots.At(stage, live.UnitsOn, live.Floor);
            var outcome = stage.Outcomes[what % stage.Outcomes.Count];
            PlayerId? unit =
                outcome.Job is { } job ? live.HolderOf(job)
                : tappable.Count == 0 ? null
                : tappable[who % tappable.Count];
            if (unit is { } tapped)
            {
                live.Add(
                    new RunEvent.Tap(
                        new EventId(new DeviceId("t"), index + 1),
                        new Instant((index + 1) * 1000),
                        tapped,
                        outcome.Id,
                        null,
                        null,
                        null
                    )
                );
            }

            look(live);
        }

        return live;
    }
}
