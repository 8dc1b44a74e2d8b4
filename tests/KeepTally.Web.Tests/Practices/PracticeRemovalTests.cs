using System.Net;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;
using KeepTally.Store.Database;
using KeepTally.Store.Events;
using KeepTally.Store.Practices;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Tests.Practices;

/// <summary>A practice that was only a try is removed after a question, and nothing remembers it.</summary>
public sealed class PracticeRemovalTests : IAsyncLifetime
{
    private readonly Installation _home = new();
    private int _practice;
    private string _sheet = "";

    public async ValueTask InitializeAsync()
    {
        await _home.InitializeAsync();
        _sheet = (await _home.BegunAsync())[0];
        var sheet = new SheetId(_sheet);
        _practice = await _home.PracticeAsync();
        RunEvent[] said =
        [
            new RunEvent.Start(new EventId(new DeviceId("d"), 1), Instant.Origin),
            new RunEvent.Note(new EventId(new DeviceId("d"), 2), new Instant(1), "just a try", null),
        ];
        await _home.WithAsync<EventJournal, Appended>(journal => journal.AppendAsync(sheet, said));
    }

    public ValueTask DisposeAsync() => _home.DisposeAsync();

    [Fact]
    public async Task The_head_coach_is_asked_and_then_it_is_gone_with_its_sheets_and_taps()
    {
        var visitor = _home.Visit();
        var page = await visitor.OpenAsync($"/results/{_practice}");
        Assert.Contains("two entries", page.QuerySelector(".take-off p")!.TextContent, StringComparison.Ordinal);

        // A phone that runs it has sent something just now.
        Assert.Equal(HttpStatusCode.OK, await NoteAsync(visitor, 3));
        using var answer = await visitor.SendAsync(page, "form[action*=Remove]");
        Assert.Equal(HttpStatusCode.Redirect, answer.StatusCode);

        Assert.Equal(0, await _home.WithAsync<TallyDb, int>(db => db.Events.CountAsync()));
        Assert.Equal(0, await _home.WithAsync<TallyDb, int>(db => db.Sheets.CountAsync()));
        Assert.Equal(0, await _home.WithAsync<TallyDb, int>(db => db.Practices.CountAsync()));
        Assert.Equal(HttpStatusCode.NotFound, await NoteAsync(visitor, 4));
        var results = await visitor.OpenAsync("/results");
        Assert.Empty(results.QuerySelectorAll(".practice-list a"));
        using var again = await visitor.Http.GetAsync(new Uri($"/results/{_practice}", UriKind.Relative));
        Assert.Equal(HttpStatusCode.NotFound, again.StatusCode);
    }

    private async Task<HttpStatusCode> NoteAsync(Visitor visitor, int n)
    {
        using var line = new StringContent(
            $$"""{"device":"phone","n":{{n}},"at":1000,"type":"note","text":"on"}""",
            null,
            "application/x-ndjson"
        );
        using var answer = await visitor.Http.PostAsync(new Uri($"/api/sheets/{_sheet}/events", UriKind.Relative), line);
        return answer.StatusCode;
    }

    [Fact]
    public async Task An_assistant_neither_sees_nor_may_do_it()
    {
        var page = await _home.VisitAs("Sam Wren").OpenAsync($"/results/{_practice}");
        Assert.Null(page.QuerySelector("form[action*=Remove]"));
    }
}
