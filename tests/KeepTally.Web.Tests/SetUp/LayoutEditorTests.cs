using System.Net;
using AngleSharp.Html.Dom;
using KeepTally.Core.Layout;
using KeepTally.Core.Measures;
using KeepTally.Store.Book;

namespace KeepTally.Web.Tests.SetUp;

/// <summary>The editor of layouts without a script: every press is a form, and nothing is in the book until it is saved.</summary>
public sealed class LayoutEditorTests : IAsyncLifetime
{
    private const string Editor = "/drills/three-gates/set-up/edit";
    private readonly Installation _home = new();

    public ValueTask InitializeAsync() => _home.InitializeAsync();

    public ValueTask DisposeAsync() => _home.DisposeAsync();

    private async Task<Diagram> StoredAsync() =>
        (await _home.WithAsync<DrillBook, BookPage?>(book => book.FindAsync("three-gates", null)))!.Card.Layout!;

    private static string Value(IHtmlDocument page, string selector) => ((IHtmlInputElement)page.QuerySelector(selector)!).Value;

    private static async Task<IHtmlDocument> PressAsync(
        Visitor coach,
        IHtmlDocument page,
        string press,
        params (string Name, string Value)[] given
    )
    {
        using var answer = await coach.PostAsync(page, "#layout-form", Editor, [("press", press), .. given]);
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        return await Visitor.ParsedAsync(answer);
    }

    [Fact]
    public async Task A_mark_is_put_down_moved_typed_and_saved_and_nothing_is_kept_before()
    {
        var coach = _home.Visit();
        var before = (await StoredAsync()).Marks.Count;
        var page = await PressAsync(coach, await coach.OpenAsync(Editor), "put:disc");
        page = await PressAsync(coach, page, $"nudge:{before}:1:0");
        page = await PressAsync(coach, page, "set", ($"y-{before}", "12 ft"), ($"label-{before}", "spare"));
        Assert.Equal("12 ft", Value(page, $"#y-{before}"));
        Assert.Equal(before, (await StoredAsync()).Marks.Count);

        using var saved = await coach.PostAsync(page, "#layout-form", $"{Editor}?handler=Save");
        Assert.Equal(HttpStatusCode.Redirect, saved.StatusCode);
        var mark = (await StoredAsync()).Marks[^1];
        Assert.Equal((MarkKind.Disc, "spare", new Measure(12, LengthUnit.Feet)), (mark.Kind, mark.Label, mark.Y));
        // A drawing is no scoring: results before and after are compared.
        var card = (await _home.WithAsync<DrillBook, BookPage?>(book => book.FindAsync("three-gates", null)))!;
        Assert.Equal(1, card.Versions[0].Version);
    }

    [Theory]
    [InlineData("x-1", "far", "is no distance")]
    [InlineData("x-1", "5000", "is no distance")]
    [InlineData("id-1", "goal", "Another mark is called")]
    public async Task What_cannot_be_taken_is_told_and_the_rest_stands(string field, string typed, string told)
    {
        var coach = _home.Visit();
        var page = await PressAsync(coach, await coach.OpenAsync(Editor), "set", (field, typed), ("label-2", "centre"));
        Assert.Contains(told, page.QuerySelector("[role=alert]")!.TextContent, StringComparison.Ordinal);
        Assert.Equal("centre", Value(page, "#label-2"));
        Assert.Equal("8 m", Value(page, "#x-1"));
    }

