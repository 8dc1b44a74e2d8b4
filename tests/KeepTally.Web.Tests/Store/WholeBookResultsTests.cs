using System.Globalization;
using System.Text.Json.Nodes;
using CsvHelper;
using KeepTally.Core.Cards;
using KeepTally.Core.Chance;
using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Rules.Zones;
using KeepTally.Core.Scoring;
using KeepTally.Core.Time;
using KeepTally.Store.Database;
using KeepTally.Store.Events;
using KeepTally.Store.Planning;
using KeepTally.Store.Practices;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Tests.Store;

/// <summary>
/// Every shipped card is put on a sheet, run by a stand-in thumb and kept; what the results page and the CSV say is held against
/// a replay of the very lines on record.
/// </summary>
public sealed class WholeBookResultsTests : IAsyncLifetime
{
    private readonly Installation _home = new();

    public ValueTask InitializeAsync() => _home.InitializeAsync();

    public ValueTask DisposeAsync() => _home.DisposeAsync();

    [Fact]
    public async Task Page_and_csv_say_what_the_replay_says()
    {
        var cards = await _home.WithAsync<TallyDb, List<string>>(db => db.Cards.Select(card => card.Id).Order().ToListAsync());
        var games = 0;
        foreach (var (index, card) in cards.Index())
        {
            var practice = await RunAsync(card, index);
            games += await HeldAsync(practice, card);
        }

        Assert.True(cards.Count >= 39 && games > 10, $"{cards.Count} cards, {games} further games");
    }

    private async Task<int> RunAsync(string card, int seed)
    {
        var put = await _home.WithAsync<BlockWriter, Result<int>>(blocks =>
            blocks.AddAsync(new DrillLine(null, card, 8, 2, new Dictionary<string, string>()))
        );
        var practice = put.Require();
        Assert.Null(await _home.WithAsync<PracticeStart, Fault?>(async start => (await start.BeginAsync(practice)).FirstFault));
        var stored = await _home.WithAsync<RunStore, IReadOnlyList<StoredRun>>(runs => runs.OfAsync(practice));
        var live = new LivePractice(new DeviceId("thumb"), [.. stored.Select(run => new LiveRun("", run.Fold()))]);
        var draw = new SeededDraw(seed, 11);
        var now = 0L;
        foreach (var run in live.Runs)
        {
            live.Execute(RunCommand.Start, new Instant(now));
            for (var step = 0; step < 40; step++)
            {
                now += 9000;
                live.AppendDue(new Instant(now));
                foreach (var sheet in run.Sheets)
                {
                    live.Again(sheet.Id, draw.Below(2) == 0, false, new Instant(now += 10));
                    Touch(live, sheet, draw, new Instant(now += 10));
                }
            }

            live.See("Loose ball", null, new Instant(now += 10));
            live.Execute(RunCommand.End, new Instant(now += 1000));
        }

        foreach (var sheet in live.Runs.SelectMany(run => run.Sheets))
        {
            await _home.WithAsync<EventJournal, Appended>(journal => journal.AppendAsync(sheet.Id, [.. sheet.Sheet.Log.Events]));
        }

        return practice;
    }

    private static void Touch(LivePractice live, RunSheet sheet, SeededDraw draw, Instant now)
    {
        var stage = sheet.Sheet.Stage;
        var units = sheet.Sheet.UnitsOn;
        if (stage.Outcomes.Count == 0 || units.Count == 0)
        {
            return;
        }

        var unit = sheet.Sheet.Score.Turn ?? units[(int)draw.Below(units.Count)].Id;
        var outcome = stage.Outcomes[(int)draw.Below(stage.Outcomes.Count)];
        var zone = stage.Targets is { } targets ? targets.Names[(int)draw.Below(targets.Names.Count)] : null;
        live.Tap(
            sheet.Id,
            new TapCommand(unit, zone is null ? outcome.Id : null, zone, null, outcome.Reading is null ? null : 5 + draw.Below(20)),
            now
        );
    }

