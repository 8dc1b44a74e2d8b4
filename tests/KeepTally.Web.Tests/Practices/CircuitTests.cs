using KeepTally.Core.Archive;
using KeepTally.Core.Circuits;
using KeepTally.Core.Dealing;
using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Formats;
using KeepTally.Core.Identity;
using KeepTally.Core.Reports;
using KeepTally.Core.Time;
using KeepTally.Store.Database;
using KeepTally.Store.Events;
using KeepTally.Store.Planning;
using KeepTally.Store.Practices;
using KeepTally.Store.Results;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Tests.Practices;

/// <summary>Circuits from the timing sheet to the results.</summary>
public sealed class CircuitTests : IAsyncLifetime
{
    private static readonly string[] Cards = ["minute-trios", "three-gates", "habit-pairs"];

    private readonly Installation _home = new();
    private int _practice;

    public async ValueTask InitializeAsync()
    {
        await _home.InitializeAsync();
        _practice = await _home.PracticeAsync();
    }

    public ValueTask DisposeAsync() => _home.DisposeAsync();

    private async Task<int> PutAsync(bool reverse = false, bool coachesMove = false, int groups = 4)
    {
        var line = new CircuitLine(_practice, Cards, 3.5, 30, groups, reverse, coachesMove);
        var added = await _home.WithAsync<CircuitWriter, Result<int>>(sheet => sheet.AddAsync(line));
        Assert.Equal(_practice, added.Require());
        return await _home.WithAsync<TallyDb, int>(db =>
            db.Blocks.OrderBy(block => block.Order).Select(block => block.Id).LastAsync()
        );
    }

    private async Task<SheetRow[]> BegunAsync(int block)
    {
        await _home.BegunAsync();
        return await _home.WithAsync<TallyDb, SheetRow[]>(db =>
            db.Sheets.Where(sheet => sheet.Run!.BlockId == block).OrderBy(sheet => sheet.Order).ToArrayAsync()
        );
    }

    [Fact]
    public async Task Four_groups_at_three_stations_rest_once_and_meet_every_station_once()
    {
        var sheets = await BegunAsync(await PutAsync());

        Assert.Single(sheets, sheet => sheet.Stop is null);
        var stops = sheets.Select(sheet => sheet.Stop).OfType<CircuitStop>().ToArray();
        Assert.Equal(12, stops.Length);
        Assert.All(stops.GroupBy(stop => stop.Group), group => Assert.Equal([0, 1, 2], group.Select(stop => stop.Station).Order()));
        Assert.All(stops.GroupBy(stop => (stop.Round, stop.Station)), stop => Assert.Single(stop));
        Assert.All(
            sheets.Where(sheet => sheet.Stop is not null),
            sheet => Assert.Equal(HeadReader.Read(sheet.HeadJson).Require().Drill, CardReader.Read(sheet.CardJson!).Require().Id)
        );
    }

    [Theory]
    [InlineData(false, false, "0 1 2 -")]
    [InlineData(true, false, "0 - 2 1")]
    [InlineData(false, true, "0 - 2 1")] // the coaches go on, so to a group the drills come the other way
    [InlineData(true, true, "0 1 2 -")]
    public async Task The_way_round_is_as_asked(bool reverse, bool coachesMove, string expected)
    {
        var sheets = await BegunAsync(await PutAsync(reverse, coachesMove));

        var way = sheets
            .Select(sheet => sheet.Stop)
            .OfType<CircuitStop>()
            .Where(stop => stop.Group == 0)
            .ToLookup(stop => stop.Round);
        Assert.Equal(
            expected,
            string.Join(' ', Enumerable.Range(1, 4).Select(round => way[round].Any() ? $"{way[round].Single().Station}" : "-"))
        );
    }

    [Fact]
    public async Task It_takes_its_stations_and_the_changes_between_them()
    {
        // Four stations of three and a half minutes are fourteen minutes and the changes (common practice); here three
        // stations and a rest for four groups, with three changes of half a minute.
        var block = await PutAsync();

        Assert.Equal(
            15.5,
            await _home.WithAsync<TallyDb, double>(db =>
                db.Blocks.Where(each => each.Id == block).Select(each => each.Minutes).SingleAsync()
            )
        );
    }

