using System.Net;
using System.Text.Json.Nodes;
using AngleSharp.Html.Dom;
using KeepTally.Core.Faults;
using KeepTally.Core.Words;
using KeepTally.Store.Planning;
using KeepTally.Store.Practices;
using KeepTally.Store.Squads;

namespace KeepTally.Web.Tests.Practices;

/// <summary>A card of two, three or four a side is put up, run and drawn as those who are here fill it.</summary>
public sealed class VersusTests
{
    [Theory]
    [InlineData(5, "Two sides of two", 2)]
    [InlineData(7, "Two sides of three", 3)]
    [InlineData(8, "Two sides of four", 4)]
    [InlineData(17, "Two sides of four", 4)]
    public async Task As_many_play_as_are_here(int players, string stage, int number)
    {
        await using var home = Installation.Empty();
        await home.InitializeAsync();
        var team = await home.WithAsync<SquadBook, int>(squad => squad.AddTeamAsync("Reed Warblers", ""));
        await home.WithAsync<SquadBook, int>(async squad =>
        {
            var names = string.Join('\n', Enumerable.Range(1, players).Select(each => $"Player {(char)('A' + each)}"));
            await squad.TakeAsync(team, SquadNames.Read(names).Rows);
            return 0;
        });
        var practice = (
            await home.WithAsync<ReadyPracticeWriter, Result<int>>(writer => writer.AddAsync("handball-passing", team))
        ).Require();

        Assert.Null(await home.WithAsync<PracticeStart, Fault?>(async start => (await start.BeginAsync(practice)).FirstFault));
        var runs = await home.WithAsync<RunStore, IReadOnlyList<StoredRun>>(store => store.OfAsync(practice));
        var sheet = runs.SelectMany(run => run.Sheets).Single(each => each.Head.Drill == "three-a-side").Fold();

        Assert.Equal(stage, sheet.Stage.Name);
        // Anyone who has no spot waits in line.
        Assert.Equal(VersusWords.Of(number), VersusWords.Of(sheet.Stage, place => sheet.Floor.Now.At(place.Id).Count));
        Assert.Equal(players, sheet.Score.Roster.Everyone.Count());
    }

    [Fact]
    public async Task A_coach_chooses_the_numbers_on_each_side_on_the_day()
    {
        await using var home = new Installation();
        await home.InitializeAsync();
        var coach = home.Visit();
        await coach.PostAsync("/plan/1?handler=Add", "/plan/1", ("card", "three-a-side"));
        var page = await coach.OpenAsync("/plan/1");
        var choice = page.QuerySelectorAll("select[name=Versus]").Single();
        Assert.Equal(
            ["As many as are here", "2 v 2", "3 v 3 at most", "4 v 4 at most"],
            choice.QuerySelectorAll("option").Select(option => option.TextContent)
        );
        var key = choice.GetAttribute("form")!["line-form-".Length..];
        Assert.Contains("3 v 3", (await coach.ReadAsync("/")).Body!.TextContent, StringComparison.Ordinal);

        await coach.PostAsync(
            $"/plan/1?handler=Line&key={key}",
            "/plan/1",
            ("Minutes", "8"),
            ("Groups", "1"),
            ("Change", "60"),
            ("Versus", "2")
        );
        Assert.Contains("2 v 2", (await coach.ReadAsync("/")).Body!.TextContent, StringComparison.Ordinal);
        Assert.Null(await home.WithAsync<PracticeStart, Fault?>(async start => (await start.BeginAsync(1)).FirstFault));
        var runs = await home.WithAsync<RunStore, IReadOnlyList<StoredRun>>(store => store.OfAsync(1));
        var sheet = runs.SelectMany(run => run.Sheets).Single(each => each.Head.Drill == "three-a-side").Fold();
        Assert.Equal("2 v 2", VersusWords.Of(sheet.Stage, place => sheet.Floor.Now.At(place.Id).Count));
    }