    [Fact]
    public async Task A_layout_comes_in_as_JSON_or_is_told_where_it_is_wrong_and_what_was_written_stands()
    {
        var coach = _home.Visit();
        var page = await coach.OpenAsync(Editor);
        using var wrong = await coach.PostAsync(
            page,
            "#layout-form",
            $"{Editor}?handler=Bring",
            ("json", """{"marks":[{"id":"a","kind":"tree"}]}""")
        );
        var told = await Visitor.ParsedAsync(wrong);
        Assert.Contains("marks[0].kind", told.QuerySelector("[role=alert]")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("tree", told.QuerySelector("textarea")!.TextContent, StringComparison.Ordinal);
        Assert.Equal("goal", Value(told, "#id-0"));

        using var right = await coach.PostAsync(
            told,
            "#layout-form",
            $"{Editor}?handler=Bring",
            ("json", """{"surface":"netball","marks":[{"id":"post","kind":"goal","x":0,"y":"10p"}]}""")
        );
        var page2 = await Visitor.ParsedAsync(right);
        Assert.Equal("10 p", Value(page2, "#y-0"));
        Assert.Equal("netball", ((IHtmlSelectElement)page2.QuerySelector("#court")!).Value);
    }

    [Theory]
    [InlineData("move:99:1:1")]
    [InlineData("move:0:NaN:1")]
    [InlineData("drop:-1")]
    [InlineData("put:dragon")]
    [InlineData("no-step:7000000000")]
    [InlineData(":::")]
    public async Task A_press_that_says_nothing_does_nothing(string press)
    {
        var coach = _home.Visit();
        var page = await coach.OpenAsync(Editor);
        Assert.Equal(Value(page, "[name=text]"), Value(await PressAsync(coach, page, press), "[name=text]"));
    }

    [Fact]
    public async Task A_card_another_coach_has_changed_meanwhile_is_not_written_over()
    {
        var coach = _home.Visit();
        var (mine, theirs) = (await coach.OpenAsync(Editor), await coach.OpenAsync(Editor));
        using var first = await coach.PostAsync(theirs, "#layout-form", $"{Editor}?handler=Save", ("label-1", "theirs"));
        Assert.Equal(HttpStatusCode.Redirect, first.StatusCode);
        using var second = await coach.PostAsync(mine, "#layout-form", $"{Editor}?handler=Save", ("label-1", "mine"));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, second.StatusCode);
        var page = await Visitor.ParsedAsync(second);
        Assert.NotEmpty(page.QuerySelector("[role=alert]")!.TextContent);
        Assert.Equal("mine", Value(page, "#label-1"));
        Assert.Equal("theirs", (await StoredAsync()).Marks[1].Label);
    }

    [Fact]
    public async Task A_zone_that_is_no_rectangle_is_typed_by_its_corners()
    {
        var coach = _home.Visit();
        var zone = (await StoredAsync()).Marks.Count;
        var page = await PressAsync(coach, await coach.OpenAsync(Editor), "put:zone");
        page = await PressAsync(coach, page, $"corners:{zone}");
        page = await PressAsync(coach, page, $"no-corner:{zone}:3");
        page = await PressAsync(
            coach,
            page,
            "set",
            ($"corner-x-{zone}-0", "5"),
            ($"corner-y-{zone}-0", "1"),
            ($"corner-x-{zone}-1", "8"),
            ($"corner-y-{zone}-1", "1"),
            ($"corner-x-{zone}-2", "12 ft"),
            ($"corner-y-{zone}-2", "4")
        );
        Assert.Null(page.QuerySelector($"#no-corner-{zone}-0"));
        Assert.NotNull(page.QuerySelector($"#corner-{zone}"));

        using var saved = await coach.PostAsync(page, "#layout-form", $"{Editor}?handler=Save");
        Assert.Equal(HttpStatusCode.Redirect, saved.StatusCode);
        Assert.Equal(
            [(Metre(5), Metre(1)), (Metre(8), Metre(1)), (new Measure(12, LengthUnit.Feet), Metre(4))],
            (await StoredAsync()).Marks[^1].Corners
        );

        static Measure Metre(double metres) => Measure.OfMetres(metres);
    }

    /// <summary>FIH Rules of Hockey: a field has one size; Laws of the Game, law 1: a football field is 90 to 120 m long.</summary>
    [Fact]
    public async Task A_court_whose_rule_book_leaves_a_choice_has_a_size_to_type()
    {
        var coach = _home.Visit();
        var page = await PressAsync(
            coach,
            await coach.OpenAsync(Editor),
            "set",
            ("court", "association football"),
            ("part", "whole")
        );
        page = await PressAsync(coach, page, "set", ("floor-length", "130"));
        Assert.Contains(
            "The rule book allows 90 m to 120 m",
            page.QuerySelector("[role=alert]")!.TextContent,
            StringComparison.Ordinal
        );
        page = await PressAsync(coach, page, "set", ("floor-length", "95"));
        using var saved = await coach.PostAsync(page, "#layout-form", $"{Editor}?handler=Save");
        Assert.Equal(95, (await StoredAsync()).Floor.By(Stride.Usual).Length);

        page = await PressAsync(coach, page, "set", ("court", "field hockey"));
        Assert.Null(page.QuerySelector("#floor-length"));
    }
}