    [Fact]
    public async Task A_circuit_that_was_not_reached_comes_back_with_all_its_stations()
    {
        await BegunAsync(await PutAsync());
        var team = await _home.WithAsync<TallyDb, int>(db => db.Practices.Select(practice => practice.TeamId).FirstAsync());
        var next = (await _home.WithAsync<BlockWriter, int?>(blocks => blocks.BeginAsync(team)))!.Value;
        _home.Clock.Advance(TimeSpan.FromDays(1));

        var planned = await _home.WithAsync<PracticeBook, Practice?>(book => book.FindAsync(next));
        var offered = await _home.WithAsync<UnreachedDrills, IReadOnlyList<Block>>(drills => drills.ForAsync(planned!));
        var circuit = offered.Single(block => block.Circuit is not null);
        Assert.True(await _home.WithAsync<UnreachedDrills, bool>(async drills => (await drills.PutInAsync(next, circuit.Id)).IsOk));

        var written = await _home.WithAsync<PracticeBook, Practice?>(book => book.FindAsync(next));
        Assert.Equal(
            circuit.Circuit!.Stations.Select(station => station.CardVersionId),
            written!.Blocks.Single().Circuit!.Stations.Select(station => station.CardVersionId)
        );
        Assert.False(
            await _home.WithAsync<UnreachedDrills, bool>(async drills => (await drills.PutInAsync(next, circuit.Id)).IsOk)
        );
    }

    [Fact]
    public async Task Results_stand_station_by_station_over_all_groups_and_the_card_knows_it_was_done()
    {
        var sheets = await BegunAsync(await PutAsync());
        var gates = sheets.Where(sheet => sheet.Stop?.Station == 1).ToArray();
        foreach (var sheet in gates)
        {
            var head = HeadReader.Read(sheet.HeadJson).Require();
            await _home.WithAsync<EventJournal, Appended>(journal =>
                journal.AppendAsync(
                    new SheetId(sheet.Id),
                    [
                        new RunEvent.Start(new(EventId.CircuitDevice, 0), new Instant(0)),
                        new RunEvent.Tap(new(new DeviceId("t"), 1), new Instant(9000), head.Units[0].Id, "make", null, null, null),
                    ]
                )
            );
        }

        var drills = await _home.WithAsync<PracticeResults, IReadOnlyList<DrillResult>>(results => results.OfAsync(_practice));

        Assert.Equal(
            ["Minute trios", "Three gates", "Habit pairs"],
            drills.Where(drill => drill.Station is not null).Select(drill => drill.Card.Name)
        );
        var done = drills.Single(drill => drill.Station == 1);
        Assert.Equal(12, done.Rows.Count);
        Assert.Equal(["A", "B", "C", "D"], done.Rows.Select(row => row.Sheet.Name).Distinct().Order());
        // Nobody did anything at a station that was not reached.
        Assert.Empty(drills.Single(drill => drill.Station == 0).Jobs);
        Assert.Equal(4, done.Rows.Count(row => row.Report.Successes == 1));
        Assert.Contains(
            "3 September",
            (await _home.Visit().OpenAsync("/drills/habit-pairs")).QuerySelector("main")!.TextContent,
            StringComparison.Ordinal
        );
        Assert.Contains(
            "Three gates",
            (await _home.Visit().OpenAsync($"/results/{_practice}")).QuerySelector("main")!.TextContent,
            StringComparison.Ordinal
        );

        // A station is judged by the other rules as a drill is: by one make a step, who made one has cleared it.
        var judged = await _home
            .Visit()
            .OpenAsync($"/results/{_practice}/rescore/{done.RunId}?station=1&number.stages[0].ladder.pass.successes=1");
        Assert.Equal(
            Enumerable.Repeat("1", 4),
            judged
                .QuerySelectorAll("tbody tr")
                .Select(row => row.QuerySelectorAll("td")[4].TextContent.Trim())
                .Where(cleared => cleared == "1")
        );
        using var whole = await _home
            .Visit()
            .Http.GetAsync(new Uri($"/results/{_practice}/rescore/{done.RunId}", UriKind.Relative));
        Assert.Equal(System.Net.HttpStatusCode.NotFound, whole.StatusCode);
    }

