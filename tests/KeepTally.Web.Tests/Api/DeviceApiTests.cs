using System.Net;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text.Json;
using KeepTally.Store.Database;
using KeepTally.Store.People;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Tests.Api;

/// <summary>A clicker, a gate, a sensor and a scoreboard in a practice under way.</summary>
public sealed class DeviceApiTests : IAsyncLifetime
{
    private readonly Installation _home = new();
    private HttpClient _device = null!;

    public async ValueTask InitializeAsync()
    {
        await _home.InitializeAsync();
        var team = await _home.WithAsync<TallyDb, int>(db => db.Practices.Select(practice => practice.TeamId).FirstAsync());
        var key = await _home.WithAsync<KeyBook, string>(async keys => (await keys.AddAsync(team, "Gate 1")).Require());
        _device = _home.VisitAsNobody().Http;
        _device.DefaultRequestHeaders.Authorization = new AuthenticationHeaderValue("Bearer", key);
    }

    public async ValueTask DisposeAsync() => await _home.DisposeAsync();

    private async Task<JsonElement> NowAsync() =>
        await _device.GetFromJsonAsync<JsonElement>(new Uri("/api/device/now", UriKind.Relative));

    private async Task<(HttpStatusCode Status, JsonElement Body)> SayAsync(object what)
    {
        using var answer = await _device.PostAsJsonAsync(new Uri("/api/device/says", UriKind.Relative), what);
        return (answer.StatusCode, await answer.Content.ReadFromJsonAsync<JsonElement>());
    }

    private static JsonElement SheetOf(JsonElement now, int index) => now.GetProperty("sheets")[index];

    private static string Of(JsonElement element, string name) => element.GetProperty(name).ToString();

    [Fact]
    public async Task Before_a_practice_is_begun_it_is_told_that_nothing_runs()
    {
        Assert.Equal(JsonValueKind.Null, (await NowAsync()).GetProperty("practice").ValueKind);
        var (status, body) = await SayAsync(new { press = 1 });
        Assert.Equal(HttpStatusCode.NotFound, status);
        Assert.Equal("begin a practice, then say it again", Of(body, "mend"));
    }

    [Fact]
    public async Task A_clicker_a_sensor_and_a_scoreboard_take_part_and_what_is_sent_twice_counts_once()
    {
        await _home.BegunAsync();
        Assert.Equal("ready", Of((await NowAsync()).GetProperty("clock"), "state"));
        var (_, started) = await SayAsync(new { clock = "start" });
        Assert.True(started.GetProperty("stored").GetInt32() > 0);
        _home.Clock.Advance(TimeSpan.FromSeconds(8));

        var now = await NowAsync();
        var sheet = SheetOf(now, 0);
        var (id, unit) = (Of(sheet, "sheet"), Of(sheet.GetProperty("units")[0], "id"));
        var made = sheet.GetProperty("outcomes").EnumerateArray().First(each => Of(each, "result") == "success");

        var (_, click) = await SayAsync(
            new
            {
                sheet = id,
                unit,
                press = made.GetProperty("press").GetInt32(),
                n = 1,
            }
        );
        var (_, again) = await SayAsync(
            new
            {
                sheet = id,
                unit,
                press = made.GetProperty("press").GetInt32(),
                n = 1,
            }
        );
        var (_, sensed) = await SayAsync(
            new
            {
                sheet = id,
                unit,
                result = "success",
            }
        );

        Assert.Equal((1, 0, 1), (Stored(click), Stored(again), Stored(sensed)));
        Assert.True(sensed.GetProperty("counts").GetBoolean());
        Assert.True(sensed.GetProperty("n").GetInt32() > 0);
        Assert.Equal(Of(click, "said"), Of(again, "said"));
        var after = SheetOf(await NowAsync(), 0).GetProperty("units")[0];
        Assert.NotEqual(Of(sheet.GetProperty("units")[0], "score"), Of(after, "score"));
    }

    [Fact]
    public async Task A_horn_is_told_ahead_of_what_it_has_to_sound()
    {
        await _home.BegunAsync();
        await SayAsync(new { clock = "start" });
        var first = await NowAsync();
        var signals = first.GetProperty("signals").EnumerateArray().ToArray();
        _home.Clock.Advance(TimeSpan.FromSeconds(2));
        var later = (await NowAsync()).GetProperty("signals").EnumerateArray().ToArray();

        // The same instant on the shared clock, whenever one asks.
        Assert.NotEmpty(signals);
        var last = signals.Last(each => later.Any(other => Of(other, "kind") == Of(each, "kind")));
        Assert.Contains(
            later,
            each =>
                Of(each, "kind") == Of(last, "kind")
                && each.GetProperty("in").GetInt64() == last.GetProperty("in").GetInt64() - 2000
        );

        await SayAsync(new { clock = "stop" });
        Assert.Empty((await NowAsync()).GetProperty("signals").EnumerateArray());
    }

