using System.Net;
using AngleSharp.Html.Dom;
using KeepTally.Core.Dealing;
using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Formats;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;
using KeepTally.Store.Database;
using KeepTally.Store.Events;
using KeepTally.Store.Planning;
using KeepTally.Store.Practices;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace KeepTally.Web.Tests.Practices;

/// <summary>Groups as a coach makes them, on the page and at the start.</summary>
public sealed class GroupPageTests : IAsyncLifetime
{
    private readonly Installation _home = new();
    private int _practice;

    public async ValueTask InitializeAsync()
    {
        await _home.InitializeAsync();
        _practice = await _home.PracticeAsync();
    }

    public ValueTask DisposeAsync() => _home.DisposeAsync();

    private Task<IHtmlDocument> PageAsync() => _home.Visit().OpenAsync($"/groups/{_practice}");

    /// <summary>Says something as the page does, and gives the page as it is then.</summary>
    private async Task<IHtmlDocument> SayAsync(string handler, string query, params (string Name, string Value)[] fields)
    {
        var visitor = _home.Visit();
        var page = await visitor.OpenAsync($"/groups/{_practice}");
        using var answer = await visitor.SendAsync(page, "form", $"/groups/{_practice}?handler={handler}&{query}", fields);
        return answer.Headers.Location is null
            ? await Visitor.ParsedAsync(answer)
            : await visitor.OpenAsync($"/groups/{_practice}");
    }

    private async Task<IReadOnlyList<int>> BlocksAsync() =>
        await _home.WithAsync<TallyDb, List<int>>(db =>
            db.Blocks.OrderBy(block => block.Order).Select(block => block.Id).ToListAsync()
        );

    /// <summary>The groups of one set on the page, players by first name.</summary>
    private static string[] Groups(IHtmlDocument page, string set) =>
        [
            .. page.QuerySelectorAll($"[data-made={set}] [data-group]")
                .Select(group =>
                    string.Join(
                        ' ',
                        group.QuerySelectorAll(".made-player").Select(player => player.TextContent.Trim().Split(' ')[0])
                    )
                ),
        ];

    private async Task<string> PlayerAsync(string name) =>
        await _home.WithAsync<TallyDb, string>(async db =>
            (await db.Players.SingleAsync(player => player.Name.StartsWith(name))).UnitId.Value
        );

    [Fact]
    public async Task A_player_moved_by_hand_plays_where_they_were_moved_to_and_it_is_said_what_that_does()
    {
        var (block, ada) = ((await BlocksAsync())[0], await PlayerAsync("Ada"));
        var before = Groups(await PageAsync(), $"b{block}");

        var after = Groups(await SayAsync("Move", $"block={block}&player={ada}&to=1"), $"b{block}");

        Assert.StartsWith("Ada", before[0], StringComparison.Ordinal);
        Assert.EndsWith(" Ada", after[1], StringComparison.Ordinal);
        Assert.Contains(
            "4 in the largest group, 2 in the smallest",
            (await PageAsync()).QuerySelector(".even")!.TextContent,
            StringComparison.Ordinal
        );
        await _home.BegunAsync();
        var dealt = await _home.WithAsync<TallyDb, string>(db =>
            db.Sheets.Where(sheet => sheet.Run!.BlockId == block && sheet.Order == 1).Select(sheet => sheet.HeadJson).SingleAsync()
        );
        Assert.Contains(ada, HeadReader.Read(dealt).Require().Units.Select(unit => unit.Id).Select(id => id.Value));
    }

    [Fact]
    public async Task Sizes_made_by_hand_stand_on_the_timing_sheet_and_who_gets_fewer_goes_is_said()
    {
        var (block, ada) = ((await BlocksAsync())[0], await PlayerAsync("Ada"));
        var moved = await SayAsync("Move", $"block={block}&player={ada}&to=1");

        var said = moved.QuerySelectorAll(".fair").Select(line => line.TextContent).ToArray();
        Assert.StartsWith("Four players: after four changes everyone has done every job", said[0], StringComparison.Ordinal);
        Assert.EndsWith(
            "In the three rounds of the clock only three of them get a go as shooter, three as rebounder and three as feeder.",
            said[0],
            StringComparison.Ordinal
        );
        var today = await _home.Visit().OpenAsync("/");
        Assert.Equal("4 min, 1 of 4, 2 of 3 and 1 of 2", today.QuerySelector(".how")!.TextContent);
    }

