using System.Net;
using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Formats;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;
using KeepTally.Store.Database;
using KeepTally.Store.Events;
using KeepTally.Store.Planning;
using KeepTally.Store.Practices;
using KeepTally.Web.Pages;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Tests.Pages;

/// <summary>The minutes a block is given and the clock of its card: the difference is said, with a choice.</summary>
public sealed class ClockFitPageTests : IAsyncLifetime
{
    private readonly Installation _home = new();
    private int _practice;

    public async ValueTask InitializeAsync()
    {
        await _home.InitializeAsync();
        var put = await _home.WithAsync<BlockWriter, Result<int>>(blocks =>
            blocks.AddAsync(new DrillLine(null, "minute-trios", 8, 2, new Dictionary<string, string>()))
        );
        _practice = put.Require();
    }

    public ValueTask DisposeAsync() => _home.DisposeAsync();

    private async Task<string> SaidAsync()
    {
        var sheet = await _home.Visit().OpenAsync($"/plan/{_practice}");
        return string.Join(' ', sheet.QuerySelectorAll(".fit span, .fit button").Select(each => each.TextContent.Trim()));
    }

    private Task<int> BlockAsync() =>
        _home.WithAsync<TallyDb, int>(db =>
            db.Blocks.Where(each => each.PracticeId == _practice).Select(each => each.Id).SingleAsync()
        );

    private async Task PressAsync(string way) =>
        await _home.Visit().PostAsync($"/plan/{_practice}?handler=Fit&key={await BlockAsync()}&way={way}", $"/plan/{_practice}");

    private async Task<int> RoundsRunAsync()
    {
        Assert.Null(await _home.WithAsync<PracticeStart, Fault?>(async start => (await start.BeginAsync(_practice)).FirstFault));
        var json = await _home.WithAsync<TallyDb, string>(db =>
            db.Runs.Where(run => run.Block!.PracticeId == _practice).Select(run => run.CardJson).SingleAsync()
        );
        return CardReader.Read(json).Require().Stages[0].Clock!.Rounds;
    }

    [Fact]
    public async Task The_rounds_are_fitted_to_the_minutes_and_run_so()
    {
        Assert.Equal("Its clock runs 3:35. Play 6 rounds Shorten the slot to 4 min", await SaidAsync());
        await PressAsync("Rounds");
        Assert.Equal("6 rounds to fit. As on the card: 3 rounds", await SaidAsync());

        Assert.Equal(6, await RoundsRunAsync());
    }

    [Fact]
    public async Task Or_the_minutes_to_the_rounds()
    {
        await PressAsync("Minutes");
        Assert.Equal("", await SaidAsync());
        Assert.Equal(
            4,
            await _home.WithAsync<TallyDb, double>(db =>
                db.Blocks.Where(block => block.PracticeId == _practice).Select(block => block.Minutes).SingleAsync()
            )
        );
        Assert.Equal(3, await RoundsRunAsync());
    }

    [Fact]
    public async Task The_card_can_be_gone_back_to_and_nothing_is_fitted_once_it_has_begun()
    {
        await PressAsync("Rounds");
        await PressAsync("Card");
        Assert.StartsWith("Its clock runs 3:35.", await SaidAsync(), StringComparison.Ordinal);

        Assert.Equal(3, await RoundsRunAsync());
        var block = await BlockAsync();
        var sheet = await _home.WithAsync<TallyDb, string>(db =>
            db.Sheets.Where(each => each.Run!.BlockId == block).Select(each => each.Id).FirstAsync()
        );
        await _home.WithAsync<EventJournal, Appended>(journal =>
            journal.AppendAsync(new SheetId(sheet), [new RunEvent.Start(new EventId(new DeviceId("a"), 1), Instant.Origin)])
        );
        await PressAsync("Rounds");
        Assert.False(await _home.WithAsync<TallyDb, bool>(db => db.Blocks.AnyAsync(each => each.FitsClock)));
    }

    [Fact]
    public void Who_would_get_no_turn_is_told_and_a_fit_offered_where_there_is_time()
    {
        var stage = CardReader
            .Read(
                """
                {"format":"keep-tally/drill@1","id":"d","name":"D","stages":[{"play":"turns","scores":"group",
                 "outcomes":[{"id":"make","result":"success"}],"clock":{"work":50,"change":10,"rounds":4}}]}
                """
            )
            .Require()
            .Stages[0];

        Assert.Equal("Four rounds for five: one gets no turn.", BlockClock.Of(stage, 5, 4, false).Words);
        Assert.Equal((ClockFitWay.Rounds, "Play 5 rounds"), Assert.Single(BlockClock.Of(stage, 5, 5, false).Ways));
        Assert.Equal("", BlockClock.Of(stage, 4, 4, false).Words);
    }
}
