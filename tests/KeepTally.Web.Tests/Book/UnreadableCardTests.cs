using KeepTally.Core.Faults;
using KeepTally.Store.Book;
using KeepTally.Store.Database;
using KeepTally.Store.Practices;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Tests.Book;

/// <summary>A stored card that no longer reads takes nothing else down, and can be fixed.</summary>
public sealed class UnreadableCardTests : IAsyncLifetime
{
    private const string Card = "three-gates";

    private readonly Installation _home = new();

    public async ValueTask InitializeAsync() => await _home.InitializeAsync();

    public ValueTask DisposeAsync() => _home.DisposeAsync();

    /// <summary>What every version of the card, and every run of it, says from now on.</summary>
    private async Task SpoilAsync(string json) =>
        await _home.WithAsync<TallyDb, int>(async db =>
        {
            await db
                .Runs.Where(run => run.Block!.CardVersion!.CardId == Card)
                .ExecuteUpdateAsync(set => set.SetProperty(run => run.CardJson, json));
            await db
                .Cards.Where(card => card.Id == Card)
                .ExecuteUpdateAsync(set => set.SetProperty(card => card.Revision, card => card.Revision + 1));
            return await db
                .CardVersions.Where(version => version.CardId == Card)
                .ExecuteUpdateAsync(set => set.SetProperty(version => version.Json, json));
        });

    public static TheoryData<string, string> Texts =>
        new()
        {
            {
                """{"format":"keep-tally/drill@1","id":"three-gates","name":"Three gates","stages":[{"gone":1}]}""",
                "stages[0].gone"
            },
            { """{"format":"keep-tally/drill@0","id":"three-gates"}""", "format" },
            { "half a car", "" },
        };

    [Theory]
    [MemberData(nameof(Texts))]
    public async Task It_is_listed_with_its_fault_and_the_rest_of_the_book_opens(string json, string path)
    {
        var before = await _home.WithAsync<DrillBook, IReadOnlyList<BookEntry>>(book => book.ListAsync());
        await SpoilAsync(json);

        var page = await _home.Visit().OpenAsync("/drills");
        var told = page.QuerySelector("[role=alert]")!;

        Assert.Contains("One card cannot be read", told.TextContent, StringComparison.Ordinal);
        Assert.Contains(path, told.TextContent, StringComparison.Ordinal);
        Assert.Equal(
            before.Count - 1,
            (await _home.WithAsync<DrillBook, IReadOnlyList<BookEntry>>(book => book.ListAsync())).Count
        );
        Assert.DoesNotContain(
            "three-gates",
            await _home.WithAsync<DrillBook, string>(book => book.ExportAsync()),
            StringComparison.Ordinal
        );
        await _home.Visit().OpenAsync("/drills/minute-trios");
        await _home.Visit().OpenAsync("/drills/edit/minute-trios");
        await _home.Visit().OpenAsync("/circuit/new");
    }

    [Theory]
    [MemberData(nameof(Texts))]
    public async Task A_practice_with_it_says_so_and_everything_else_of_it_stands(string json, string path)
    {
        await SpoilAsync(json);
        var practice = await _home.PracticeAsync();

        var today = await _home.Visit().OpenAsync("/");
        Assert.Contains("its card cannot be read", today.QuerySelector("main")!.TextContent, StringComparison.Ordinal);
        await _home.Visit().OpenAsync($"/groups/{practice}");
        var hindrance = await _home.WithAsync<PracticeStart, Fault?>(async start => (await start.BeginAsync(practice)).FirstFault);

        Assert.Contains("its card cannot be read", hindrance!.Told, StringComparison.Ordinal);
        Assert.Contains(path, hindrance!.Told, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_practice_under_way_goes_on_with_its_other_drills()
    {
        await _home.BegunAsync();
        var practice = await _home.PracticeAsync();
        await SpoilAsync(Texts.First().Data.Item1);

        var run = await _home.Visit().OpenAsync($"/run/{practice}");
        await _home.Visit().OpenAsync($"/board/{practice}");

        Assert.Equal(
            ["Minute trios", "Win it, score it"],
            run.QuerySelectorAll("main .drill:not(.is-over) h1").Select(h => h.TextContent.Trim())
        );
        Assert.StartsWith(
            "Three gates cannot be run: its card cannot be read",
            run.QuerySelector("[data-unreadable]")!.TextContent,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task What_is_sent_for_its_drill_is_answered_with_the_fault_and_the_fix()
    {
        await _home.BegunAsync();
        var practice = await _home.PracticeAsync();
        var sheet = await _home.WithAsync<TallyDb, string>(db =>
            db.Sheets.Where(row => row.Run!.Block!.CardVersion!.CardId == Card).Select(row => row.Id).FirstAsync()
        );
        await SpoilAsync(Texts.First().Data.Item1);

        using var start = new StringContent(
            """{"device":"d","n":1,"at":0,"type":"start"}""",
            new System.Net.Http.Headers.MediaTypeHeaderValue("application/x-ndjson")
        );
        using var answer = await _home.Visit().Http.PostAsync(new Uri($"/api/sheets/{sheet}/events", UriKind.Relative), start);

        Assert.Equal(System.Net.HttpStatusCode.Conflict, answer.StatusCode);
        Assert.Contains(
            "the card of this drill cannot be read",
            await answer.Content.ReadAsStringAsync(),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task Results_of_the_other_drills_stand()
    {
        await _home.BegunAsync();
        var practice = await _home.PracticeAsync();
        await SpoilAsync(Texts.First().Data.Item1);

        var page = await _home.Visit().OpenAsync($"/results/{practice}");

        Assert.Equal(2, page.QuerySelectorAll(".drill-results section").Length);
        Assert.Contains("its card cannot be read", page.QuerySelector("[role=alert]")!.TextContent, StringComparison.Ordinal);
        using var csv = await _home.Visit().Http.GetAsync(new Uri($"/results/{practice}?handler=Csv", UriKind.Relative));
        csv.EnsureSuccessStatusCode();
    }

    [Theory]
    [MemberData(nameof(Texts))]
    public async Task It_can_be_fixed_where_it_stands(string json, string path)
    {
        var good = await _home.WithAsync<DrillBook, (string Json, int Revision)?>(book => book.TextAsync(Card));
        await SpoilAsync(json);
        var visitor = _home.Visit();

        var editor = await visitor.OpenAsync($"/drills/edit/{Card}");
        Assert.Contains(path.Length > 0 ? path : "half a car", editor.DocumentElement.TextContent, StringComparison.Ordinal);
        using var taken = await visitor.SendAsync(editor, "#text-form", ("text", good!.Value.Json));
        var fields = await Visitor.ParsedAsync(taken);
        using var saved = await visitor.PostAsync(fields, "#card-form", $"/drills/edit/{Card}?handler=Save");

        Assert.Equal(System.Net.HttpStatusCode.Redirect, saved.StatusCode);
        await visitor.OpenAsync($"/drills/{Card}");
        Assert.Null((await visitor.OpenAsync("/drills")).QuerySelector("[role=alert]"));
    }
}