    [Fact]
    public async Task The_printed_plan_names_the_groups_of_every_line_a_drill_stands_in()
    {
        using (
            await _home.Visit().PostAsync($"/plan/{_practice}?handler=Add", $"/plan/{_practice}", ("card", await FirstCardAsync()))
        ) { }

        var blocks = await BlocksAsync();
        await SayAsync("Move", $"block={blocks[0]}&player={await PlayerAsync("Ada")}&to=1");
        var page = await PageAsync();
        var print = await _home.Visit().OpenAsync($"/plan/{_practice}/print");
        string[] printed = [.. print.QuerySelectorAll(".clipboard-drill b").Select(group => group.TextContent)];
        string[] expected =
        [
            .. blocks
                .SelectMany(block => Groups(page, $"b{block}"))
                .Select(group => group.Replace(" ", ", ", StringComparison.Ordinal)),
        ];
        var times = print.QuerySelectorAll(".clipboard-drill")[0].QuerySelectorAll("b").Select(group => group.TextContent[..5]);

        Assert.NotEmpty(expected);
        Assert.Equal(
            expected.Order(),
            printed.Select(group => group[(group.LastIndexOf(": ", StringComparison.Ordinal) + 2)..]).Order()
        );
        Assert.Equal(2, times.Distinct().Count());
    }

    private async Task<string> FirstCardAsync() =>
        (await _home.WithAsync<PlanBook, OpenPlan?>(plans => plans.OpenAsync(_practice)))!
            .Plan.Blocks.SelectMany(block => block.Cards)
            .First();

