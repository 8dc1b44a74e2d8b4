using System.Globalization;
using CsvHelper;
using ExcelDataReader;
using KeepTally.Store.Database;
using KeepTally.Store.Files;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Tests.Results;

/// <summary>Spreadsheets that go out, opened by another library (ExcelDataReader) than the one that writes them.</summary>
public sealed class WorkbookTests(PastPageTests.Club club) : IClassFixture<PastPageTests.Club>
{
    [Fact]
    public async Task A_spreadsheet_of_results_holds_the_figures_of_the_csv_and_every_tap()
    {
        var id = await club.Home.WithAsync<TallyDb, int>(db =>
            db.Practices.Where(practice => practice.Blocks.Any(block => db.Runs.Any(run => run.BlockId == block.Id)))
                .OrderBy(practice => practice.Date)
                .Select(practice => practice.Id)
                .FirstAsync()
        );
        var http = club.Home.Visit().Http;
        var csv = await http.GetStringAsync(new Uri($"/results/{id}?handler=Csv", UriKind.Relative));
        var sheets = SheetsOf(await http.GetByteArrayAsync(new Uri($"/results/{id}?handler=Workbook", UriKind.Relative)));

        Assert.Equal(["Results", "Taps"], sheets.Keys);
        Assert.Equal(RowsOf(csv), sheets["Results"]);
        var stored = await club.Home.WithAsync<TallyDb, int>(db =>
            db.Events.CountAsync(row =>
                row.Line.Contains("\"type\":\"tap\"")
                && db.Sheets.Any(sheet => sheet.Id == row.SheetId && sheet.Run!.Block!.PracticeId == id)
            )
        );
        Assert.True(stored > 100);
        Assert.Equal(stored, sheets["Taps"].Count - 1);
    }

    [Fact]
    public async Task A_season_holds_what_the_pages_of_its_players_and_practices_say()
    {
        var http = club.Home.Visit().Http;
        var sheets = SheetsOf(await http.GetByteArrayAsync(new Uri("/squad/season?handler=File&team=1", UriKind.Relative)));
        var csv = await http.GetStringAsync(new Uri("/squad/season?handler=Csv&team=1", UriKind.Relative));

        Assert.Equal(["Players", "Results", "Attendance", "Loads", "Taps"], sheets.Keys);
        Assert.Equal(RowsOf(csv), sheets["Results"]);
        var gates = await club.ResultsOfAsync("three-gates");
        var made = sheets["Players"][0].ToList().IndexOf("Three gates: made");
        foreach (var row in sheets["Players"].Skip(1))
        {
            var own = gates.Where(each => each.Unit.Name == row[0]).ToArray();
            Assert.Equal(Sum(own, each => each.Report.Successes), row[made]);
            Assert.Equal(Sum(own, each => each.Report.Attempts), row[made + 1]);
        }

        var (attendance, taps) = (sheets["Attendance"], sheets["Taps"]);
        Assert.Contains(attendance.Skip(1).SelectMany(row => row.Skip(1)), cell => cell == "here");
        Assert.True(taps.Count > 500);
        Assert.All(sheets["Loads"].Skip(1), row => Assert.True(int.Parse(row[3], CultureInfo.InvariantCulture) > 0));

        static string Sum(IReadOnlyList<Core.Scoring.DrillRow> rows, Func<Core.Scoring.DrillRow, int> figure) =>
            rows.Sum(each => each.Report.Attempts) == 0 ? "" : rows.Sum(figure).ToString(CultureInfo.InvariantCulture);
    }

    [Fact]
    public void A_text_that_looks_like_a_formula_stays_a_text()
    {
        var bytes = SheetTable.Workbook([
            new SheetTable(
                "S",
                ["Name", "Points"],
                [
                    ["=1+1", 3],
                    ["@sum", null],
                    ["+4 to go", 2.5],
                ]
            ),
        ]);

        Assert.Equal(
            [
                ["Name", "Points"],
                ["=1+1", "3"],
                ["@sum", ""],
                ["+4 to go", "2.5"],
            ],
            SheetsOf(bytes)["S"]
        );
        using var zip = new System.IO.Compression.ZipArchive(new MemoryStream(bytes));
        using var sheet = new StreamReader(zip.Entries.Single(entry => entry.Name == "sheet1.xml").Open());
        Assert.DoesNotContain("<x:f", sheet.ReadToEnd(), StringComparison.Ordinal);
    }

    [Fact]
    public void A_table_without_rows_still_has_its_headings() =>
        Assert.Equal(["Name", "Points"], SheetsOf(SheetTable.Workbook([new SheetTable("S", ["Name", "Points"], [])]))["S"][0]);

    private static Dictionary<string, List<string[]>> SheetsOf(byte[] file)
    {
        using var reader = ExcelReaderFactory.CreateOpenXmlReader(new MemoryStream(file));
        var sheets = new Dictionary<string, List<string[]>>();
        do
        {
            var rows = sheets[reader.Name] = [];
            while (reader.Read())
            {
                rows.Add([
                    .. Enumerable
                        .Range(0, reader.FieldCount)
                        .Select(i => Figure(Convert.ToString(reader.GetValue(i), CultureInfo.InvariantCulture) ?? "")),
                ]);
            }
        } while (reader.NextResult());

        return sheets;
    }

    private static List<string[]> RowsOf(string csv)
    {
        using var parser = new CsvParser(new StringReader(csv), CultureInfo.InvariantCulture);
        var rows = new List<string[]>();
        while (parser.Read())
        {
            rows.Add([.. parser.Record!.Select(Figure)]);
        }

        return rows;
    }

    /// <summary>Numbers alike, however many digits either file writes them with.</summary>
    private static string Figure(string cell) =>
        double.TryParse(cell, NumberStyles.Float, CultureInfo.InvariantCulture, out var number)
            ? Math.Round(number, 9).ToString(CultureInfo.InvariantCulture)
            : cell;
}
