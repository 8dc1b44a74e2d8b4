using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json;
using KeepTally.Store.Database;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Tests.Practices;

/// <summary>A player who is not in the squad joins a practice that runs.</summary>
public sealed class GuestTests : IAsyncLifetime
{
    private readonly Installation _home = new();

    public async ValueTask InitializeAsync() => await _home.InitializeAsync();

    public async ValueTask DisposeAsync() => await _home.DisposeAsync();

    private async Task<(HttpStatusCode Status, JsonElement Body)> WelcomeAsync(int practice, string name)
    {
        using var answer = await _home
            .Visit()
            .Http.PostAsJsonAsync(new Uri($"/api/practices/{practice}/guests", UriKind.Relative), new { name });
        return (answer.StatusCode, await answer.Content.ReadFromJsonAsync<JsonElement>());
    }

    private async Task<HttpStatusCode> ComesInAsync(string sheet, string player)
    {
        using var content = new StringContent(
            $$"""{"device":"g","n":1,"at":1000,"type":"sub","in":"{{player}}"}""",
            Encoding.UTF8,
            "application/x-ndjson"
        );
        using var answer = await _home.Visit().Http.PostAsync(new Uri($"/api/sheets/{sheet}/events", UriKind.Relative), content);
        return answer.StatusCode;
    }

    [Fact]
    public async Task A_guest_comes_in_where_a_stranger_may_not_is_in_the_results_and_in_no_squad()
    {
        var sheets = await _home.BegunAsync();
        var practice = await _home.PracticeAsync();
        // The rules of the sheet are in use before: what is remembered of them must not keep the guest out.
        Assert.Equal(HttpStatusCode.UnprocessableEntity, await ComesInAsync(sheets[0], "p4711"));

        var (status, body) = await WelcomeAsync(practice, "  Nia Farrow ");
        var guest = body.GetProperty("player").GetString()!;
        Assert.Equal((HttpStatusCode.OK, "Nia Farrow"), (status, body.GetProperty("name").GetString()));
        Assert.Equal(HttpStatusCode.OK, await ComesInAsync(sheets[0], guest));
        Assert.Equal(guest, (await WelcomeAsync(practice, "Nia Farrow")).Body.GetProperty("player").GetString());

        var team = await _home.WithAsync<TallyDb, int>(db =>
            db.Practices.Where(each => each.Id == practice).Select(each => each.TeamId).SingleAsync()
        );
        Assert.DoesNotContain(
            await _home.WithAsync<SquadBook, List<Player>>(squad => squad.ListAsync(team)),
            player => player.Name == "Nia Farrow"
        );
        var heads = await _home.WithAsync<TallyDb, List<string>>(db =>
            db.Sheets.Where(sheet => sheet.Run!.Block!.PracticeId == practice).Select(sheet => sheet.HeadJson).ToListAsync()
        );
        Assert.All(heads, head => Assert.Contains("Nia Farrow", head, StringComparison.Ordinal));
    }

    [Fact]
    public async Task Who_is_erased_is_in_no_cue_either()
    {
        var sheets = await _home.BegunAsync();
        var practice = await _home.PracticeAsync();
        var guest = (await WelcomeAsync(practice, "Nia Farrow")).Body.GetProperty("player").GetString()!;
        using var content = new StringContent(
            """{"device":"g","n":1,"at":1000,"type":"cue","text":"Wait for Nia"}"""
                + "\n"
                + """{"device":"g","n":2,"at":1001,"type":"cue","text":"Low"}""",
            Encoding.UTF8,
            "application/x-ndjson"
        );
        using (await _home.Visit().Http.PostAsync(new Uri($"/api/sheets/{sheets[0]}/events", UriKind.Relative), content)) { }

        Assert.True(
            await _home.WithAsync<PlayerErasure, bool>(erasure =>
                erasure.EraseAsync(int.Parse(guest[1..], System.Globalization.CultureInfo.InvariantCulture))
            )
        );
        var lines = await _home.WithAsync<TallyDb, List<string>>(db => db.Events.Select(row => row.Line).ToListAsync());
        Assert.DoesNotContain(lines, line => line.Contains("Nia", StringComparison.Ordinal));
        Assert.Contains(lines, line => line.Contains("\"Low\"", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("")]
    [InlineData("   ")]
    [InlineData("Ada Fenwick")]
    public async Task A_guest_without_a_name_or_of_the_squad_is_refused_in_words(string name)
    {
        await _home.BegunAsync();
        var (status, body) = await WelcomeAsync(await _home.PracticeAsync(), name);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        Assert.Equal("name", body.GetProperty("place").GetString());
    }
}
