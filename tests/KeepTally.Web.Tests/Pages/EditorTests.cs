using System.Net;
using AngleSharp.Html.Dom;
using KeepTally.Core.Formats;
using KeepTally.Store.Book;

namespace KeepTally.Web.Tests.Pages;

/// <summary>The editor without scripts: fields, buttons, faults and saving.</summary>
public sealed class EditorTests(Installation home) : IClassFixture<Installation>
{
    [Fact]
    public async Task Every_shipped_card_opens_in_the_editor_and_saved_unchanged_stays_as_it_was()
    {
        var visitor = home.Visit();
        foreach (var id in ShippedCards.All.Keys)
        {
            var page = await visitor.OpenAsync($"/drills/edit/{id}");
            using var saved = await visitor.PostAsync(page, "#card-form", $"/drills/edit/{id}?handler=Save");

            Assert.Equal(HttpStatusCode.Redirect, saved.StatusCode);
            var now = (await home.WithAsync<DrillBook, BookPage?>(book => book.FindAsync(id)))!;
            Assert.Equal((id, 1), (id, now.Versions.Count));
            Assert.Equal(
                KeepTally.Core.Formats.ScoringPrint.Of(ShippedCards.All[id]),
                KeepTally.Core.Formats.ScoringPrint.Of(now.Shown.Json)
            );
        }
    }

    [Fact]
    public async Task A_number_that_is_none_is_told_beside_its_field_and_nothing_is_lost()
    {
        var visitor = home.Visit();
        var page = await visitor.OpenAsync("/drills/edit");

        using var answer = await visitor.PostAsync(
            page,
            "#card-form",
            "/drills/edit?handler=Save",
            ("text:name", "Heron"),
            ("number:stages[0].outcomes[0].points", "lots"),
            ("lines:cues", "One\nTwo")
        );
        var again = await Visitor.ParsedAsync(answer);

        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        Assert.Contains(
            "a number belongs here",
            again.QuerySelector("[data-fault='stages[0].outcomes[0].points']")!.TextContent,
            StringComparison.Ordinal
        );
        Assert.Equal("lots", ((IHtmlInputElement)again.QuerySelector("[name='number:stages[0].outcomes[0].points']")!).Value);
        Assert.Equal("One\nTwo", ((IHtmlTextAreaElement)again.QuerySelector("[name='lines:cues']")!).Value);
    }

    /// <summary>What is chosen decides which fields there are, at once and with everything written kept.</summary>
    [Theory]
    [InlineData("match", true, "turnOver", "next")]
    [InlineData("turns", false, "next", "turnOver")]
    [InlineData("together", false, "win", "next")]
    public async Task Sides_and_effects_follow_how_a_stage_is_played(string play, bool sides, string offered, string not)
    {
        var visitor = home.Visit();
        var page = await visitor.OpenAsync("/drills/edit");
        Assert.NotNull(page.QuerySelector("select[name='text:stages[0].play'][hx-post*=Change][hx-trigger=change]"));

        using var answer = await visitor.PostAsync(
            page,
            "#card-form",
            "/drills/edit?handler=Change",
            ("text:name", "Heron"),
            ("text:stages[0].play", play)
        );
        var drawn = await Visitor.ParsedAsync(answer);
        var effects = drawn
            .QuerySelectorAll("[type=checkbox][name='marks:stages[0].outcomes[0].does']")
            .Select(each => ((IHtmlInputElement)each).Value)
            .ToArray();

        Assert.Equal("Heron", ((IHtmlInputElement)drawn.QuerySelector("[name='text:name']")!).Value);
        Assert.Equal(sides, drawn.QuerySelector("[name='commas:stages[0].sides']") is not null);
        Assert.Contains(offered, effects);
        Assert.DoesNotContain(not, effects);
    }

    [Theory]
    [InlineData("set stages[0].ladder names", "[name='commas:stages[0].ladder.rungs']")]
    [InlineData("set stages[0].ladder distances", "[name='number:stages[0].ladder.rungs.start']")]
    [InlineData("add stages[0].until", "[name='ending:stages[0].until[0]']")]
    [InlineData("add options", "[name='map:options.rule.choices']")]
    [InlineData("add stages[0].tags", "[name='map:stages[0].tags.tag.values']")]
    [InlineData("set stages[0].targets targets", "[name='commas:stages[0].targets.zones']")]
    [InlineData("set stages[0].clock clock", "[name='number:stages[0].clock.work']")]
    [InlineData("add stages[0].places", "[name='text:stages[0].places[0].id']")]
    [InlineData("share stages[0].outcomes[0].points", "[name='number:stages[0].outcomes[0].points.other']")]
    [InlineData("add stages", "[name='text:stages[1].name']")]
    [InlineData("add cautions", "[name='text:cautions[0].text']")]
    [InlineData("set stages[0].par par", "[name='number:stages[0].par.value']")]
    public async Task A_button_sets_a_rule_up_with_its_fields(string act, string field)
    {
        var visitor = home.Visit();

        using var answer = await visitor.PostAsync(
            await visitor.OpenAsync("/drills/edit"),
            "#card-form",
            "/drills/edit?handler=Change",
            ("text:name", "Heron"),
            ("act", act)
        );
        var page = await Visitor.ParsedAsync(answer);

        Assert.NotNull(page.QuerySelector(field));
        Assert.Equal("Heron", ((IHtmlInputElement)page.QuerySelector("[name='text:name']")!).Value);
    }