    [Fact]
    public async Task Every_way_has_its_picture_its_card_and_its_drawing()
    {
        await using var home = new Installation();
        await home.InitializeAsync();
        var coach = home.Visit();

        var page = await coach.ReadAsync("/drills/three-a-side/set-up?way=4");
        Assert.Equal(["2 v 2", "3 v 3", "4 v 4"], page.QuerySelectorAll("nav.chips a").Select(link => link.TextContent));
        Assert.Equal("4 v 4", page.QuerySelector("nav.chips [aria-current=true]")!.TextContent);
        Assert.Contains("24 m by 20 m", page.Body!.TextContent, StringComparison.Ordinal);
        Assert.Contains(
            "Small sides, 2 v 2",
            (await coach.ReadAsync("/drills/three-a-side/set-up/card?way=2")).Body!.TextContent,
            StringComparison.Ordinal
        );
        // A number it is not played with is passed over.
        Assert.Contains(
            "20 m by 20 m",
            (await coach.ReadAsync("/drills/three-a-side/set-up?way=9")).Body!.TextContent,
            StringComparison.Ordinal
        );

        // What is drawn for one way is kept for that way.
        const string Address = "/drills/three-a-side/set-up/edit?way=2";
        var editor = await coach.ReadAsync(Address);
        string Field(string name) => editor.QuerySelector($"[name={name}]")!.GetAttribute("value")!;
        var saved = await coach.PostAsync(
            "/drills/three-a-side/set-up/edit?handler=Save&way=2",
            Address,
            ("revision", Field("revision")),
            ("text", """{"surface":{"length":12,"width":9},"marks":[],"paths":[],"steps":[]}""")
        );
        Assert.Equal(HttpStatusCode.Redirect, saved.StatusCode);
        var card = JsonNode.Parse(await (await coach.GetAsync("/drills/three-a-side?handler=Json")).Content.ReadAsStringAsync())!;
        Assert.Equal(12, (double)card["stages"]![0]!["versus"]!["2"]!["layout"]!["surface"]!["length"]!);
        Assert.Equal(20, (double)card["layout"]!["surface"]!["length"]!);
    }

    [Fact]
    public async Task The_editor_makes_another_way_from_the_places_and_takes_it_out()
    {
        await using var home = new Installation();
        await home.InitializeAsync();
        var coach = home.Visit();
        // Six a side as it is written: of the usual numbers all are offered.
        var page = await coach.OpenAsync("/drills/edit/circle-and-go");
        Assert.Equal(
            ["Also 2 v 2", "Also 3 v 3", "Also 4 v 4"],
            page.QuerySelectorAll("[name=act][value^='versus ']").Select(button => button.TextContent)
        );

        const string Change = "/drills/edit/circle-and-go?handler=Change";
        using var answer = await coach.PostAsync(page, "#card-form", Change, ("act", "versus stages[0] 4"));
        var made = await Visitor.ParsedAsync(answer);
        Assert.Equal("4", Value(made, "number:stages[0].versus.4.places[0].size"));
        Assert.Equal("4", Value(made, "number:stages[0].versus.4.places[1].size"));
        Assert.DoesNotContain(made.QuerySelectorAll("[data-fault^='stages[0].versus']"), fault => fault.TextContent.Length > 0);

        using var wrong = await coach.PostAsync(
            made,
            "#card-form",
            "/drills/edit/circle-and-go?handler=Save",
            ("number:stages[0].versus.4.places[0].size", "3")
        );
        Assert.Contains(
            "the spots of \"plain\" take 3, not 4",
            (await Visitor.ParsedAsync(wrong)).QuerySelector("[data-fault='stages[0].versus.4.places']")!.TextContent,
            StringComparison.Ordinal
        );

        using var saved = await coach.PostAsync(made, "#card-form", "/drills/edit/circle-and-go?handler=Save");
        Assert.Equal(HttpStatusCode.Redirect, saved.StatusCode);
        Assert.Contains(
            "Played 4 v 4 or 6 v 6",
            (await coach.ReadAsync("/drills/circle-and-go")).Body!.TextContent,
            StringComparison.Ordinal
        );

        using var dropped = await coach.PostAsync(made, "#card-form", Change, ("act", "drop stages[0].versus.4"));
        Assert.Null((await Visitor.ParsedAsync(dropped)).QuerySelector("[name^='number:stages[0].versus']"));
    }

    private static string Value(IHtmlDocument page, string field) =>
        ((IHtmlInputElement)page.QuerySelector($"[name='{field}']")!).Value;
}
