using CsCheck;
using KeepTally.Core.Events;
using KeepTally.Core.Formats;
using KeepTally.Core.Rules.Endings;

namespace KeepTally.Core.Tests.Formats;

/// <summary>What a person got wrong is named with its place and its fix; nothing is half read.</summary>
public sealed class ReadingTests
{
    [Theory]
    [InlineData("""{"outcomes":[],"until":[{"points":3,"lead":"two"}]}""", "stages[0].until[0].lead")]
    [InlineData("""{"outcomes":[],"colour":1}""", "stages[0].colour")]
    [InlineData("""{"outcomes":[{"label":"Make"}]}""", "stages[0].outcomes[0].id")]
    [InlineData("""{"outcomes":[{"id":"a"},{"id":"a"}]}""", "stages[0].outcomes")]
    [InlineData("""{"outcomes":[],"until":[{}]}""", "stages[0].until[0]")]
    [InlineData("""{"outcomes":[],"until":[{"outs":2,"taps":3}]}""", "stages[0].until[0]")]
    [InlineData("""{"outcomes":[],"until":[{"outs":2,"lead":3}]}""", "stages[0].until[0].lead")]
    [InlineData("""{"outcomes":[],"ladder":{"rungs":["a"],"pass":{"successes":8,"of":7}}}""", "stages[0].ladder.pass.of")]
    [InlineData("""{"outcomes":[],"play":"chess"}""", "stages[0].play")]
    [InlineData("""{"outcomes":[],"clock":{"work":0}}""", "stages[0].clock.work")]
    [InlineData("""{"outcomes":[],"places":[{"id":"a"}],"moves":[{"from":"a","to":"b"}]}""", "stages[0].moves[0].to")]
    [InlineData("""{"outcomes":[{"id":"m","by":"ball"}],"play":"match","scores":"side","sides":["x","y"]}""", "stages[0]")]
    [InlineData("""{"outcomes":[],"streak":{"miss":"$house"}}""", "stages[0].streak.miss")]
    public void A_fault_in_a_card_is_named_with_its_path(string stage, string path)
    {
        var reading = CardReader.Read($$"""{"format":"keep-tally/drill@1","id":"d","name":"D","stages":[{{stage}}]}""");

        Assert.False(reading.IsOk);
        Assert.Contains(reading.Faults, fault => fault.Path == path && fault.Fix.Length > 0);
    }

    [Fact]
    public void Every_fault_is_named_not_only_the_first()
    {
        var reading = CardReader.Read("""{"format":"keep-tally/drill@1","nmae":"D","stages":[{"outcomes":[{"id":""}]}]}""");

        Assert.Equal(["nmae", "stages[0].outcomes[0].id", "id", "name"], reading.Faults.Select(fault => fault.Path));
    }

    [Fact]
    public void A_broken_text_is_named_with_its_line_and_column()
    {
        var fault = Assert.Single(CardReader.Read("{\n \"id\": \"d\",\n \"name\" \"D\"}").Faults);

        Assert.Equal("line 3, column 9", fault.Path);
    }

    [Fact]
    public void A_property_written_twice_is_a_fault() =>
        Assert.False(EventReader.Read("""{"device":"a","n":1,"at":0,"at":5,"type":"start"}""").IsOk);

    [Fact]
    public void A_house_rule_takes_its_default_another_when_chosen_and_a_number_where_one_belongs()
    {
        const string Card = """
            {"format":"keep-tally/drill@1","id":"d","name":"D",
             "options":{"to":{"label":"Played to","choices":{"11":"eleven","15":"fifteen"},"default":"11"}},
             "stages":[{"outcomes":[],"until":[{"points":"$to"}]}]}
            """;

        Assert.Equal(new PointsEnding(11, 0), CardReader.Read(Card).Require().Stages[0].Until[0]);
        Assert.Equal(
            new PointsEnding(15, 0),
            CardReader.Read(Card, new Dictionary<string, string> { ["to"] = "15" }).Require().Stages[0].Until[0]
        );
        Assert.Equal("options.to", CardReader.Read(Card, new Dictionary<string, string> { ["to"] = "21" }).Faults[0].Path);
    }

    [Fact]
    public void A_log_names_the_line_at_fault()
    {
        const string Log = """
            {"format":"keep-tally/log@1","drill":"d","units":[{"id":"a"}]}
            {"device":"a","n":1,"at":0,"type":"start"}

            {"device":"a","n":2,"at":5,"type":"dance"}
            """;

        Assert.Equal("line 4, type", Assert.Single(LogReader.Read(Log).Faults).Path);
        Assert.Equal("line 1", Assert.Single(LogReader.Read("").Faults).Path);
    }

    [Fact]
    public void No_text_whatever_breaks_a_reader() =>
        Gen.OneOf(
                Gen.String,
                Gen.String[Gen.Char["{}[]\",:0123456789truefalsnd eE-+.\n"], 0, 60],
                Gen.OneOf(
                    "null",
                    "[]",
                    "{}",
                    "1e999",
                    "\"$x\"",
                    "{\"format\":null}",
                    "{\"stages\":[[]]}",
                    "{\"stages\":[{\"clock\":[]}]}"
                )
            )
            .Sample(text =>
            {
                Assert.True(CardReader.Read(text).IsOk || CardReader.Read(text).Faults.Count > 0);
                Assert.True(LogReader.Read(text).IsOk || LogReader.Read(text).Faults.Count > 0);
                Assert.True(EventReader.Read(text).IsOk || EventReader.Read(text).Faults.Count > 0);
            });

    [Fact]
    public void A_card_torn_off_anywhere_is_never_half_read()
    {
        var card = new CheckCase("gate-five-of-seven-closes-early").Card.TrimEnd();

        Assert.All(Enumerable.Range(0, card.Length - 1), length => Assert.False(CardReader.Read(card[..length]).IsOk));
    }
}
