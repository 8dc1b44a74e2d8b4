using CsCheck;
using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Formats;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Scoring;
using KeepTally.Core.Time;
using KeepTally.Core.Words;

namespace KeepTally.Core.Tests.Shipped;

/// <summary>What holds for cards drawn at random, with logs drawn at random on them.</summary>
public sealed class CardProperties
{
    private static readonly Gen<string> Outcome = Gen.Select(
        Gen.Int[-3, 5],
        Gen.OneOf("success", "failure", "neutral"),
        Gen.OneOf("", "\"out\"", "\"turnOver\"", "\"leave\"", "\"next\"", "\"none\""),
        Gen.OneOf("", "ball", "offBall", "a"),
        (points, result, does, by) =>
            $$"""{"id":"ID","result":"{{result}}","points":{{points}},"does":[{{does}}]{{(by.Length > 0 ? $",\"by\":\"{by}\"" : "")}}}"""
    );

    private static readonly Gen<string> Ladder = Gen.Select(
        Gen.Int[1, 4],
        Gen.Int[0, 3],
        Gen.OneOf("none", "fail", "pass", "both"),
        Gen.OneOf("retry", "back", "first", "out"),
        Gen.Int[1, 3],
        (k, spare, stop, fail, laps) =>
            $$"""
                "ladder":{"rungs":["l","m","r"],"laps":{{laps}},"pass":{"successes":{{k}},"of":{{k
                    + spare}},"stop":"{{stop}}"},"fail":"{{fail}}"}
                """
    );

    private static readonly Gen<string> Ending = Gen.OneOf(
        Gen.Int[1, 12].Select(n => $$"""{"points":{{n}},"lead":{{n % 3}}}"""),
        Gen.Int[1, 20].Select(n => $$"""{"attempts":{{n}}}"""),
        Gen.Int[1, 6].Select(n => $$"""{"streak":{{n}}}"""),
        Gen.Int[1, 5].Select(n => $$"""{"outs":{{n}}}"""),
        Gen.Int[1, 30].Select(n => $$"""{"taps":{{n}}}"""),
        Gen.Int[1, 60].Select(n => $$"""{"seconds":{{n}}}""")
    );

    private static readonly Gen<DrillCard> AnyCard = Gen.Select(
        Outcome.Array[1, 4],
        Ending.Array[0, 2],
        Gen.OneOf("together", "turns", "match"),
        Ladder,
        Gen.Bool,
        (outcomes, until, play, ladder, climbs) =>
            CardReader
                .Read(
                    $$"""
                    {"format":"keep-tally/drill@1","id":"d","name":"D","stages":[{"play":"{{play}}","scores":"{{(
                        play == "match" ? "side" : "player"
                    )}}",
                     "sides":["a","b","c"],"ball":"a",
                     "outcomes":[{{string.Join(
                        ',',
                        outcomes.Select((each, i) => each.Replace("ID", $"o{i}", StringComparison.Ordinal))
                    )}}],
                     "until":[{{string.Join(',', until)}}]{{(climbs ? "," + ladder : "")}}}]}
                    """
                )
                .Require()
    );

    private static readonly Gen<(int Who, int What)[]> AnyTaps = Gen.Select(Gen.Int[0, 3], Gen.Int[0, 3]).Array[0, 60];

    [Fact]
    public void Points_are_the_sum_of_what_was_tapped() =>
        Gen.Select(AnyCard, AnyTaps)
            .Sample(
                (card, taps) =>
                {
                    var live = Played(card, taps, (_, _) => { });
                    foreach (var unit in live.Now().Units)
                    {
                        var sum = unit.Counts.Sum(count =>
                            count.Value
                            * card.Stages[0].Outcomes.Single(each => each.Id == count.Key).Points.Sum(award => award.Points)
                        );
                        Assert.Equal(sum, unit.Points);
                    }
                }
            );

    [Fact]
    public void A_done_unit_never_changes() =>
        Gen.Select(AnyCard, AnyTaps)
            .Sample(
                (card, taps) =>
                {
                    var done = new Dictionary<string, string>();
                    Played(
                        card,
                        taps,
                        (live, _) =>
                        {
                            foreach (var unit in live.Now().Units.Where(unit => unit.Done))
                            {
                                var now =
                                    $"{unit.Points} {unit.Attempts} {unit.BestStreak} {unit.Cleared} {unit.Outs} {unit.Place} {unit.Running}";
                                Assert.Equal(done.TryGetValue(unit.Id.Value, out var before) ? before : now, now);
                                done[unit.Id.Value] = now;
                            }
                        }
                    );
                }
            );

