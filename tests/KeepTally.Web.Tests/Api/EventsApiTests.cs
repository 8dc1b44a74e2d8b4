using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json;

namespace KeepTally.Web.Tests.Api;

public sealed class EventsApiTests(Installation home) : IClassFixture<Installation>
{
    private const string JsonLines = "application/x-ndjson";

    private async Task<HttpResponseMessage> PostAsync(string sheet, string body, string type = JsonLines)
    {
        using var content = new StringContent(body, Encoding.UTF8, type);
        return await home.Visit().Http.PostAsync(new Uri($"/api/sheets/{sheet}/events", UriKind.Relative), content);
    }

    private static string Line(int n, string rest, string device = "api") =>
        $$"""{"device":"{{device}}","n":{{n}},"at":{{n * 1000}},{{rest}}}""";

    [Fact]
    public async Task A_batch_is_kept_and_told_how_much_of_it_was_new()
    {
        var sheet = (await home.BegunAsync())[8];
        var batch = Line(1, "\"type\":\"start\"") + "\n" + Line(2, "\"type\":\"tap\",\"unit\":\"plain\",\"outcome\":\"goal\"");

        using var first = await PostAsync(sheet, batch);
        using var again = await PostAsync(sheet, batch);

        // The names are those of docs/formats.md, section 2, "The HTTP API".
        Assert.Equal("""{"stored":2,"theirs":[]}""", await first.Content.ReadAsStringAsync());
        Assert.Equal(0, (await again.Content.ReadFromJsonAsync<JsonElement>()).GetProperty("stored").GetInt32());
    }

    [Fact]
    public async Task A_batch_with_a_fault_is_refused_whole_with_line_and_fix()
    {
        var sheet = (await home.BegunAsync())[7];

        using var refused = await PostAsync(
            sheet,
            Line(1, "\"type\":\"start\"", "bad") + "\n" + Line(2, "\"type\":\"tap\",\"unit\":\"p1\",\"outcome\":\"dunk\"", "bad")
        );
        using var afterwards = await PostAsync(sheet, Line(1, "\"type\":\"start\"", "bad"));

        Assert.Equal(HttpStatusCode.UnprocessableEntity, refused.StatusCode);
        var fault = (await refused.Content.ReadFromJsonAsync<JsonElement>()).GetProperty("faults")[0];
        Assert.Equal(2, fault.GetProperty("line").GetInt32());
        Assert.Contains("make, miss", fault.GetProperty("mend").GetString(), StringComparison.Ordinal);
        Assert.Equal(1, (await afterwards.Content.ReadFromJsonAsync<JsonElement>()).GetProperty("stored").GetInt32());
    }

    [Fact]
    public async Task Strangers_are_kept_out()
    {
        var sheet = (await home.BegunAsync())[0];
        using var plain = await PostAsync(sheet, Line(1, "\"type\":\"start\""), "text/plain");
        using var unknown = await PostAsync("nowhere", Line(1, "\"type\":\"start\""));
        using var elsewhere = new HttpRequestMessage(HttpMethod.Get, "/") { Headers = { Host = "example.org" } };
        using var refused = await home.Visit().Http.SendAsync(elsewhere);

        Assert.Equal(HttpStatusCode.UnsupportedMediaType, plain.StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, unknown.StatusCode);
        Assert.Equal(HttpStatusCode.BadRequest, refused.StatusCode);
    }

    [Fact]
    public async Task Who_listens_hears_what_was_said_before_and_what_is_said_now_each_once()
    {
        var sheets = await home.BegunAsync();
        var practice = await home.PracticeAsync();
        using (await PostAsync(sheets[3], Line(1, "\"type\":\"start\"", "before"))) { }

        using var timeout = new CancellationTokenSource(TimeSpan.FromSeconds(30));
        using var stream = await home.Visit()
            .Http.GetStreamAsync(new Uri($"/api/practices/{practice}/events?after=0", UriKind.Relative), timeout.Token);
        using var reader = new StreamReader(stream);
        await ReadToAsync(reader, "before", timeout.Token);
        await ReadToAsync(reader, "ready", timeout.Token);
        using (await PostAsync(sheets[3], Line(1, "\"type\":\"pause\"", "after"))) { }

        var received = await ReadToAsync(reader, "after", timeout.Token);

        Assert.DoesNotContain(received, line => line.Contains("before", StringComparison.Ordinal));
    }

    private static async Task<List<string>> ReadToAsync(StreamReader reader, string sought, CancellationToken cancellationToken)
    {
        var read = new List<string>();
        while (await reader.ReadLineAsync(cancellationToken) is { } line)
        {
            read.Add(line);
            if (line.Contains(sought, StringComparison.Ordinal))
            {
                return read;
            }
        }

        throw new InvalidOperationException($"The stream ended before {sought}.");
    }
}
