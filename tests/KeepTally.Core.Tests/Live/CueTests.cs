using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Formats;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Reports;
using KeepTally.Core.Time;

namespace KeepTally.Core.Tests.Live;

/// <summary>What is said before the next rep: pinned by the coach, and called for by the card.</summary>
public sealed class CueTests
{
    private static readonly SheetId Only = new("s");

    [Fact]
    public void A_cue_is_pinned_for_all_and_for_one_until_another_takes_its_place()
    {
        var sheet = Given.Open(Given.Card(""), "a", "b");
        var practice = new LivePractice(new DeviceId("coach"), [new LiveRun("", [new RunSheet(Only, "", sheet)])]);
        practice.Cue("Long arms", null, new Instant(0));
        practice.Cue("Elbow up", new PlayerId("b"), new Instant(1000));
        Assert.Equal(
            ("Long arms", null, "Elbow up"),
            (sheet.CueFor(null), sheet.CueFor(new PlayerId("a")), sheet.CueFor(new PlayerId("b")))
        );

        var taken = practice.Cue("", null, new Instant(2000)).Require();
        Assert.Null(sheet.CueFor(null));
        practice.Undo(Only, taken[0].Event.Id, new Instant(3000));
        Assert.Equal("Long arms", sheet.CueFor(null));
        Assert.Equal(0, sheet.Now().Of("b").Attempts);
    }

    [Fact]
    public void What_is_called_goes_round_with_each_go_of_the_one_whose_it_is()
    {
        var sheet = Given.Started(Given.Card(""" "asks":["left","right","through"] """), "a", "b").Taps("a+ a- b+");
        string? Asked(string unit) => sheet.AskedOf(new SheetId("s"), new PlayerId(unit), sheet.Log.LastAt);
        Assert.Equal(("through", "right"), (Asked("a"), Asked("b")));
        sheet.Taps("a+");
        Assert.Equal("left", Asked("a"));
    }

    /// <summary>Results name the move that the pad named before each go; what was undone was no go.</summary>
    [Theory]
    [InlineData("together", "turn")]
    [InlineData("together", "random")]
    [InlineData("match", "random")]
    public void Results_count_the_moves_that_were_called_by_player(string play, string order)
    {
        var scores = play == "match" ? """ "scores":"side","sides":["a","b"], """ : "";
        var sheet = Given.Started(
            Given.Card($$""" {{scores}}"play":"{{play}}","asks":["left","right","through"],"askOrder":"{{order}}" """),
            "a",
            "b"
        );
        var asked = new List<(string Unit, string Move, bool Made)>();
        foreach (var tap in "a+ b- a- b+ b+ a+ a- b- a+ a+ b- b+".Split(' '))
        {
            asked.Add((tap[..1], sheet.AskedOf(Only, new PlayerId(tap[..1]), sheet.Log.LastAt)!, tap[1] == '+'));
            sheet.Taps(tap);
        }

        sheet.Add(
            new RunEvent.Undo(
                new EventId(new DeviceId("u"), 1),
                sheet.Log.LastAt + Duration.Millisecond,
                sheet.Log.ReadAt(sheet.Log.Count - 1).Id
            )
        );
        var rows = ScoredSheet.Of(sheet, Only).Called;

        Assert.Equal(
            asked
                .SkipLast(1)
                .GroupBy(each => (each.Unit, each.Move))
                .Select(each => (each.Key.Unit, each.Key.Move, each.Count(), each.Count(go => go.Made)))
                .Order(),
            rows.Select(row => (row.Unit.Value, row.Move, row.Goes, row.Made)).Order()
        );
    }

    [Fact]
    public void At_random_it_is_the_same_for_the_same_seed_and_each_comes_about_as_often()
    {
        var asks = new Asks(["left", "right"], AtRandom: true);
        var calls = Enumerable.Range(0, 4000).Select(goes => asks.After(goes, seed: 7, "s/a")).ToArray();
        Assert.Equal(calls, Enumerable.Range(0, 4000).Select(goes => asks.After(goes, seed: 7, "s/a")));
        // Within four standard deviations of a half (binomial, n = 4000).
        Assert.InRange(calls.Count(call => call == "left"), 2000 - 127, 2000 + 127);
        Assert.NotEqual(calls, Enumerable.Range(0, 4000).Select(goes => asks.After(goes, seed: 8, "s/a")));
        // Pairs and groups are called apart: another player of the sheet, the same player on another sheet.
        Assert.NotEqual(calls, Enumerable.Range(0, 4000).Select(goes => asks.After(goes, seed: 7, "s/b")));
        Assert.NotEqual(calls, Enumerable.Range(0, 4000).Select(goes => asks.After(goes, seed: 7, "t/a")));
    }

    [Fact]
    public void One_move_alone_is_no_choice()
    {
        var card = CardReader.Read(
            """{"format":"keep-tally/drill@1","id":"d","name":"D","stages":[{"outcomes":[],"asks":["left"]}]}"""
        );
        Assert.Equal("stages[0].asks", card.Faults[0].Path);
    }
}