    [Theory]
    [InlineData("drop stages[0].outcomes[0]", "Miss")]
    [InlineData("down stages[0].outcomes[0]", "Miss")]
    [InlineData("up stages[0].outcomes[0]", "Make")]
    [InlineData("drop stages[7].outcomes[0]", "Make")]
    [InlineData("nonsense", "Make")]
    public async Task A_button_takes_out_or_moves_and_one_that_means_nothing_changes_nothing(string act, string first)
    {
        var visitor = home.Visit();

        using var answer = await visitor.PostAsync(
            await visitor.OpenAsync("/drills/edit"),
            "#card-form",
            "/drills/edit?handler=Change",
            ("act", act)
        );

        Assert.Equal(
            first,
            (
                (IHtmlInputElement)(await Visitor.ParsedAsync(answer)).QuerySelector("[name='text:stages[0].outcomes[0].label']")!
            ).Value
        );
    }

    [Fact]
    public async Task A_text_that_breaks_off_is_kept_and_told_where()
    {
        var visitor = home.Visit();

        using var answer = await visitor.PostAsync(
            await visitor.OpenAsync("/drills/edit"),
            "#text-form",
            "/drills/edit?handler=Text",
            ("text", "{\n  \"name\": \n}")
        );
        var page = await Visitor.ParsedAsync(answer);

        Assert.Contains("line 3, column 1", page.QuerySelector("#words .faults")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("\"name\"", ((IHtmlTextAreaElement)page.QuerySelector("#card-text")!).Value, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_card_that_names_a_player_who_is_nobody_is_told_so_when_it_is_tried_or_put_in_a_practice()
    {
        const string Card = """
            {"format":"keep-tally/drill@1","id":"heron","name":"Heron",
             "stages":[{"outcomes":[{"id":"make","label":"Make","points":{"ghost":1}}]}]}
            """;
        await home.WithAsync<CardWriter, KeepTally.Core.Faults.Result<SavedCard>>(writer => writer.SaveAsync(Card, 0));
        var visitor = home.Visit();

        using var tried = await visitor.PostAsync(
            await visitor.OpenAsync("/drills/edit/heron"),
            "#card-form",
            "/drills/edit/heron?handler=Try",
            ("stage", "0"),
            ("players", "4")
        );
        using var put = await visitor.PostAsync(await visitor.OpenAsync("/drills/heron"), "#put", "/drills/heron?handler=Put");

        Assert.Contains(
            "ghost",
            (await Visitor.ParsedAsync(tried)).QuerySelector("[role=alert]")!.TextContent,
            StringComparison.Ordinal
        );
        Assert.Contains(
            "ghost",
            (await Visitor.ParsedAsync(put)).QuerySelector("[role=alert]")!.TextContent,
            StringComparison.Ordinal
        );
    }

    [Theory]
    [InlineData("text:")]
    [InlineData("text:stages[9].name")]
    [InlineData("number:a[b]..c]")]
    [InlineData("rename:")]
    [InlineData("ending:stages")]
    public async Task A_field_that_is_none_of_the_editors_changes_nothing(string field)
    {
        var visitor = home.Visit();

        using var answer = await visitor.PostAsync(
            await visitor.OpenAsync("/drills/edit/three-gates"),
            "#card-form",
            "/drills/edit/three-gates?handler=Words",
            (field, "x")
        );

        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
    }

    [Fact]
    public async Task A_copy_and_a_variant_are_cards_of_their_own()
    {
        var visitor = home.Visit();
        using var saved = await visitor.PostAsync(
            await visitor.OpenAsync("/drills/edit?variant=three-gates"),
            "#card-form",
            "/drills/edit?handler=Save",
            ("text:name", "Three gates, far out")
        );

        Assert.EndsWith("/drills/three-gates-far-out", saved.Headers.Location!.ToString(), StringComparison.Ordinal);
        var parent = await visitor.OpenAsync("/drills/three-gates");
        Assert.Contains("Three gates, far out", parent.Body!.TextContent, StringComparison.Ordinal);
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await visitor.Http.GetAsync(new Uri("/drills/edit?copy=nothing", UriKind.Relative))).StatusCode
        );
    }

    [Fact]
    public async Task A_card_page_shows_every_shipped_card_in_words()
    {
        var visitor = home.Visit();
        foreach (var id in ShippedCards.All.Keys)
        {
            var page = await visitor.OpenAsync($"/drills/{id}");
            Assert.NotEmpty(page.QuerySelector(".in-short")!.TextContent);
            Assert.NotNull(page.QuerySelector("#put"));
        }
    }
}
