using System.Net;
using KeepTally.Store.Database;
using KeepTally.Web.Tests.Results;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Tests.Store;

/// <summary>How many commands a page or an edit sends to the database, whatever its length.</summary>
public sealed class CommandCountTests(PastPageTests.Club club) : IClassFixture<PastPageTests.Club>
{
    private const int MostOfPage = 12;

    [Theory]
    [InlineData("/")]
    [InlineData("/drills")]
    [InlineData("/plan")]
    [InlineData("/plan/1")]
    [InlineData("/results")]
    [InlineData("/squad")]
    [InlineData("/squad/season")]
    [InlineData("/squad/coverage")]
    [InlineData("/players/3")]
    [InlineData("/drills/three-gates")]
    [InlineData("/drills/three-gates/past")]
    public async Task A_page_asks_the_database_a_few_times(string path)
    {
        var coach = club.Home.Visit();
        await coach.OpenAsync(path);
        club.Home.Commands.Take();
        await coach.OpenAsync(path);
        var commands = club.Home.Commands.Take();
        Assert.True(commands.Count <= MostOfPage, $"{path}: {commands.Count} commands\n{string.Join("\n", commands)}");
    }

    [Fact]
    public async Task A_page_of_results_asks_as_often_for_many_drills_as_for_one()
    {
        var id = await club.Home.WithAsync<TallyDb, int>(db =>
            db.Practices.Where(practice => practice.Blocks.Any(block => block.Run != null))
                .OrderBy(practice => practice.Date)
                .Select(practice => practice.Id)
                .FirstAsync()
        );
        await A_page_asks_the_database_a_few_times($"/results/{id}");
        await A_page_asks_the_database_a_few_times($"/results/{id}/report");
    }

    /// <summary>As htmx sends it, the sheet is shown anew in the same answer.</summary>
    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public async Task A_press_on_the_timing_sheet_opens_it_once(bool byScript)
    {
        var coach = club.Home.Visit();
        if (byScript)
        {
            coach.Http.DefaultRequestHeaders.Add("HX-Request", "true");
        }

        var page = await coach.OpenAsync("/plan/1");
        var key = page.QuerySelector("[data-key]")!.GetAttribute("data-key");
        club.Home.Commands.Take();
        using var answer = await coach.SendAsync(page, "#timing-form", $"/plan/1?handler=Act&key={key}&act=Longer");
        var commands = club.Home.Commands.Take();
        Assert.True(answer.StatusCode is HttpStatusCode.OK or HttpStatusCode.Redirect);
        Assert.True(commands.Count <= MostOfPage, $"{commands.Count} commands\n{string.Join("\n", commands)}");
    }
}
