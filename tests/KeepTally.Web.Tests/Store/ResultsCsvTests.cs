using System.Globalization;
using CsvHelper;
using KeepTally.Core.Events;
using KeepTally.Core.Formats;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Reports;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Scoring;
using KeepTally.Core.Time;
using KeepTally.Store.Results;

namespace KeepTally.Web.Tests.Store;

public sealed class ResultsCsvTests
{
    private const string Card = """
        {"format":"keep-tally/drill@1","id":"d","name":"Left, \"right\"\nand centre","stages":[{"name":"=SUM(A1)","outcomes":[{"id":"make","result":"success","points":1}]}]}
        """;

    private static DrillResult Drill(params string[] names)
    {
        var card = CardReader.Read(Card).Require();
        var units = names.Select((name, index) => new Unit(new PlayerId($"p{index}"), name, [])).ToArray();
        var sheet = Sheet.Open(card, new LogHead("d", 0, card.Chosen, units)).Require();
        sheet.Add(new RunEvent.Start(new EventId(new DeviceId("s"), 1), new Instant(0)));
        sheet.Add(
            new RunEvent.Tap(new EventId(new DeviceId("s"), 2), new Instant(1500), new PlayerId("p0"), "make", null, null, null)
        );
        var ended = new DrillSheet("", sheet.Head, units, true, sheet.ReportAt(new Instant(1500)));
        return new DrillResult(
            1,
            card,
            card.Stages[0],
            true,
            DrillTable.Rank(card.Stages[0], [ended]),
            [ended],
            null,
            [],
            [],
            [],
            [],
            []
        );
    }

    private static List<IDictionary<string, object>> Rows(string csv)
    {
        using var reader = new CsvReader(new StringReader(csv), CultureInfo.InvariantCulture);
        return [.. reader.GetRecords<dynamic>().Select(row => (IDictionary<string, object>)row)];
    }

    [Fact]
    public void Names_with_commas_quotes_and_line_breaks_come_back_whole()
    {
        // RFC 4180, section 2: such fields stand in quotation marks, quotation marks are doubled, lines end in CRLF.
        var csv = ResultsCsv.Write(new DateOnly(2026, 9, 3), [Drill("Fern, Zoë", "O'Hara \"Ace\" Quill")]);

        var rows = Rows(csv);
        Assert.Equal(["Fern, Zoë", "O'Hara \"Ace\" Quill"], rows.Select(row => row["Name"]));
        Assert.Equal("Left, \"right\"\nand centre", rows[0]["Drill"]);
        Assert.Contains("\"O'Hara \"\"Ace\"\" Quill\"", csv, StringComparison.Ordinal);
        Assert.EndsWith("\r\n", csv, StringComparison.Ordinal);
    }

    [Fact]
    public void What_a_spreadsheet_would_take_for_a_formula_is_kept_a_text() =>
        Assert.All(
            Rows(ResultsCsv.Write(new DateOnly(2026, 9, 3), [Drill("=1+1", "@home")])),
            row =>
            {
                Assert.StartsWith("'", (string)row["Part"], StringComparison.Ordinal);
                Assert.StartsWith("'", (string)row["Name"], StringComparison.Ordinal);
            }
        );

    [Fact]
    public void Figures_are_written_the_same_in_every_country()
    {
        var before = CultureInfo.CurrentCulture;
        var comma = (CultureInfo)CultureInfo.InvariantCulture.Clone();
        comma.NumberFormat.NumberDecimalSeparator = ",";
        CultureInfo.CurrentCulture = comma;
        try
        {
            var row = Rows(ResultsCsv.Write(new DateOnly(2026, 9, 3), [Drill("A")]))[0];

            Assert.Equal(("1.5", "1"), ((string)row["Seconds"], (string)row["Share made"]));
            Assert.Equal("2026-09-03", row["Date"]);
        }
        finally
        {
            CultureInfo.CurrentCulture = before;
        }
    }

    [Fact]
    public void A_player_who_was_not_reached_has_a_row_without_a_rank()
    {
        var drill = Drill("A");
        var not = drill.Sheets[0] with { Begun = false };

        var row = Assert.Single(
            Rows(
                ResultsCsv.Write(
                    new DateOnly(2026, 9, 3),
                    [drill with { Begun = false, Rows = DrillTable.Rank(drill.Stage, [not]) }]
                )
            )
        );

        Assert.Equal(("", "no"), ((string)row["Rank"], (string)row["Played"]));
    }

    private const string Tagged = """
        {"format":"keep-tally/drill@1","id":"t","name":"Hands","stages":[{"name":"Throws","scores":"player",
         "outcomes":[{"id":"make","label":"Goal","result":"success"},{"id":"wide","label":"Wide","result":"failure"}],
         "tags":{"hand":{"label":"Hand","values":{"left":"left","right":"right"}}}}]}
        """;

    [Fact]
    public void Each_outcome_and_each_value_of_a_tag_has_a_column_and_players_their_number()
    {
        var card = CardReader.Read(Tagged).Require();
        Unit[] units = [new(new PlayerId("p7"), "Ada", []), new(new PlayerId("p8"), "Bea", [])];
        var sheet = Sheet.Open(card, new LogHead("t", 0, card.Chosen, units)).Require();
        sheet.Add(new RunEvent.Start(new EventId(new DeviceId("s"), 1), new Instant(0)));
        foreach (var (n, outcome, hand) in new[] { (2, "make", "left"), (3, "make", "right"), (4, "wide", "left") })
        {
            var tags = new Dictionary<string, string> { ["hand"] = hand };
            var id = new EventId(new DeviceId("s"), n);
            Assert.Null(sheet.Add(new RunEvent.Tap(id, new Instant(n * 1000), new PlayerId("p7"), outcome, null, tags, null)));
        }

        var over = new DrillSheet("", sheet.Head, units, true, sheet.ReportAt(new Instant(5000)));
        DrillResult hands = new(
            1,
            card,
            card.Stages[0],
            true,
            DrillTable.Rank(card.Stages[0], [over]),
            [over],
            null,
            [],
            [],
            [],
            [],
            []
        );
        var rows = Rows(
            ResultsCsv.Write(
                new DateOnly(2026, 9, 3),
                [hands, Drill("Nell")],
                new Dictionary<PlayerId, int> { [new PlayerId("p7")] = 11 }
            )
        );

        var ada = rows.Single(row => (string)row["Name"] == "Ada");
        Assert.Equal(("11", "2", "1"), ((string)ada["Number"], (string)ada["Goal"], (string)ada["Wide"]));
        Assert.Equal(
            ("1", "1", "1"),
            ((string)ada["Hand, left: Goal"], (string)ada["Hand, left: Wide"], (string)ada["Hand, right: Goal"])
        );
        // A drill that does not have the outcome says nothing of it, rather than nought.
        Assert.Equal(("", ""), ((string)rows[^1]["Goal"], (string)rows[^1]["Number"]));
        Assert.Equal("0", rows.Single(row => (string)row["Name"] == "Bea")["Goal"]);
    }
}
