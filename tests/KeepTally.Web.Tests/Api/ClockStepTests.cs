using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json;
using KeepTally.Store.Database;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Tests.Api;

/// <summary>The clock of the machine is set while practice runs: by hand, by the network, or by a restart without a battery.</summary>
public sealed class ClockStepTests : IAsyncLifetime
{
    private readonly Installation _home = new();

    public ValueTask InitializeAsync() => _home.InitializeAsync();

    public ValueTask DisposeAsync() => _home.DisposeAsync();

    private int _n;

    private async Task<long> SharedAsync()
    {
        using var answer = await _home.Visit().Http.GetAsync(new Uri("/api/time", UriKind.Relative));
        return (await answer.Content.ReadFromJsonAsync<JsonElement>()).GetProperty("now").GetInt64();
    }

    private async Task<HttpStatusCode> TapAsync(string sheet)
    {
        var origin = await _home.WithAsync<TallyDb, long>(async db => (await db.Runs.FirstAsync()).Origin.UnixMilliseconds);
        var unit = await _home.WithAsync<TallyDb, string>(async db =>
            "p" + (await db.Players.FirstAsync(player => player.Name == "Ada Fenwick")).Id
        );
        var line =
            $$"""{"device":"phone","n":{{++_n}},"at":{{await SharedAsync() - origin}},"type":"tap","unit":"{{unit}}","outcome":"clean"}""";
        using var content = new StringContent(line, Encoding.UTF8, "application/x-ndjson");
        using var answer = await _home.Visit().Http.PostAsync(new Uri($"/api/sheets/{sheet}/events", UriKind.Relative), content);
        return answer.StatusCode;
    }

    [Theory]
    [InlineData(-30)]
    [InlineData(30)]
    [InlineData(-3600)]
    [InlineData(3600)]
    [InlineData(-86_400)]
    [InlineData(86_400)]
    public async Task A_step_in_mid_drill_moves_no_clock_and_loses_no_tap(int seconds)
    {
        var sheet = (await _home.BegunAsync())[0];
        _home.Clock.Advance(TimeSpan.FromSeconds(20));
        Assert.Equal(HttpStatusCode.OK, await TapAsync(sheet));
        var before = await SharedAsync();

        _home.Clock.Step(TimeSpan.FromSeconds(seconds));

        Assert.InRange(await SharedAsync() - before, 0, 50);
        for (var n = 0; n < 10; n++)
        {
            _home.Clock.Advance(TimeSpan.FromSeconds(1));
            Assert.Equal(HttpStatusCode.OK, await TapAsync(sheet));
        }

        Assert.InRange(await SharedAsync() - before, 10_000, 10_050);
        Assert.Equal(11, await _home.WithAsync<TallyDb, int>(db => db.Events.CountAsync()));
    }

    [Fact]
    public async Task A_restart_with_the_clock_set_back_goes_on_from_the_record()
    {
        var sheet = (await _home.BegunAsync())[0];
        _home.Clock.Advance(TimeSpan.FromMinutes(20));
        Assert.Equal(HttpStatusCode.OK, await TapAsync(sheet));
        var before = await SharedAsync();

        await _home.StopAsync();
        _home.Clock.Step(TimeSpan.FromHours(-1));
        await _home.StartAsync();

        Assert.InRange(await SharedAsync() - before, 0, 50);
        _home.Clock.Advance(TimeSpan.FromSeconds(1));
        Assert.Equal(HttpStatusCode.OK, await TapAsync(sheet));
    }

    [Fact]
    public async Task A_record_of_a_clock_that_was_a_day_ahead_is_not_followed()
    {
        var sheet = (await _home.BegunAsync())[0];
        _home.Clock.Advance(TimeSpan.FromDays(1));
        Assert.Equal(HttpStatusCode.OK, await TapAsync(sheet));

        await _home.StopAsync();
        _home.Clock.Step(TimeSpan.FromDays(-1));
        await _home.StartAsync();

        Assert.Equal(_home.Clock.GetUtcNow().ToUnixTimeMilliseconds(), await SharedAsync());
    }

    [Theory]
    [InlineData(5)]
    [InlineData(-5)]
    public async Task A_practice_begins_by_the_time_of_day_that_the_machine_has_learnt_since_it_started(int hours)
    {
        _home.Clock.Step(TimeSpan.FromHours(hours));

        await _home.BegunAsync();

        Assert.Equal(
            _home.Clock.GetUtcNow().ToUnixTimeMilliseconds(),
            await _home.WithAsync<TallyDb, long>(async db => (await db.Runs.FirstAsync()).Origin.UnixMilliseconds)
        );
    }
}
