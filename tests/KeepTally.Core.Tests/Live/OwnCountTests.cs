using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Time;

namespace KeepTally.Core.Tests.Live;

/// <summary>After the horn each says how many they had: it stands beside what was tapped, and never in it.</summary>
public sealed class OwnCountTests
{
    private static readonly SheetId Only = new("s");

    private static (LivePractice Practice, Sheet Sheet) Started(string stage)
    {
        var sheet = Given.Started(Given.Card(stage), "a", "b");
        return (new LivePractice(new DeviceId("coach"), [new LiveRun("", [new RunSheet(Only, "", sheet)])]), sheet);
    }

    private static EventId Say(LivePractice practice, string unit, int count, long at)
    {
        var appended = practice.Count(Only, new PlayerId(unit), count, new Instant(at)).Require();
        return Assert.Single(appended).Event.Id;
    }

    [Fact]
    public void The_last_word_of_each_round_is_added_up_and_can_be_taken_back()
    {
        var (practice, sheet) = Started(""" "clock":{"work":10,"change":5,"rounds":2} """);
        Say(practice, "a", 8, 11_000);
        var slip = Say(practice, "a", 9, 12_000);
        Assert.Equal(9, sheet.Now().Of("a").OwnCount);

        practice.Undo(Only, slip, new Instant(12_500));
        Say(practice, "a", 5, 26_000);
        Assert.Equal(13, sheet.Now().Of("a").OwnCount);
        Assert.Equal((8, 5), (sheet.Score.OwnCountOf(new PlayerId("a"), 1), sheet.Score.OwnCountOf(new PlayerId("a"), 2)));
        Assert.Null(sheet.Now().Of("b").OwnCount);
    }

    [Fact]
    public void It_ranks_where_nobody_was_tapped_and_leaves_taps_alone_where_a_player_was()
    {
        var (practice, sheet) = Started("");
        Say(practice, "b", 8, 1000);
        Say(practice, "a", 3, 2000);
        Assert.Equal("b", sheet.Score.LeaderAt(new Instant(3000))?.Value);

        sheet.Taps("a+");
        Assert.Equal("a", sheet.Score.LeaderAt(sheet.Log.LastAt)?.Value);
        Assert.Equal((1.0, 0.0, 8), (sheet.Now().Of("a").Points, sheet.Now().Of("b").Points, sheet.Now().Of("b").OwnCount));
    }

    [Fact]
    public void A_card_can_rank_by_it()
    {
        var (practice, sheet) = Started(""" "measure":[{"by":"ownCount","better":"low"}] """);
        sheet.Taps("a+ a+");
        Say(practice, "a", 3, 9000);
        Say(practice, "b", 2, 9500);
        Assert.Equal("b", sheet.Score.LeaderAt(new Instant(10_000))?.Value);
    }

    [Fact]
    public void Another_game_begins_without_any()
    {
        var (practice, sheet) = Started(""" "until":[{"successes":1}] """);
        sheet.Taps("a+ b+");
        Say(practice, "a", 3, 9000);
        Assert.NotEmpty(practice.Again(Only, false, false, new Instant(10_000)));
        Assert.Null(sheet.Now().Of("a").OwnCount);
        Assert.Equal(3, sheet.Score.EarlierGames[0].Of("a").OwnCount);
    }

    [Fact]
    public void Nobody_who_is_not_there_says_any()
    {
        var (practice, sheet) = Started("");
        Assert.Equal("unit", practice.Count(Only, new PlayerId("z"), 1, new Instant(1000)).Faults[0].Path);
        Assert.Equal(1, sheet.Log.Count);
    }
}
