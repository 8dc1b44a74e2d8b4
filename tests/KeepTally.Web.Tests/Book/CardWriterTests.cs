using System.Net;
using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;
using KeepTally.Store.Book;
using KeepTally.Store.Events;
using KeepTally.Store.Planning;
using KeepTally.Store.Practices;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Tests.Book;

/// <summary>Cards are kept with their versions and their history; nothing is half taken in.</summary>
public sealed class CardWriterTests : IAsyncLifetime
{
    private readonly Installation _home = new();

    private const string Card = """
        {"format":"keep-tally/drill@1","id":"heron","name":"Heron","cues":["High knees"],
         "stages":[{"outcomes":[{"id":"make","label":"Make","result":"success","points":1}],"until":[{"points":5}]}]}
        """;

    public ValueTask InitializeAsync() => _home.InitializeAsync();

    public ValueTask DisposeAsync() => _home.DisposeAsync();

    [Fact]
    public async Task Other_words_keep_the_version_and_another_scoring_makes_a_new_one()
    {
        Assert.Equal((1, false), Told(await SaveAsync(Card, 0)));
        Assert.Equal((1, false), Told(await SaveAsync(Card.Replace("High knees", "Low hands"), 1, "they slouched")));
        Assert.Equal((2, true), Told(await SaveAsync(Card.Replace("\"points\":5", "\"points\":7"), 2)));

        var page = (await FindAsync("heron"))!;
        Assert.Equal([2, 1], page.Versions.Select(version => version.Version));
        Assert.Contains("Now: Done at 7 points.", page.History[0].What, StringComparison.Ordinal);
        Assert.Contains("No longer: Done at 5 points.", page.History[0].What, StringComparison.Ordinal);
        Assert.Equal("they slouched", page.History[1].Why);
        Assert.Contains("Cues, new: Low hands", page.History[1].What, StringComparison.Ordinal);
        Assert.Contains("\"points\": 5", (await FindAsync("heron", 1))!.Shown.Json, StringComparison.Ordinal);
    }