    [Fact]
    public async Task Two_of_one_name_are_told_apart_on_today()
    {
        await _home.WithAsync<SquadBook, int>(book => book.AddAsync(1, new PlayerDetails("Ada Marsh", 21, null, "", null, "")));

        var groups = (await _home.Visit().OpenAsync("/")).QuerySelector(".dealt")!.TextContent;

        Assert.Contains("Ada F,", groups, StringComparison.Ordinal);
        Assert.Contains("Ada M", groups, StringComparison.Ordinal);
        Assert.Contains("Bea,", groups, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Two_change_places_and_as_dealt_again_takes_it_back()
    {
        var (block, ada, bea) = ((await BlocksAsync())[0], await PlayerAsync("Ada"), await PlayerAsync("Bea"));
        var before = Groups(await PageAsync(), $"b{block}");

        var after = Groups(await SayAsync("Exchange", $"block={block}&player={ada}&other={bea}"), $"b{block}");
        Assert.StartsWith("Bea", after[0], StringComparison.Ordinal);
        Assert.StartsWith("Ada", after[1], StringComparison.Ordinal);

        Assert.Equal(before, Groups(await SayAsync("LetGo", $"block={block}"), $"b{block}"));
    }

    [Fact]
    public async Task Groups_made_by_hand_go_with_who_is_here()
    {
        var (block, ada) = ((await BlocksAsync())[0], await PlayerAsync("Ada"));
        await SayAsync("Move", $"block={block}&player={ada}&to=1");
        await _home.WithAsync<PracticeBook, bool>(book => book.MarkAsync(_practice, int.Parse(ada[1..], null), Presence.Absent));

        Assert.DoesNotContain(Groups(await PageAsync(), $"b{block}"), group => group.Contains("Ada", StringComparison.Ordinal));
    }

    [Fact]
    public async Task A_group_that_is_left_too_small_is_told_on_today_with_what_puts_it_right()
    {
        var visitor = _home.Visit();
        var today = await visitor.OpenAsync("/");
        Assert.Empty(today.QuerySelectorAll(".trouble"));

        // Four groups of three, and one does not come: the jobs of Minute trios take three.
        var ada = int.Parse((await PlayerAsync("Ada"))[1..], null);
        await _home.WithAsync<PracticeBook, bool>(book => book.MarkAsync(_practice, ada, Presence.Absent));
        var told = await visitor.OpenAsync("/");
        var trouble = told.QuerySelector(".trouble")!;
        Assert.Contains("A group of 2 in Minute trios; it takes 3.", trouble.TextContent, StringComparison.Ordinal);

        using var repaired = await visitor.SendAsync(
            told,
            ".trouble",
            ("label", trouble.QuerySelector("button")!.TextContent.Trim())
        );
        Assert.Equal(HttpStatusCode.Redirect, repaired.StatusCode);
        var after = await visitor.OpenAsync("/");
        Assert.Empty(after.QuerySelectorAll(".trouble"));
        Assert.Contains(
            "two of 4 and one of 3",
            after
                .QuerySelector(".sheet-lines .how")!
                .TextContent.Replace("2 of", "two of", StringComparison.Ordinal)
                .Replace("1 of", "one of", StringComparison.Ordinal),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task Settled_groups_hold_for_every_drill_and_two_of_them_make_a_side()
    {
        var blocks = await BlocksAsync();
        await SayAsync("Split", "way=Shuffle&seed=4");
        var page = await SayAsync("Settle", $"block={blocks[0]}");

        var settled = Groups(page, "all");
        Assert.Equal(4, settled.Length);
        Assert.Equal(settled, Groups(page, $"b{blocks[0]}"));
        Assert.Equal(settled, Groups(page, $"b{blocks[1]}"));
        Assert.Equal([$"{settled[0]} {settled[2]}", $"{settled[1]} {settled[3]}"], Groups(page, $"b{blocks[2]}"));

        var ada = await PlayerAsync("Ada");
        var to = Array.FindIndex(settled, group => !group.Contains("Ada", StringComparison.Ordinal));
        var moved = await SayAsync("Move", $"player={ada}&to={to}");
        Assert.Contains("Ada", Groups(moved, $"b{blocks[1]}")[to], StringComparison.Ordinal);
    }

    [Fact]
    public async Task Pairs_kept_apart_and_together_are_kept_in_every_drill_until_they_are_let_go()
    {
        var (ada, cleo, bea) = (await PlayerAsync("Ada"), await PlayerAsync("Cleo"), await PlayerAsync("Bea"));
        var esme = await PlayerAsync("Esme");
        await SayAsync("Pair", "together=false", ("one", ada[1..]), ("other", esme[1..]));
        var page = await SayAsync("Pair", "together=true", ("one", bea[1..]), ("other", cleo[1..]));

        foreach (var block in await BlocksAsync())
        {
            var groups = Groups(page, $"b{block}");
            Assert.DoesNotContain(
                groups,
                group => group.Contains("Ada", StringComparison.Ordinal) && group.Contains("Esme", StringComparison.Ordinal)
            );
            Assert.Contains(
                groups,
                group => group.Contains("Bea", StringComparison.Ordinal) && group.Contains("Cleo", StringComparison.Ordinal)
            );
        }

        Assert.Contains(
            "Choose two different players",
            (await SayAsync("Pair", "together=true", ("one", ada[1..]), ("other", ada[1..]))).QuerySelector(".says")!.TextContent,
            StringComparison.Ordinal
        );
        await SayAsync("Unpair", "pair=1");
        Assert.Equal(1, await _home.WithAsync<TallyDb, int>(db => db.KeptPairs.CountAsync()));
    }

    [Fact]
    public async Task Pairs_that_cannot_be_kept_are_named_and_nothing_begins()
    {
        var (ada, bea, cleo) = (await PlayerAsync("Ada"), await PlayerAsync("Bea"), await PlayerAsync("Cleo"));
        foreach (var (one, other) in new[] { (ada, bea), (bea, cleo), (ada, cleo) })
        {
            await SayAsync("Pair", "together=false", ("one", one[1..]), ("other", other[1..]));
        }

        var blocks = await BlocksAsync();
        var page = await SayAsync("Count", $"block={blocks[0]}", ("by", "Number"), ("number", "2"));

        Assert.Contains(
            "kept pairs leave no way to make 2 even groups",
            page.QuerySelector("main .says")!.TextContent,
            StringComparison.Ordinal
        );
        var hindrance = await _home.WithAsync<PracticeStart, Fault?>(async start => (await start.BeginAsync(_practice)).FirstFault);
        Assert.StartsWith("Minute trios: the kept pairs leave no way", hindrance!.Told, StringComparison.Ordinal);
    }

    [Fact]
    public async Task How_many_groups_follows_from_a_number_a_size_or_what_there_is()
    {
        var block = (await BlocksAsync())[0];

        Assert.Equal(3, Groups(await SayAsync("Count", $"block={block}", ("by", "Number"), ("number", "3")), $"b{block}").Length);
        Assert.Equal(3, Groups(await SayAsync("Count", $"block={block}", ("by", "Size"), ("number", "5")), $"b{block}").Length);
        await SayAsync("Means", "", ("balls", "20"), ("courts", "2"), ("coaches", ""));
        var most = await SayAsync("Count", $"block={block}", ("by", "Most"), ("number", "5"));
        Assert.Equal(2, Groups(most, $"b{block}").Length);
        Assert.Contains("Two groups: there are no more courts", most.QuerySelector("main")!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Groups_are_made_level_by_the_results_of_a_drill_once_there_are_some()
    {
        Assert.Null((await PageAsync()).GetElementById("level-by"));
        var strong = await EarlierResultsAsync("three-gates", ["Ada", "Bea", "Cleo", "Dora"]);

        var page = await SayAsync("Split", "way=Level&seed=1", ("by", "three-gates"));

        Assert.Equal("level by Three gates", page.QuerySelector("#level-by.is-chosen option[selected]")!.TextContent);
        Assert.All(Groups(page, $"b{(await BlocksAsync())[0]}"), group => Assert.Single(group.Split(' ').Intersect(strong)));
        Assert.Contains(
            "No result yet, placed last: Esme Thornbury",
            page.QuerySelector("main")!.TextContent,
            StringComparison.Ordinal
        );
        var spread = await SayAsync("Split", "way=Spread&seed=1");
        Assert.Contains("then level by Three gates.", spread.QuerySelector("main")!.TextContent, StringComparison.Ordinal);
        Assert.Contains("positions spread; level;", spread.QuerySelector(".even")!.TextContent, StringComparison.Ordinal);
    }

    /// <summary>A practice of last week in which some made a shot each and the others were not there.</summary>
    private Task<string[]> EarlierResultsAsync(string card, string[] names) =>
        _home.WithAsync<TallyDb, string[]>(async db =>
        {
            var version = await db.CardVersions.FirstAsync(each => each.CardId == card);
            var players = (await db.Players.ToListAsync()).Where(player => names.Contains(player.Name.Split(' ')[0])).ToArray();
            var read = CardReader.Read(version.Json).Require();
            var head = StageDealer
                .Deal(read, 0, [.. players.Select(player => new Core.Events.Member(player.UnitId, player.Name))], 1)[0]
                .Head;
            var sheet = new SheetRow
            {
                Id = "earlier",
                Name = "",
                HeadJson = HeadReader.Write(head),
            };
            db.Practices.Add(
                new Practice
                {
                    TeamId = 1,
                    Title = "Earlier",
                    Date = new DateOnly(2026, 8, 27),
                    Blocks =
                    [
                        new Block
                        {
                            CardVersionId = version.Id,
                            Run = new Run { CardJson = version.Json, Sheets = [sheet] },
                        },
                    ],
                }
            );
            await db.SaveChangesAsync();
            await _home
                .Services.GetRequiredService<JournalWriter>()
                .AppendAsync(
                    new SheetId("earlier"),
                    [
                        new Core.Events.RunEvent.Start(new(new DeviceId("t"), 1), new Instant(0)),
                        .. players.Select(
                            (player, n) =>
                                new Core.Events.RunEvent.Tap(
                                    new(new DeviceId("t"), n + 2),
                                    new Instant(10_000 + n),
                                    player.UnitId,
                                    read.Stages[0].Outcomes[0].Id,
                                    null,
                                    null,
                                    null
                                )
                        ),
                    ]
                );
            return names;
        });
}
