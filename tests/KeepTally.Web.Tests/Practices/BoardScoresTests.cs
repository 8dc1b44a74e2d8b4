using System.Net;

namespace KeepTally.Web.Tests.Practices;

/// <summary>The players' board shows scores, and leaves them out where the coach wants it.</summary>
public sealed class BoardScoresTests : IAsyncLifetime
{
    private readonly Installation _home = new();
    private int _practice;

    public async ValueTask InitializeAsync()
    {
        await _home.InitializeAsync();
        await _home.BegunAsync();
        _practice = await _home.PracticeAsync();
    }

    public ValueTask DisposeAsync() => _home.DisposeAsync();

    [Fact]
    public async Task The_coach_hides_scores_and_shows_them_again()
    {
        var visitor = _home.Visit();
        Assert.NotNull((await visitor.OpenAsync($"/board/{_practice}")).QuerySelector(".board-scores"));

        await PressAsync(visitor);
        var hiding = await visitor.OpenAsync($"/board/{_practice}");
        Assert.Null(hiding.QuerySelector(".board-scores"));
        Assert.Contains("\"hidesScores\":true", hiding.GetElementById("practice")!.TextContent, StringComparison.Ordinal);
        // It is about the board alone: who counts sees what is counted.
        Assert.Contains(
            "\"hidesScores\":false",
            (await visitor.OpenAsync($"/run/{_practice}")).GetElementById("practice")!.TextContent,
            StringComparison.Ordinal
        );

        await PressAsync(visitor);
        Assert.NotNull((await visitor.OpenAsync($"/board/{_practice}")).QuerySelector(".board-scores"));
    }

    [Fact]
    public async Task A_board_that_is_open_hears_of_it_at_once_and_on_coming_back()
    {
        var visitor = _home.Visit();
        using var timeout = new CancellationTokenSource(TimeSpan.FromSeconds(30));
        using var open = await ListenAsync();
        Assert.Equal("shown", await HeardAsync(open));
        await PressAsync(visitor);
        Assert.Equal("hidden", await HeardAsync(open));
        using var back = await ListenAsync();
        Assert.Equal("hidden", await HeardAsync(back));
        Assert.Equal(
            "hidden",
            (await visitor.OpenAsync($"/board/{_practice}")).GetElementById("board")!.GetAttribute("data-scores")
        );

        async Task<StreamReader> ListenAsync() =>
            new(
                await visitor.Http.GetStreamAsync(
                    new Uri($"/api/practices/{_practice}/events?after=0", UriKind.Relative),
                    timeout.Token
                )
            );

        async Task<string> HeardAsync(StreamReader reader)
        {
            while (await reader.ReadLineAsync(timeout.Token) is { } line && line != "event: scores") { }
            return (await reader.ReadLineAsync(timeout.Token))![6..];
        }
    }

    private async Task PressAsync(Visitor visitor)
    {
        using var answer = await visitor.SendAsync(await visitor.OpenAsync($"/door/{_practice}"), "form[action*=Scores]");
        Assert.Equal(HttpStatusCode.Redirect, answer.StatusCode);
    }
}
