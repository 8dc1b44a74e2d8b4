using System.Text.Json.Nodes;
using KeepTally.Core.Faults;
using KeepTally.Store.Database;
using KeepTally.Store.Practices;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Tests.Practices;

/// <summary>The practice as the run screen hands it to the core in the browser.</summary>
public sealed class PracticeTextTests : IAsyncLifetime
{
    private const string Name = "</script><b id=\"out\">Ada</b><!-- <script>";

    private readonly Installation _home = Installation.Whole();
    private int _practice;

    public async ValueTask InitializeAsync()
    {
        await _home.InitializeAsync();
        _practice = await _home.WithAsync<TallyDb, int>(async db =>
        {
            await db
                .Players.Where(player => player.Name.StartsWith("Ada"))
                .ExecuteUpdateAsync(set => set.SetProperty(player => player.Name, Name));
            return await db.Practices.Where(each => each.Date == new DateOnly(2026, 9, 3)).Select(each => each.Id).SingleAsync();
        });
        Assert.Null(await _home.WithAsync<PracticeStart, Fault?>(async start => (await start.BeginAsync(_practice)).FirstFault));
    }

    public ValueTask DisposeAsync() => _home.DisposeAsync();

    [Theory]
    [InlineData("run")]
    [InlineData("board")]
    public async Task No_name_ends_the_script_it_stands_in(string screen)
    {
        var page = await _home.Visit().OpenAsync($"/{screen}/{_practice}");
        var heads = Sheets(Text(page)).Select(sheet => (string)sheet["head"]!);

        Assert.Null(page.QuerySelector("#out"));
        Assert.Contains(
            heads,
            head => JsonNode.Parse(head)!["units"]!.AsArray().Any(unit => (string?)unit!["name"] == Name || InGroup(unit))
        );

        static bool InGroup(JsonNode? unit) => unit!["people"]?.AsArray().Any(person => (string?)person!["name"] == Name) ?? false;
    }

    [Fact]
    public async Task A_card_is_brought_once_however_many_stops_of_a_circuit_are_kept_by_it()
    {
        var text = Text(await _home.Visit().OpenAsync($"/run/{_practice}"));
        var stops = Sheets(text).Where(sheet => sheet["stop"] is not null).ToArray();
        var brought = stops.Where(sheet => sheet["card"] is not null).ToArray();

        Assert.NotEmpty(stops);
        Assert.Equal(brought.Length, brought.Select(sheet => (string)sheet["card"]!).Distinct().Count());
        Assert.True(brought.Length < stops.Length);
        Assert.All(stops, stop => Assert.Contains(brought, sheet => (string)sheet["id"]! == (string)stop["cardOf"]!));
    }

    private static JsonNode Text(AngleSharp.Html.Dom.IHtmlDocument page) =>
        JsonNode.Parse(page.QuerySelector("script#practice")!.TextContent)!;

    private static IEnumerable<JsonNode> Sheets(JsonNode practice) =>
        practice["runs"]!.AsArray().SelectMany(run => run!["sheets"]!.AsArray()).Select(sheet => sheet!);
}
