using System.Net;
using KeepTally.Core.Faults;
using KeepTally.Core.Planning;
using KeepTally.Store.Book;
using KeepTally.Store.Database;
using KeepTally.Store.Planning;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Tests.Planning;

/// <summary>Cards and plans of one club kept by another, as their links carry them.</summary>
public sealed class LinkPageTests : IAsyncLifetime
{
    private const string Own = "gates-of-ours";

    private readonly Installation _from = new();
    private readonly Installation _to = new();

    public async ValueTask InitializeAsync()
    {
        await _from.InitializeAsync();
        await _to.InitializeAsync();
        var card = ShippedCards
            .All["three-gates"]
            .Replace("\"three-gates\"", $"\"{Own}\"", StringComparison.Ordinal)
            .Replace("Three gates", "Gates of ours", StringComparison.Ordinal);
        Assert.True((await _from.WithAsync<CardWriter, Result<IReadOnlyList<SavedCard>>>(cards => cards.ImportAsync(card))).IsOk);
    }

    public async ValueTask DisposeAsync()
    {
        await _from.DisposeAsync();
        await _to.DisposeAsync();
    }

    [Fact]
    public async Task A_card_of_one_club_is_in_the_book_of_another()
    {
        using var kept = await KeepAsync(await ContentAsync($"/drills/{Own}?handler=Link"));
        Assert.Equal($"/drills/{Own}", kept.Headers.Location!.OriginalString);
        Assert.NotNull(await _to.WithAsync<DrillBook, BookPage?>(book => book.FindAsync(Own, null)));
    }

    [Fact]
    public async Task A_plan_brings_the_cards_that_are_missing_and_changes_none()
    {
        Assert.Null(
            await _from.WithAsync<PlanBook, Fault?>(async plans =>
                (
                    await plans.EditAsync(
                        1,
                        open => Result.Ok(open.Plan.Inserted(0, new PlanBlock.Drill(Own, 5, 2) { Takes = ["Robin Teal"] }))
                    )
                ).FirstFault
            )
        );
        var content = await ContentAsync("/plan/1?handler=Link");
        Assert.DoesNotContain("Robin", content, StringComparison.Ordinal);
        var versions = await VersionsAsync();
        using var kept = await KeepAsync(content);
        var id = int.Parse(kept.Headers.Location!.OriginalString.Split('/')[^1], System.Globalization.CultureInfo.InvariantCulture);
        var made = (await _to.WithAsync<PlanBook, OpenPlan?>(plans => plans.OpenAsync(id)))!;
        var sent = (await _from.WithAsync<PlanBook, OpenPlan?>(plans => plans.OpenAsync(1)))!;
        Assert.Equal(
            sent.Plan.Blocks.Select(block => sent.Shelf.NameOf(block)),
            made.Plan.Blocks.Select(block => made.Shelf.NameOf(block))
        );
        Assert.Equal(versions + 1, await VersionsAsync());
    }

    [Fact]
    public async Task Nothing_is_kept_of_a_spoilt_link_nor_by_who_may_not()
    {
        using (var refused = await KeepAsync("{\"format\":\"keep-tally/link@1\"}", HttpStatusCode.UnprocessableEntity))
        {
            Assert.Contains("neither a card nor a plan", await refused.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        }

        foreach (var who in new[] { _to.VisitAs("Sam Wren"), _to.VisitAsNobody() })
        {
            var page = await who.OpenAsync("/import");
            Assert.Null(page.QuerySelector("#link-keep"));
            using var content = new FormUrlEncodedContent([
                new("content", await ContentAsync($"/drills/{Own}?handler=Link")),
                new("team", "1"),
            ]);
            using var answer = await who.Http.PostAsync(new Uri("/import", UriKind.Relative), content);
            Assert.NotEqual(HttpStatusCode.OK, answer.StatusCode);
        }

        Assert.Null(await _to.WithAsync<DrillBook, BookPage?>(book => book.FindAsync(Own, null)));
    }

    private async Task<string> ContentAsync(string path) =>
        await _from.Visit().Http.GetStringAsync(new Uri(path, UriKind.Relative));

    private async Task<HttpResponseMessage> KeepAsync(string content, HttpStatusCode expected = HttpStatusCode.Redirect)
    {
        var coach = _to.Visit();
        var answer = await coach.SendAsync(
            await coach.OpenAsync("/import"),
            "#link-keep",
            "/import",
            ("content", content),
            ("team", "1")
        );
        Assert.Equal(expected, answer.StatusCode);
        return answer;
    }

    private Task<int> VersionsAsync() => _to.WithAsync<TallyDb, int>(db => db.CardVersions.CountAsync());
}