    [Theory]
    [InlineData("""{"sheet":"nowhere","press":1}""", HttpStatusCode.NotFound, "sheet")]
    [InlineData("""{"press":99}""", HttpStatusCode.UnprocessableEntity, "press")]
    [InlineData("""{"press":1,"result":"success"}""", HttpStatusCode.UnprocessableEntity, "outcome")]
    [InlineData("""{"result":"splendid"}""", HttpStatusCode.UnprocessableEntity, "result")]
    [InlineData("""{"value":3.2}""", HttpStatusCode.UnprocessableEntity, "value")]
    [InlineData("""{"outcome":"dunk"}""", HttpStatusCode.UnprocessableEntity, "outcome")]
    [InlineData("""{"clock":"faster"}""", HttpStatusCode.UnprocessableEntity, "clock")]
    [InlineData("""{"press":1,"n":0}""", HttpStatusCode.UnprocessableEntity, "n")]
    [InlineData("""{"press":1,"at":99999999999999}""", HttpStatusCode.UnprocessableEntity, "at")]
    [InlineData("""{}""", HttpStatusCode.UnprocessableEntity, "press")]
    public async Task What_it_cannot_say_is_refused_with_its_place_and_nothing_is_kept(
        string said,
        HttpStatusCode status,
        string place
    )
    {
        await _home.BegunAsync();
        await SayAsync(new { clock = "start" });
        _home.Clock.Advance(TimeSpan.FromSeconds(8));
        var sheet = SheetOf(await NowAsync(), 0);
        var body = JsonSerializer.Deserialize<Dictionary<string, JsonElement>>(said)!;
        if (!body.ContainsKey("clock"))
        {
            body.TryAdd("sheet", sheet.GetProperty("sheet"));
            body.TryAdd("unit", sheet.GetProperty("units")[0].GetProperty("id"));
        }

        var before = await _home.WithAsync<TallyDb, int>(db => db.Events.CountAsync());
        var (answered, fault) = await SayAsync(body);
        Assert.Equal((status, place), (answered, Of(fault, "place")));
        Assert.NotEmpty(Of(fault, "mend"));
        Assert.Equal(before, await _home.WithAsync<TallyDb, int>(db => db.Events.CountAsync()));
    }

    [Fact]
    public async Task Two_sheets_are_not_guessed_between_and_many_at_once_without_numbers_are_all_kept()
    {
        await _home.BegunAsync();
        await SayAsync(new { clock = "start" });
        _home.Clock.Advance(TimeSpan.FromSeconds(8));
        var sheets = (await NowAsync()).GetProperty("sheets");
        if (sheets.GetArrayLength() > 1)
        {
            var (status, _) = await SayAsync(new { press = 1 });
            Assert.Equal(HttpStatusCode.UnprocessableEntity, status);
        }

        var (id, unit) = (Of(sheets[0], "sheet"), Of(sheets[0].GetProperty("units")[0], "id"));
        var answers = await Task.WhenAll(
            Enumerable
                .Range(1, 12)
                .Select(n =>
                    SayAsync(
                        new
                        {
                            sheet = id,
                            unit,
                            press = 1,
                            n,
                        }
                    )
                )
        );
        Assert.All(answers, answer => Assert.Equal(1, Stored(answer.Body)));
    }

    [Fact]
    public async Task The_api_is_described_for_those_who_write_for_devices()
    {
        var described = await _home
            .VisitAsNobody()
            .Http.GetFromJsonAsync<JsonElement>(new Uri("/api/description.json", UriKind.Relative));
        Assert.StartsWith("3.1", Of(described, "openapi"), StringComparison.Ordinal);
        var paths = described.GetProperty("paths").EnumerateObject().Select(each => each.Name).ToArray();
        Assert.Contains("/api/device/now", paths);
        Assert.Contains("/api/device/says", paths);
        Assert.Contains("/api/sheets/{sheet}/events", paths);
        var says = described.GetProperty("components").GetProperty("schemas").GetProperty("DeviceSays").GetProperty("properties");
        Assert.Contains("button", Of(says.GetProperty("press"), "description"), StringComparison.Ordinal);
    }

    private static int Stored(JsonElement answer) => answer.GetProperty("stored").GetInt32();
}