    [Fact]
    public void A_ladder_never_clears_more_than_was_made_and_a_streak_is_never_longer() =>
        Gen.Select(AnyCard, AnyTaps)
            .Sample(
                (card, taps) =>
                {
                    foreach (var unit in Played(card, taps, (_, _) => { }).Now().Units)
                    {
                        Assert.True(unit.Cleared <= unit.Successes && unit.Streak <= unit.BestStreak);
                        Assert.True(unit.BestStreak <= unit.Successes && unit.Successes <= unit.Attempts);
                    }
                }
            );

    [Fact]
    public void Order_of_arrival_and_doubling_never_matter_on_any_card() =>
        Gen.Select(AnyCard, AnyTaps, Gen.Int)
            .Sample(
                (card, taps, seed) =>
                {
                    var said = Played(card, taps, (_, _) => { }).Log.Events.ToArray();
                    var shuffled = said.Concat(said.Take(said.Length / 2)).ToArray();
                    new Random(seed).Shuffle(shuffled);
                    var (straight, crooked) = (Given.Open(card, "a", "b", "c"), Given.Open(card, "a", "b", "c"));
                    Array.ForEach(said, each => straight.Add(each));
                    Array.ForEach(shuffled, each => crooked.Add(each));

                    Assert.Equal(ReplayWriter.Write(straight.Now()), ReplayWriter.Write(crooked.Now()));
                }
            );

    [Fact]
    public void Every_tap_is_told_in_a_whole_sentence_and_every_card_in_words() =>
        Gen.Select(AnyCard, AnyTaps)
            .Sample(
                (card, taps) =>
                {
                    Assert.All(
                        CardWords.InFull(card).Split('\n'),
                        line => Assert.DoesNotContain("  ", line.Trim(), StringComparison.Ordinal)
                    );
                    Played(card, taps, (_, why) => Assert.Matches(@"^[A-Z0-9].*\.$", why));
                }
            );

    [Fact]
    public void A_card_and_its_print_agree_with_themselves_whatever_the_order_of_properties() =>
        Gen.OneOf(ShippedCard.Ids.ToArray())
            .Sample(id => Assert.Equal(ScoringPrint.Of(ShippedCard.Text(id)), ScoringPrint.Of(Reversed(ShippedCard.Text(id)))));

    private static string Reversed(string json)
    {
        return Turned(System.Text.Json.Nodes.JsonNode.Parse(json)!).ToJsonString();

        static System.Text.Json.Nodes.JsonNode Turned(System.Text.Json.Nodes.JsonNode node) =>
            node switch
            {
                System.Text.Json.Nodes.JsonObject map => new System.Text.Json.Nodes.JsonObject(
                    map.Reverse()
                        .Select(pair => KeyValuePair.Create(pair.Key, pair.Value is null ? null : Turned(pair.Value)))
                        .ToArray()!
                ),
                System.Text.Json.Nodes.JsonArray list => new System.Text.Json.Nodes.JsonArray([
                    .. list.Select(item => Turned(item!)),
                ]),
                _ => node.DeepClone(),
            };
    }

    /// <summary>Taps a second apart on units a, b and c, or by anyone who is meant; what is told of each is handed on.</summary>
    private static Sheet Played(DrillCard card, (int Who, int What)[] taps, Action<Sheet, string> look)
    {
        var live = Given.Started(card, "a", "b", "c");
        var outcomes = card.Stages[0].Outcomes;
        for (var i = 0; i < taps.Length; i++)
        {
            var unit = taps[i].Who < 3 ? "abc"[taps[i].Who].ToString() : null;
            var tap = new RunEvent.Tap(
                new EventId(new DeviceId("t"), i + 1),
                new Instant((i + 1) * 1000),
                Given.Player(unit),
                outcomes[taps[i].What % outcomes.Count].Id,
                null,
                null,
                null
            );
            var before = live.Score.Snapshot(tap.At);
            if (live.Add(tap) is null)
            {
                look(live, TapWords.Explain(live, tap, before, live.Score.Snapshot(tap.At)));
            }
        }

        return live;
    }
}