    /// <returns>How many further games were played.</returns>
    private async Task<int> HeldAsync(int practice, string card)
    {
        var visitor = _home.Visit();
        var page = await visitor.OpenAsync($"/results/{practice}");
        using var file = await visitor.Http.GetAsync(new Uri($"/results/{practice}?handler=Csv", UriKind.Relative));
        using var reader = new CsvReader(new StringReader(await file.Content.ReadAsStringAsync()), CultureInfo.InvariantCulture);
        var rows = reader.GetRecords<dynamic>().Select(row => (IDictionary<string, object>)row).ToArray();
        var stored = await _home.WithAsync<RunStore, IReadOnlyList<StoredRun>>(runs => runs.OfAsync(practice));
        var (further, expected) = (0, 0);
        foreach (var (run, table) in stored.Zip(page.QuerySelectorAll(".drill-results section")))
        {
            foreach (var sheet in run.Sheets)
            {
                var live = sheet.Fold();
                var report = live.Score.Report(live.Log.LastAt);
                var replay = JsonNode.Parse(ReplayWriter.Write(report))!;
                var games = (replay["earlier"]?.AsArray() ?? []).Append(replay).Select(game => game!).ToArray();
                games = report.Games.Count < games.Length ? games[..^1] : games;
                further += games.Length - 1;
                foreach (var (number, game) in games.Index())
                {
                    foreach (var unit in game["units"]!.AsArray())
                    {
                        expected++;
                        Assert.Single(
                            rows,
                            row => Is(row, sheet.Row.Name, live.Stage.Name, unit!, games.Length > 1 ? number + 1 : null)
                        );
                    }
                }
            }

            HeldPage(table, run, card);
        }

        Assert.Equal(expected, rows.Length);
        Assert.Equal(
            stored.Count,
            page.QuerySelectorAll(".seen li").Single().TextContent.Split(' ')[2].TrimEnd(':') is var n
                ? int.Parse(n, CultureInfo.InvariantCulture)
                : 0
        );
        return further;
    }

    private static bool Is(IDictionary<string, object> row, string sheet, string stage, JsonNode unit, int? game) =>
        (string)row["Group"] == sheet
        && (string)row["Part"] == stage
        && (string)row["Id"] == (string?)unit["id"]
        && (string)row["Game"] == (game is { } number ? $"{number}" : "")
        && Number(row["Points"]) == (double)unit["points"]!
        && Number(row["Tries"]) == (double)unit["attempts"]!
        && Number(row["Made"]) == (double)unit["successes"]!
        && Number(row["Void"]) == (double)unit["voids"]!
        && Number(row["Outs"]) == (double)unit["outs"]!
        && Number(row["Seconds"]) == (double)unit["seconds"]!
        && Number(row["Readings"]) == (double)unit["readings"]!["n"]!;

    private static double Number(object text) => double.Parse((string)text, CultureInfo.InvariantCulture);

    /// <summary>Makes and goes of each line of the page are those of all games together; who is first won most games.</summary>
    private static void HeldPage(AngleSharp.Dom.IElement table, StoredRun run, string card)
    {
        var reports = run.Sheets.Select(sheet => sheet.Fold()).Select(live => live.Score.Report(live.Log.LastAt)).ToArray();
        var goes = reports.SelectMany(report => report.Games).SelectMany(game => game.Units).Sum(unit => unit.Attempts);
        var told = table
            .QuerySelectorAll("tbody td.num small")
            .Sum(small => int.Parse(small.TextContent.Trim().Split(' ')[^1], CultureInfo.InvariantCulture));
        if (run.Sheets[0].Card.Stages[run.Sheets[0].Head.Stage].Outcomes.Any(outcome => outcome.Result == OutcomeResult.Failure))
        {
            Assert.True(goes == told, $"{card}: {goes} goes, the page says {told}");
        }

        var won = table.QuerySelectorAll(".result-table tbody tr").Select(row => row.QuerySelectorAll("td")).ToArray();
        if (table.QuerySelectorAll("th").Any(head => head.TextContent == "Games won"))
        {
            var column =
                table.QuerySelectorAll(".result-table thead th").Index().First(head => head.Item.TextContent == "Games won").Index
                - 1;
            var counts = won.Select(cells => int.TryParse(cells[column].TextContent.Trim(), out var count) ? count : 0).ToArray();
            Assert.Equal(counts.OrderDescending(), counts);
        }
    }
}
