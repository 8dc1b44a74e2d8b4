using System.Globalization;
using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json;

namespace KeepTally.Web.Tests.Api;

/// <summary>What the API will not take: always with the place and the fix, as RFC 9457 has it, and never with a 500.</summary>
public sealed class RefusedEventsTests(Installation home) : IClassFixture<Installation>
{
    private const long Now = 0;

    private async Task<HttpResponseMessage> PostAsync(string sheet, string body)
    {
        using var content = new StringContent(body, Encoding.UTF8, "application/x-ndjson");
        return await home.Visit().Http.PostAsync(new Uri($"/api/sheets/{sheet}/events", UriKind.Relative), content);
    }

    private static string At(string at, string rest = "\"type\":\"start\"") => $$"""{"device":"r","n":1,"at":{{at}},{{rest}}}""";

    private static async Task<JsonElement> ProblemAsync(HttpResponseMessage response)
    {
        Assert.Equal("application/problem+json", response.Content.Headers.ContentType?.MediaType);
        var problem = await response.Content.ReadFromJsonAsync<JsonElement>();
        Assert.Equal((int)response.StatusCode, problem.GetProperty("status").GetInt32());
        return problem;
    }

    [Theory]
    [InlineData("1000000000000000", "days from now")]
    [InlineData("10800000", "3 hours from now")]
    [InlineData("6000", "6 seconds from now")]
    [InlineData("-1", "out of range")]
    [InlineData("1.5", "not a whole number")]
    [InlineData("1e999", "a number belongs here")]
    [InlineData("NaN", "this is not JSON")]
    public async Task A_moment_that_cannot_have_been_is_refused_with_a_word(string at, string words)
    {
        var sheet = (await home.BegunAsync())[0];

        using var refused = await PostAsync(sheet, At(at));

        Assert.Equal(HttpStatusCode.UnprocessableEntity, refused.StatusCode);
        var fault = (await ProblemAsync(refused)).GetProperty("faults")[0];
        Assert.Contains(words, fault.GetProperty("problem").GetString(), StringComparison.Ordinal);
        Assert.NotEqual("", fault.GetProperty("mend").GetString());
    }

    [Fact]
    public async Task A_device_that_runs_a_little_ahead_is_taken()
    {
        var sheet = (await home.BegunAsync())[1];

        using var taken = await PostAsync(sheet, At((Now + 4900).ToString(CultureInfo.InvariantCulture)));

        Assert.Equal(HttpStatusCode.OK, taken.StatusCode);
    }

