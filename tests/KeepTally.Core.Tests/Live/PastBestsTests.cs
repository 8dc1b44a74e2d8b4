using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Scoring;
using KeepTally.Core.Words;

namespace KeepTally.Core.Tests.Live;

/// <summary>Best results of earlier practices, held against what is played now.</summary>
public sealed class PastBestsTests
{
    private static (BestKind Kind, string Words) Judged(string stage, string taps, params (string Player, double Value)[] past)
    {
        var sheet = Given.Started(Given.Card(stage), "a", "b");
        var bests = past.Aggregate(PastBests.None, (all, each) => all.With(sheet.Stage, new PlayerId(each.Player), each.Value));
        sheet.Taps(taps);
        return (bests.Judge(sheet.Stage, sheet.Now().Of("a")), BestWords.Of(bests, sheet.Stage, sheet.Now().Of("a")));
    }

    [Fact]
    public void A_count_is_told_the_moment_it_is_beaten_first_the_own_then_the_squads()
    {
        (string, double)[] past = [("a", 1), ("a", 2), ("b", 3)];
        Assert.Equal((BestKind.None, "best 2"), Judged("", "a+ a+", past));
        Assert.Equal((BestKind.Own, "new best"), Judged("", "a+ a+ a+", past));
        Assert.Equal((BestKind.Squad, "best of the squad"), Judged("", "a+ a+ a+ a+", past));
    }

    [Fact]
    public void A_share_is_told_once_the_player_is_done()
    {
        const string Stage = """ "measure":[{"by":"accuracy","better":"high"}],"until":[{"attempts":2}] """;
        Assert.Equal(BestKind.None, Judged(Stage, "a+", ("a", 0.5)).Kind);
        Assert.Equal(BestKind.Squad, Judged(Stage, "a+ a+", ("a", 0.5)).Kind);
    }

    [Fact]
    public void Less_is_better_where_the_card_says_so()
    {
        const string Stage = """ "measure":[{"by":"attempts","better":"low"}],"until":[{"successes":1}] """;
        Assert.Equal(BestKind.None, Judged(Stage, "a-", ("a", 3)).Kind);
        Assert.Equal(BestKind.Squad, Judged(Stage, "a- a+", ("a", 3)).Kind);
        Assert.Equal(BestKind.None, Judged(Stage, "a- a- a+", ("a", 3)).Kind);
    }

    [Fact]
    public void A_first_result_beats_nothing() => Assert.Equal((BestKind.None, ""), Judged("", "a+ a+"));
}
