using System.Net;

namespace KeepTally.Web.Tests.Access;

/// <summary>A helper with a code, and the board, may come before the start; it goes on by itself.</summary>
public sealed class WaitTests : IAsyncLifetime
{
    private readonly Installation _home = new();

    public ValueTask InitializeAsync() => _home.InitializeAsync();

    public ValueTask DisposeAsync() => _home.DisposeAsync();

    private async Task<string> CodeAsync()
    {
        var visitor = _home.Visit();
        var address = $"/door/{await _home.PracticeAsync()}";
        using var made = await visitor.SendAsync(await visitor.OpenAsync(address), "main form", $"{address}?handler=Open");
        return (await visitor.OpenAsync(address)).QuerySelector(".join-code")!.TextContent.Trim();
    }

    [Fact]
    public async Task Who_joins_by_code_before_the_start_sees_what_is_to_come_and_then_the_run_screen()
    {
        var code = await CodeAsync();
        var helper = _home.VisitAsNobody();
        using var joined = await helper.SendAsync(
            await helper.OpenAsync("/join"),
            "main form",
            "/join",
            ("code", code),
            ("name", "Jo")
        );
        var practice = await _home.PracticeAsync();
        Assert.Equal($"/run/{practice}", joined.Headers.Location!.OriginalString);
        using var sent = await helper.Http.GetAsync(joined.Headers.Location);
        Assert.Equal($"/wait/{practice}", sent.Headers.Location!.OriginalString);

        var waiting = await helper.OpenAsync($"/wait/{practice}");
        var main = waiting.QuerySelector("main")!.TextContent;
        Assert.Contains("Minute trios", main, StringComparison.Ordinal);
        // It is half past three, and practice begins at half past five.
        Assert.Contains("2 h 0 min to go.", main, StringComparison.Ordinal);

        await _home.BegunAsync();
        using var ask = new HttpRequestMessage(HttpMethod.Get, $"/wait/{practice}");
        ask.Headers.Add("HX-Request", "true");
        using var answer = await helper.Http.SendAsync(ask);
        Assert.Equal($"/run/{practice}", answer.Headers.GetValues("HX-Redirect").Single());
        using var run = await helper.Http.GetAsync(new Uri($"/run/{practice}", UriKind.Relative));
        Assert.Equal(HttpStatusCode.OK, run.StatusCode);
    }

    [Fact]
    public async Task The_board_waits_too_and_a_coach_on_the_run_screen_is_sent_to_today()
    {
        var practice = await _home.PracticeAsync();
        using var board = await _home.Visit().Http.GetAsync(new Uri($"/board/{practice}", UriKind.Relative));
        Assert.Equal($"/wait/{practice}", board.Headers.Location!.OriginalString);
        using var run = await _home.Visit().Http.GetAsync(new Uri($"/run/{practice}", UriKind.Relative));
        Assert.StartsWith("/?practice=", run.Headers.Location!.OriginalString, StringComparison.Ordinal);
    }
}