    [Theory]
    [InlineData("""{"device":"","n":1,"at":0,"type":"start"}""", "device")]
    [InlineData("""{"device":"DEVICE","n":1,"at":0,"type":"start"}""", "device")]
    [InlineData("""{"device":"r","n":1,"at":0,"type":"undo"}""", "of")]
    [InlineData("""{"device":"r","n":1,"at":0,"type":"undo","of":{"device":"","n":1}}""", "of.device")]
    [InlineData("""{"device":"r","n":1,"at":0,"type":"undo","of":[1]}""", "of")]
    [InlineData("""{"device":"r","n":1,"at":0,"type":"sub","in":"p4711"}""", "in")]
    [InlineData("""{"device":"r","n":1,"at":0,"type":"sub"}""", "out")]
    [InlineData("""{"device":"r","n":1,"at":0,"type":"rotate","winner":"a player"}""", "winner")]
    [InlineData("""{"device":"r","n":1,"at":0,"type":"note","text":"NOTE"}""", "text")]
    [InlineData("""{"device":"r","n":1,"at":0,"type":"note","text":"a\u0000b"}""", "text")]
    [InlineData("""{"device":"r","n":1,"at":0,"type":"note","text":"a\ud83d"}""", "line 1, column")]
    [InlineData("""{"device":"r","n":1,"at":0,"type":"note","a\udc00":"b"}""", "line 1, column")]
    public async Task What_cannot_be_on_a_sheet_is_refused_with_its_place(string line, string place)
    {
        var sheet = (await home.BegunAsync())[0];
        line = line.Replace("DEVICE", new string('d', 65), StringComparison.Ordinal)
            .Replace("NOTE", new string('n', 2001), StringComparison.Ordinal);

        using var refused = await PostAsync(sheet, line);

        Assert.Equal(HttpStatusCode.UnprocessableEntity, refused.StatusCode);
        var fault = (await ProblemAsync(refused)).GetProperty("faults")[0];
        Assert.StartsWith(place, fault.GetProperty("place").GetString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_note_of_two_thousand_characters_is_taken()
    {
        var sheet = (await home.BegunAsync())[2];

        using var taken = await PostAsync(sheet, At("0", $"\"type\":\"note\",\"text\":\"{new string('n', 2000)}\""));

        Assert.Equal(HttpStatusCode.OK, taken.StatusCode);
    }

    [Fact]
    public async Task What_is_not_there_or_too_long_or_of_another_kind_is_told_as_a_problem()
    {
        var sheet = (await home.BegunAsync())[0];
        var http = home.Visit().Http;
        using var plain = new StringContent("{}", Encoding.UTF8, "text/plain");
        using var kind = await http.PostAsync(new Uri($"/api/sheets/{sheet}/events", UriKind.Relative), plain);
        using var nowhere = await PostAsync("nowhere", At("0"));
        using var tooLong = await PostAsync(sheet, new string(' ', (1 << 20) + 1));
        using var noSuch = await http.GetAsync(new Uri("/api/nothing", UriKind.Relative));
        using var wrongWay = await http.GetAsync(new Uri($"/api/sheets/{sheet}/events", UriKind.Relative));
        using var noPractice = await http.GetAsync(new Uri("/api/practices/999/events", UriKind.Relative));
        using var noFormat = await http.GetAsync(new Uri("/formats/nothing", UriKind.Relative));

        foreach (
            var (response, status) in new[]
            {
                (kind, HttpStatusCode.UnsupportedMediaType),
                (nowhere, HttpStatusCode.NotFound),
                (tooLong, HttpStatusCode.RequestEntityTooLarge),
                (noSuch, HttpStatusCode.NotFound),
                (wrongWay, HttpStatusCode.NotFound),
                (noPractice, HttpStatusCode.NotFound),
                (noFormat, HttpStatusCode.NotFound),
            }
        )
        {
            Assert.Equal(status, response.StatusCode);
            await ProblemAsync(response);
        }
    }

    /// <summary>Lines broken in every place: whatever comes, it is taken or refused, and the application stands.</summary>
    [Fact]
    public async Task No_line_whatever_gives_a_500()
    {
        var sheet = (await home.BegunAsync())[0];
        var chance = new Random(9);
        string[] good =
        [
            """{"device":"f","n":1,"at":0,"type":"tap","unit":"p1","outcome":"make","tags":{"how":"high"},"value":1.5}""",
            """{"device":"f","n":2,"at":0,"type":"undo","of":{"device":"f","n":1}}""",
            """{"device":"f","n":3,"at":0,"type":"note","text":"Grüße 🏑","unit":"p1"}""",
        ];
        string[] nasty =
        [
            "\\ud800",
            "\\u0000",
            "NaN",
            "1e999",
            "-0",
            "null",
            "[]",
            "{}",
            "\"\"",
            "99999999999999999999",
            "\u0000",
            "\\",
            "\"",
        ];
        for (var i = 0; i < 400; i++)
        {
            var line = good[chance.Next(good.Length)];
            var at = chance.Next(line.Length);
            var broken = line[..at] + nasty[chance.Next(nasty.Length)] + line[(at + chance.Next(Math.Min(6, line.Length - at)))..];

            using var response = await PostAsync(sheet, broken);

            Assert.True(
                response.StatusCode is HttpStatusCode.OK or HttpStatusCode.UnprocessableEntity,
                $"{response.StatusCode}: {broken}"
            );
        }
    }
}
