using System.Text.Json;
using AngleSharp.Html.Dom;
using KeepTally.Core.Faults;
using KeepTally.Store.Database;
using KeepTally.Store.Demo;
using KeepTally.Store.Practices;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Tests.Practices;

/// <summary>Bests of earlier practices go out with the run screen, so that they are known without a network, and with no board.</summary>
public sealed class BestTests(BestTests.Club club) : IClassFixture<BestTests.Club>
{
    private static JsonElement[] SheetsOf(IHtmlDocument page) =>
        [
            .. JsonDocument
                .Parse(page.GetElementById("practice")!.TextContent)
                .RootElement.GetProperty("runs")
                .EnumerateArray()
                .SelectMany(run => run.GetProperty("sheets").EnumerateArray()),
        ];

    private static bool HasBests(JsonElement sheet) =>
        sheet.TryGetProperty("bests", out var bests) && bests.ValueKind == JsonValueKind.Object;

    [Fact]
    public async Task Like_is_held_against_like_and_the_squads_best_is_the_best_of_its_own()
    {
        var known = SheetsOf(await club.Home.Visit().OpenAsync($"/run/{club.Practice}")).Where(HasBests).ToArray();
        Assert.NotEmpty(known);
        Assert.All(
            known,
            sheet =>
            {
                var own = sheet
                    .GetProperty("bests")
                    .GetProperty("own")
                    .EnumerateObject()
                    .Select(each => each.Value.GetDouble())
                    .ToArray();
                var squad = sheet.GetProperty("bests").GetProperty("squad").GetDouble();
                Assert.True(own.Max() == squad || own.Min() == squad);
            }
        );
    }

    /// <summary>Who watches has no word to say to the clock: what a button did there nobody would hear.</summary>
    [Fact]
    public async Task The_players_board_has_no_button_for_the_clock()
    {
        Assert.NotEmpty((await club.Home.Visit().OpenAsync($"/run/{club.Practice}")).QuerySelectorAll("#clock [data-command]"));
        Assert.Empty((await club.Home.Visit().OpenAsync($"/board/{club.Practice}")).QuerySelectorAll("[data-command]"));
    }

    [Fact]
    public async Task The_players_board_is_sent_none() =>
        Assert.DoesNotContain(SheetsOf(await club.Home.Visit().OpenAsync($"/board/{club.Practice}")), HasBests);

    /// <summary>The whole demo with its past, today's practice begun.</summary>
    public sealed class Club : IAsyncLifetime
    {
        public Installation Home { get; } = Installation.Whole();

        public int Practice { get; private set; }

        public async ValueTask InitializeAsync()
        {
            await Home.InitializeAsync();
            await Home.WithAsync<DemoPast, bool>(async past =>
            {
                await past.SeedAsync(CancellationToken.None);
                return true;
            });
            var today = DateOnly.FromDateTime(Home.Clock.GetUtcNow().DateTime);
            Practice = await Home.WithAsync<TallyDb, int>(db =>
                db.Practices.Where(practice => practice.Date == today).Select(practice => practice.Id).FirstAsync()
            );
            await Home.WithAsync<PracticeStart, Fault?>(async start => (await start.BeginAsync(Practice)).FirstFault);
        }

        public async ValueTask DisposeAsync() => await Home.DisposeAsync();
    }
}
