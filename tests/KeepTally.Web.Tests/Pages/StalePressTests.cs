using System.Net;
using KeepTally.Store.Book;
using KeepTally.Store.Database;
using KeepTally.Store.Practices;
using KeepTally.Store.Squads;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Tests.Pages;

/// <summary>A press on a page that stood open while another coach did something: it says why nothing changed, and is no dead end.</summary>
public sealed class StalePressTests : IAsyncLifetime
{
    private readonly Installation _home = new();
    private int _practice;

    public async ValueTask InitializeAsync()
    {
        await _home.InitializeAsync();
        _practice = await _home.PracticeAsync();
    }

    public ValueTask DisposeAsync() => _home.DisposeAsync();

    /// <summary>The answer of a press on a page as it was before practice started elsewhere.</summary>
    private async Task<(HttpStatusCode Status, string Text)> AfterStartAsync(
        string page,
        string address,
        bool byScript,
        params (string Name, string Value)[] given
    )
    {
        var coach = _home.Visit();
        var stale = await coach.OpenAsync(page);
        await _home.BegunAsync();
        if (byScript)
        {
            coach.Http.DefaultRequestHeaders.Add("HX-Request", "true");
        }

        using var answer = await coach.SendAsync(stale, "main form[method=post]", address, given);
        return (answer.StatusCode, (await Visitor.ParsedAsync(answer)).QuerySelector(".says")?.TextContent ?? "");
    }

    [Theory]
    [InlineData("Split&way=Shuffle&seed=3", true)]
    [InlineData("Split&way=Shuffle&seed=3", false)]
    [InlineData("LetGo&block=1", true)]
    [InlineData("Count&block=1&by=Number&number=2", true)]
    [InlineData("Move&block=1&player=p1&to=1", false)]
    public async Task Groups_of_a_practice_that_started_meanwhile_are_fixed_and_the_page_says_so(string press, bool byScript)
    {
        var (status, said) = await AfterStartAsync(
            $"/groups/{_practice}",
            $"/groups/{_practice}?handler={press.Replace("block=1", $"block={await BlockAsync()}", StringComparison.Ordinal)}",
            byScript
        );
        Assert.Equal((HttpStatusCode.OK, GroupWriter.Begun.Told), (status, said));
    }

    private Task<int> BlockAsync() =>
        _home.WithAsync<TallyDb, int>(db => db.Blocks.OrderBy(block => block.Order).Select(block => block.Id).FirstAsync());

    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public async Task So_they_are_on_Today(bool byScript)
    {
        var (status, said) = await AfterStartAsync(
            "/",
            $"/?handler=Split&way=Shuffle&seed=3",
            byScript,
            ("practice", $"{_practice}")
        );
        Assert.Equal((HttpStatusCode.OK, GroupWriter.Begun.Told), (status, said));
    }

    [Fact]
    public async Task The_plan_of_a_practice_that_started_meanwhile_is_not_deleted_and_the_page_says_so()
    {
        var (status, said) = await AfterStartAsync($"/plan/{_practice}", $"/plan/{_practice}?handler=Delete", byScript: false);
        Assert.Equal(
            (HttpStatusCode.OK, "Practice has started, so its plan stays. Delete it with its results once it is over."),
            (status, said)
        );
        Assert.Equal(_practice, await _home.PracticeAsync());
    }

    [Fact]
    public async Task A_drill_that_was_added_already_is_offered_no_more_and_Today_says_so()
    {
        using var answer = await _home.Visit().PostAsync("/?handler=PutIn", "/", ("practice", $"{_practice}"), ("block", "987654"));
        var page = await Visitor.ParsedAsync(answer);
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        Assert.StartsWith("The plan has changed meanwhile", page.QuerySelector(".says")!.TextContent, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("/groups/987654?handler=LetGo", "Nothing changed: this page is out of date.")]
    [InlineData("/?handler=NoSuchThing", "Nothing changed: this page is out of date.")]
    public async Task A_press_that_leads_nowhere_is_answered_with_a_sentence_alone(string address, string starts)
    {
        var coach = _home.Visit();
        coach.Http.DefaultRequestHeaders.Add("HX-Request", "true");
        using var answer = await coach.PostAsync(address, "/groups/" + _practice);
        var text = (await answer.Content.ReadAsStringAsync()).Trim();
        Assert.False(answer.IsSuccessStatusCode);
        Assert.StartsWith(starts, text, StringComparison.Ordinal);
        Assert.DoesNotContain("<", text, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_first_practice_that_cannot_start_says_why_on_Today()
    {
        await using var home = Installation.Empty();
        await home.InitializeAsync();
        var coach = home.VisitAsNobody();
        using var first = await coach.FoundClubAsync("correct horse battery staple");
        using var named = await coach.SendAsync(
            await coach.OpenAsync(first.Headers.Location!.OriginalString),
            "form",
            first.Headers.Location!.OriginalString,
            ("names", "Ada\n")
        );
        var ready = named.Headers.Location!.OriginalString;
        using var made = await coach.PostAsync(ready, ready, ("practice", ReadyPractices.All[0].Id), ("begin", "true"));
        Assert.Equal(HttpStatusCode.Redirect, made.StatusCode);
        var today = await coach.OpenAsync(made.Headers.Location!.OriginalString);
        Assert.Equal(
            "One player alone cannot fill these drills. Tap those who are here.",
            today.QuerySelector(".says")!.TextContent.Trim()
        );
    }
}