    [Fact]
    public async Task An_open_card_is_told_what_another_coach_has_changed()
    {
        await SaveAsync(Card, 0);
        var coach = _home.Visit();
        var sign = (await coach.OpenAsync("/drills/heron")).QuerySelector("[hx-get*=News]")!.GetAttribute("hx-get")!;
        Assert.Equal(HttpStatusCode.NoContent, (await coach.Http.GetAsync(new Uri(sign, UriKind.Relative))).StatusCode);

        await SaveAsync(Card.Replace("High knees", "Low hands"), 1);
        await _home.WithAsync<DrillBook, bool>(book => book.ArchiveAsync("heron", true));

        var told = (await coach.OpenAsync(sign)).Body!.TextContent;
        Assert.Contains("This card has been changed since you opened it.", told, StringComparison.Ordinal);
        Assert.Contains("Cues, new: Low hands", told, StringComparison.Ordinal);
        Assert.Contains("It is archived now.", told, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Saving_the_same_again_changes_nothing()
    {
        await SaveAsync(Card, 0);

        Assert.False((await SaveAsync(Card.Replace("\n", " "), 1)).Require().Changed);
        Assert.Single((await FindAsync("heron"))!.History);
    }

    [Fact]
    public async Task Two_people_who_edit_at_once_do_not_overwrite_each_other_unseen()
    {
        await SaveAsync(Card, 0);
        await SaveAsync(Card.Replace("High knees", "Mine"), 1);

        var late = await SaveAsync(Card.Replace("High knees", "Yours"), 1);

        Assert.Contains("while you were editing", late.Faults.Single().Problem, StringComparison.Ordinal);
        Assert.Contains("Mine", (await FindAsync("heron"))!.Shown.Json, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_new_card_may_not_take_the_id_of_one_that_is_there() =>
        Assert.Equal("id", (await SaveAsync(Card.Replace("\"heron\"", "\"three-gates\""), 0)).Faults.Single().Path);

    [Theory]
    [InlineData("../up")]
    [InlineData("with space")]
    [InlineData("edit")]
    public async Task An_id_must_be_fit_for_an_address(string id) =>
        Assert.Equal("id", (await SaveAsync(Card.Replace("\"heron\"", $"\"{id}\""), 0)).Faults.Single().Path);

    [Fact]
    public async Task A_book_with_one_broken_card_is_not_taken_in_at_all()
    {
        var book =
            $$"""{"format":"keep-tally/book@1","cards":[{{Card}},{{Card.Replace("\"heron\"", "\"broken\"").Replace("success", "sucess")}}]}""";

        var taken = await _home.WithAsync<CardWriter, Result<IReadOnlyList<SavedCard>>>(writer => writer.ImportAsync(book));

        Assert.False(taken.IsOk);
        Assert.Equal("cards[1].stages[0].outcomes[0].result", taken.Faults.Single().Path);
        Assert.Null(await FindAsync("heron"));
    }

    [Fact]
    public async Task The_book_that_goes_out_comes_back_unchanged()
    {
        var book = await _home.WithAsync<DrillBook, string>(each => each.ExportAsync());

        var taken = await _home.WithAsync<CardWriter, Result<IReadOnlyList<SavedCard>>>(writer => writer.ImportAsync(book));

        Assert.Empty(taken.Faults);
        Assert.Equal(ShippedCards.All.Count, taken.Require().Count);
        Assert.All(taken.Require(), each => Assert.False(each.Changed));
    }

    [Fact]
    public async Task A_card_archived_is_not_offered_and_its_results_stay()
    {
        var sheets = await _home.BegunAsync();
        await _home.WithAsync<EventJournal, Appended>(journal =>
            journal.AppendAsync(new SheetId(sheets[4]), [new RunEvent.Start(new EventId(new DeviceId("d"), 1), new Instant(0))])
        );
        Assert.True(await _home.WithAsync<DrillBook, bool>(book => book.ArchiveAsync("three-gates", true)));

        var offered = await _home.WithAsync<DrillBook, IReadOnlyList<BookEntry>>(book => book.ListAsync());
        var all = await _home.WithAsync<DrillBook, IReadOnlyList<BookEntry>>(book => book.ListAsync(archived: true));
        Assert.DoesNotContain(offered, entry => entry.Id == "three-gates");
        Assert.Equal(new DateOnly(2026, 9, 3), all.Single(entry => entry.Id == "three-gates").LastDone);
        // It stood on the sheet of the same day and nobody started it.
        Assert.Null(all.Single(entry => entry.Id == "win-it-score-it").LastDone);
        Assert.Equal(ShippedCards.All.Count, all.Count);

        await _home.WithAsync<CardWriter, bool>(async writer =>
        {
            await writer.ShipAsync();
            return true;
        });
        Assert.DoesNotContain(
            await _home.WithAsync<DrillBook, IReadOnlyList<BookEntry>>(book => book.ListAsync()),
            entry => entry.Id == "three-gates"
        );
    }

    [Fact]
    public async Task Every_stage_of_a_card_gets_its_line_and_the_house_rules_chosen_are_the_ones_that_judge()
    {
        var practice = (
            await AddAsync(new DrillLine(null, "three-steps-crossing", 12, 1, new Dictionary<string, string>()))
        ).Require();
        await AddAsync(new DrillLine(practice, "three-gates", 6, 2, new Dictionary<string, string> { ["stop"] = "none" }));

        Assert.Null(await _home.WithAsync<PracticeStart, Fault?>(async start => (await start.BeginAsync(practice)).FirstFault));
        var record = await _home.WithAsync<RunStore, IReadOnlyList<StoredRun>>(each => each.OfAsync(practice));
        var stages = record.Select(run => run.Sheets[0].Fold()).ToArray();

        Assert.Equal(
            ["Controlled", "Live, unscored", "Scored", "Five of seven from each spot"],
            stages.Select(live => live.Stage.Name)
        );
        Assert.Equal("none", stages[3].Head.Options["stop"]);
        Assert.All(stages, live => Assert.NotEqual(0, live.Head.Seed));
        // Put in once practice runs, it is dealt out at once.
        (await AddAsync(new DrillLine(practice, "three-gates", 6, 2, new Dictionary<string, string>()))).Require();
        var more = await _home.WithAsync<RunStore, IReadOnlyList<StoredRun>>(each => each.OfAsync(practice));
        Assert.Equal(5, more.Count);
        Assert.Equal(2, more[4].Sheets.Count);
    }

    [Fact]
    public async Task A_house_rule_that_is_not_the_cards_is_refused_in_words() =>
        Assert.Contains(
            "does not read with these house rules",
            (await AddAsync(new DrillLine(null, "three-gates", 6, 2, new Dictionary<string, string> { ["stop"] = "never" })))
                .Faults[0]
                .Problem,
            StringComparison.Ordinal
        );

    private Task<Result<int>> AddAsync(DrillLine line) =>
        _home.WithAsync<BlockWriter, Result<int>>(blocks => blocks.AddAsync(line));

    private Task<Result<SavedCard>> SaveAsync(string json, int revision, string why = "") =>
        _home.WithAsync<CardWriter, Result<SavedCard>>(writer => writer.SaveAsync(json, revision, why));

    private Task<BookPage?> FindAsync(string id, int? version = null) =>
        _home.WithAsync<DrillBook, BookPage?>(book => book.FindAsync(id, version));

    private static (int, bool) Told(Result<SavedCard> saved) => (saved.Require().Version, saved.Require().NewVersion);
}
