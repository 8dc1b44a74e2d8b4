using KeepTally.Core.Formats;
using KeepTally.Core.Judgement;
using KeepTally.Core.Measures;
using KeepTally.Core.Text;
using KeepTally.Core.Words;

namespace KeepTally.Core.Tests.Judgement;

/// <summary>Another distance is offered where shots are made too seldom or too often, and only where a go is a shot.</summary>
public sealed class OtherDistanceTests
{
    private const string Missed = """[{"id":"make","result":"success"},{"id":"miss","result":"failure"}]""";

    private static string Of(Share share, string stage = "", string outcomes = Missed, string second = "", Pacing? pacing = null)
    {
        var card = CardReader
            .Read(
                $$$"""
                {"format":"keep-tally/drill@1","id":"d","name":"D","stages":[{"play":"together","outcomes":{{{outcomes}}}{{{stage}}}}],
                "layout":{"surface":{"length":20,"width":10},
                "marks":[{"id":"goal","kind":"goal","x":0,"y":3.5,"width":3},{"id":"a","kind":"cone","x":8,"y":5},{"id":"b","kind":"cone","x":14,"y":5}],
                "paths":[{"from":"a","to":"goal","as":"shot","step":1}{{{second}}}],"steps":["Shoot."]}}
                """
            )
            .Require();
        return OtherDistance.Of(card, card.Stages[0], SuccessBand.Usual, share, pacing ?? Pacing.Usual);
    }

    [Fact]
    public void Nearer_where_too_few_come_off_with_what_is_to_be_expected()
    {
        var there = Math.Round(AtDistance.Where(0.65, 0.4, 8) * 2) / 2;

        Assert.InRange(there, 4, 4.5);
        Assert.StartsWith(
            $"From {there:0.#} m instead of 8 m about {Phrase.Percent(AtDistance.Expected(0.4, 8, there))} would be made, likely between ",
            Of(new Share(40, 100)),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void Farther_where_too_many_do() =>
        Assert.StartsWith("From 14.5 m instead of 8 m", Of(new Share(91, 100)), StringComparison.Ordinal);

    /// <summary>Nobody is told to shoot from a hand's breadth, nor from the other end of the hall.</summary>
    [Fact]
    public void Never_beyond_half_or_twice_as_far()
    {
        Assert.StartsWith("From 4 m ", Of(new Share(2, 100)), StringComparison.Ordinal);
        Assert.StartsWith("From 16 m ", Of(new Share(99, 100)), StringComparison.Ordinal);
    }

    [Fact]
    public void In_what_the_coach_counts_in() =>
        Assert.Contains(
            " yd instead of ",
            Of(new Share(30, 100), pacing: new Pacing(LengthUnit.Yards, Stride.Usual)),
            StringComparison.Ordinal
        );

    [Fact]
    public void Nothing_is_said_of_what_is_not_known()
    {
        Assert.Equal("", Of(default));
        Assert.Equal("", Of(new Share(60, 100)));
        Assert.Equal("", Of(new Share(0, 100)));
        Assert.Equal("", Of(new Share(100, 100)));
        // A save and a wrong step know no distance, and steps stand at distances of their own.
        Assert.Equal(
            "",
            Of(new Share(30, 100), outcomes: """[{"id":"goal","result":"success"},{"id":"saved","result":"failure"}]""")
        );
        Assert.Equal("", Of(new Share(30, 100), ""","ladder":{"rungs":["near","far"],"pass":{"streak":3}}"""));
        // One distance does not stand for eight and fourteen metres.
        Assert.Equal("", Of(new Share(30, 100), second: """,{"from":"b","to":"goal","as":"shot","step":1}"""));
    }
}