    [Fact]
    public async Task A_circuit_goes_out_whole_and_in_again()
    {
        await BegunAsync(await PutAsync());
        var practice = await _home.WithAsync<PracticeBook, Practice?>(book => book.FindAsync(_practice));
        var archive = await _home.WithAsync<PracticeExport, PracticeArchive?>(export => export.OfAsync(practice!));
        var text = ArchiveWriter.Write(archive!);
        var team = await _home.WithAsync<TallyDb, int>(db => db.Teams.Select(each => each.Id).OrderBy(each => each).LastAsync());
        var taken = await _home.WithAsync<PracticeImport, Result<int>>(import =>
            import.TakeAsync(team, ArchiveReader.Read(text).Require())
        );
        var there = await _home.WithAsync<PracticeBook, Practice?>(book => book.FindAsync(taken.Require()));

        Assert.Equal(practice!.Blocks.Count, there!.Blocks.Count);
        var circuit = Assert.Single(there.Blocks, block => block.Circuit is not null);
        var was = practice.Blocks.Single(block => block.Circuit is not null);
        Assert.Equal(
            was.Circuit!.Stations.OrderBy(station => station.Order).Select(station => (station.CardVersionId, station.Stage)),
            circuit.Circuit!.Stations.OrderBy(station => station.Order).Select(station => (station.CardVersionId, station.Stage))
        );
        Assert.Equal(
            (was.Circuit.MinutesEach, was.Circuit.ChangeSeconds),
            (circuit.Circuit.MinutesEach, circuit.Circuit.ChangeSeconds)
        );
        var again = await _home.WithAsync<PracticeExport, PracticeArchive?>(export => export.OfAsync(there));
        Assert.Equal(
            archive!.Blocks.SelectMany(block => block.Sheets).Select(sheet => (sheet.Name, sheet.Stop)),
            again!.Blocks.SelectMany(block => block.Sheets).Select(sheet => (sheet.Name, sheet.Stop))
        );
    }

    [Fact]
    public async Task A_limit_keeps_a_player_from_a_station_and_not_from_the_group()
    {
        var bea = await _home.WithAsync<TallyDb, int>(db =>
            db.Players.Where(player => player.Name == "Bea Marlowe").Select(player => player.Id).SingleAsync()
        );
        await _home.WithAsync<PracticeBook, bool>(book => book.LimitAsync(_practice, bea, Restrictions.NoThrowing));
        var sheets = await BegunAsync(await PutAsync());

        int Stands(int station) =>
            sheets.Count(sheet =>
                sheet.Stop?.Station == station
                && HeadReader.Read(sheet.HeadJson).Require().Units.Any(unit => unit.Id.Value == $"p{bea}")
            );
        Assert.Equal((0, 0, 1), (Stands(0), Stands(1), Stands(2)));
    }

    [Fact]
    public async Task The_pages_show_the_grid_the_groups_and_a_card_for_each_station()
    {
        var block = await PutAsync();
        var visitor = _home.Visit();

        var grid = await visitor.OpenAsync($"/circuit/{block}");
        Assert.Equal(4, grid.QuerySelectorAll(".circuit-grid tbody tr").Length);
        Assert.Equal(
            ["A", "B", "C", "D"],
            grid.QuerySelectorAll(".circuit-grid tbody tr:first-child td").Select(cell => cell.TextContent.Trim())
        );
        Assert.Equal(
            ["3 Habit pairs. Three players: only two of them get a go as doer and two as watcher, over two changes."],
            grid.QuerySelectorAll(".fair").Select(line => line.TextContent)
        );
        var cards = await visitor.OpenAsync($"/circuit/{block}/cards");
        Assert.Equal(3, cards.QuerySelectorAll(".station-card").Length);
        await _home.BegunAsync();
        Assert.Equal(4, (await visitor.OpenAsync($"/circuit/{block}")).QuerySelectorAll(".dealt dd").Length);
        Assert.NotNull((await visitor.OpenAsync($"/board/{_practice}")).GetElementById("practice"));
    }

    [Fact]
    public async Task A_circuit_with_a_station_left_open_is_not_put_anywhere()
    {
        var visitor = _home.Visit();
        var page = await visitor.OpenAsync($"/circuit/new?practice={_practice}");
        using var answer = await visitor.PostAsync(page, "#circuit", "/circuit/new", ("Form.Cards", "three-gates"));

        Assert.Contains(
            "2 to 12 stations",
            (await Visitor.ParsedAsync(answer)).QuerySelector(".says")!.TextContent,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task Erasing_a_player_leaves_no_name_on_any_bench()
    {
        await BegunAsync(await PutAsync());
        var mina = await _home.WithAsync<TallyDb, int>(db =>
            db.Players.Where(player => player.Name == "Mina Osgood").Select(player => player.Id).SingleAsync()
        );

        Assert.True(await _home.WithAsync<PlayerErasure, bool>(erasure => erasure.EraseAsync(mina)));

        var heads = await _home.WithAsync<TallyDb, List<string>>(db => db.Sheets.Select(sheet => sheet.HeadJson).ToListAsync());
        Assert.DoesNotContain(heads, head => head.Contains("Mina", StringComparison.Ordinal));
    }
}
