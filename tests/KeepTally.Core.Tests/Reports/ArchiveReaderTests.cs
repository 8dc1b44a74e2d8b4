using KeepTally.Core.Archive;
using KeepTally.Core.Identity;

namespace KeepTally.Core.Tests.Reports;

/// <summary>A whole practice as a text: what reads, and what is told of what does not.</summary>
public sealed class ArchiveReaderTests
{
    private const string Card = """
        {"format":"keep-tally/drill@1","id":"d","name":"D","stages":[{"play":"together","outcomes":[{"id":"make","label":"Make","result":"success"}]}]}
        """;

    private static string Practice(string events, string sheet = "") =>
        $$"""
            {"format":"keep-tally/practice@1","title":"T","team":"Terns","date":"2026-10-03","start":"17:30","origin":5,
             "blocks":[{"card":{{Card}},"sheets":[{"name":""{{sheet}},
              "head":{"format":"keep-tally/log@1","drill":"d","stage":0,"options":{},"units":[{"id":"a","name":"Ada"}]},"events":[{{events}}]}]}]}
            """;

    [Fact]
    public void Who_came_in_from_elsewhere_is_known_before_they_are_tapped()
    {
        var read = ArchiveReader
            .Read(
                Practice(
                    """
                    {"device":"x","n":1,"at":1,"type":"start"},{"device":"x","n":2,"at":2,"type":"sub","in":"z"},
                    {"device":"x","n":3,"at":3,"type":"tap","unit":"z","outcome":"make"}
                    """
                )
            )
            .Require();

        var units = read.Kept()[0].Sheets[0].Outcome.Report.Units;
        Assert.Equal(1, units.Single(unit => unit.Id == new PlayerId("z")).Successes);
        Assert.Equal(read.Kept().Count, ArchiveReader.Read(ArchiveWriter.Write(read)).Require().Kept().Count);
    }

    [Theory]
    [InlineData("""{"device":"x","n":1,"at":1,"type":"tap","unit":"nobody","outcome":"make"}""", "", "blocks[0].sheets[0]")]
    [InlineData("", ""","round":1,"station":1,"group":0""", "blocks[0]")]
    [InlineData("""{"device":"x","n":-1,"at":1,"type":"start"}""", "", "blocks[0].sheets[0].events[0].n")]
    public void What_is_wrong_has_its_place(string events, string sheet, string place) =>
        Assert.StartsWith(place, ArchiveReader.Read(Practice(events, sheet)).Faults[0].Path, StringComparison.Ordinal);

    [Fact]
    public void A_practice_of_which_nothing_was_run_is_none()
    {
        var text = Practice("");
        var at = text.IndexOf("\"blocks\":[", StringComparison.Ordinal);

        Assert.Equal("blocks", ArchiveReader.Read(text[..at] + "\"blocks\":[]}").Faults[0].Path);
    }
}
