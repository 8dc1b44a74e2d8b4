using System.Net;
using AngleSharp.Html.Dom;
using KeepTally.Core.Dealing;
using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Groups;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;
using KeepTally.Store.Database;
using KeepTally.Store.Events;
using KeepTally.Store.Practices;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Tests.Squads;

/// <summary>Players leave, are erased, come late and are kept from what they may not do.</summary>
public sealed class SquadTests : IAsyncLifetime
{
    private readonly Installation _home = new();

    public ValueTask InitializeAsync() => _home.InitializeAsync();

    public ValueTask DisposeAsync() => _home.DisposeAsync();

    [Fact]
    public async Task An_erased_player_leaves_results_without_a_name()
    {
        await _home.BegunAsync();
        var ada = await PlayerAsync("Ada Fenwick");
        var practice = await _home.PracticeAsync();

        Assert.True(await _home.WithAsync<PlayerErasure, bool>(erasure => erasure.EraseAsync(ada)));
        Assert.False(await _home.WithAsync<PlayerErasure, bool>(erasure => erasure.EraseAsync(ada)));

        var kept = await _home.WithAsync<TallyDb, string>(async db =>
            string.Join(
                '\n',
                await db.Sheets.Select(sheet => sheet.HeadJson).Concat(db.Players.Select(player => player.Name)).ToListAsync()
            )
        );
        Assert.DoesNotContain("Fenwick", kept, StringComparison.Ordinal);
        Assert.Contains($"\"id\":\"p{ada}\",\"name\":\"Nameless\"", kept, StringComparison.Ordinal);
        var csv = await (
            await _home.Visit().Http.GetAsync(new Uri($"/results/{practice}?handler=Csv", UriKind.Relative))
        ).Content.ReadAsStringAsync();
        Assert.DoesNotContain("Fenwick", csv, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Of_an_erased_player_no_note_tells_and_others_keep_theirs()
    {
        var sheet = new SheetId((await _home.BegunAsync())[0]);
        var ada = await PlayerAsync("Ada Fenwick");
        RunEvent[] notes =
        [
            new RunEvent.Note(new EventId(new DeviceId("d"), 1), new Instant(1), "ada feeds Bea early; Adamant", null),
            new RunEvent.Note(new EventId(new DeviceId("d"), 2), new Instant(2), "looks tired", new PlayerId($"p{ada}")),
            new RunEvent.Note(new EventId(new DeviceId("d"), 3), new Instant(3), "Ada Fenwick and Cleo to the wing", null),
        ];
        await _home.WithAsync<EventJournal, Appended>(journal => journal.AppendAsync(sheet, notes));
        await _home.WithAsync<PlayerErasure, bool>(erasure => erasure.EraseAsync(ada));

        var lines = await _home.WithAsync<TallyDb, List<string>>(db =>
            db.Events.OrderBy(row => row.Sequence).Select(row => row.Line).ToListAsync()
        );
        Assert.Equal(
            ["Nameless feeds Bea early; Adamant", "Nameless", "Nameless and Cleo to the wing"],
            lines.Select(line => ((RunEvent.Note)EventReader.Read(line).Require()).Text)
        );
    }

    /// <summary>SQLite leaves what is deleted in the file unless told otherwise (sqlite.org, PRAGMA secure_delete).</summary>
    [Fact]
    public async Task Of_an_erased_player_nothing_is_left_in_the_file()
    {
        await _home.BegunAsync();
        var file = await _home.WithAsync<TallyDb, string>(db => Task.FromResult(db.Database.GetDbConnection().DataSource));
        Assert.True(await HoldsAsync(file, "Ada Fenwick"));
        Assert.True(
            await _home.WithAsync<PlayerErasure, bool>(async erasure => await erasure.EraseAsync(await PlayerAsync("Ada Fenwick")))
        );

        Assert.False(await HoldsAsync(file, "Ada Fenwick"));
        Assert.True(await HoldsAsync(file, "Bea Marlowe"));
    }

    private static async Task<bool> HoldsAsync(string file, string name)
    {
        foreach (var each in new[] { file, file + "-wal" }.Where(File.Exists))
        {
            await using var open = new FileStream(each, FileMode.Open, FileAccess.Read, FileShare.ReadWrite);
            using var bytes = new MemoryStream();
            await open.CopyToAsync(bytes);
            if (bytes.ToArray().AsSpan().IndexOf(System.Text.Encoding.UTF8.GetBytes(name)) >= 0)
            {
                return true;
            }
        }

        return false;
    }

    [Fact]
    public async Task An_open_squad_is_told_who_was_added_changed_and_removed()
    {
        var coach = _home.Visit();
        var sign = (await coach.OpenAsync("/squad")).QuerySelector("[hx-get*=News]")!.GetAttribute("hx-get")!;
        Assert.Equal(HttpStatusCode.NoContent, (await coach.Http.GetAsync(new Uri(sign, UriKind.Relative))).StatusCode);

        var ada = await PlayerAsync("Ada Fenwick");
        var bea = await PlayerAsync("Bea Marlowe");
        await _home.WithAsync<SquadBook, int>(squad => squad.AddAsync(1, new PlayerDetails("Orla Teasel", 21, null, "", null, "")));
        await _home.WithAsync<SquadBook, bool>(squad =>
            squad.ChangeAsync(bea, new PlayerDetails("Bea Marlowe", 33, null, "", null, ""))
        );
        await _home.WithAsync<SquadBook, bool>(squad => squad.ArchiveAsync(ada, true));

        var told = (await coach.OpenAsync(sign)).Body!.TextContent;
        Assert.Contains("Added: Orla Teasel.", told, StringComparison.Ordinal);
        Assert.Contains("Changed: Bea Marlowe.", told, StringComparison.Ordinal);
        Assert.Contains("Removed: one player.", told, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Who_left_is_not_dealt_in_and_can_come_back()
    {
        var ada = await PlayerAsync("Ada Fenwick");
        Assert.True(await _home.WithAsync<SquadBook, bool>(squad => squad.ArchiveAsync(ada, true)));

        await _home.BegunAsync();
        Assert.DoesNotContain(await HeadsAsync(), head => head.Contains($"\"p{ada}\"", StringComparison.Ordinal));
        var page = await _home.Visit().OpenAsync($"/squad?edit={ada}");
        Assert.Contains("Restore to the squad", page.Body!.TextContent, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_limit_keeps_a_player_from_what_it_forbids_and_the_coach_is_told()
    {
        var (visitor, bea) = (_home.Visit(), await PlayerAsync("Bea Marlowe"));
        var today = await visitor.OpenAsync("/");
        var button = (IHtmlButtonElement)today.QuerySelector($"#NoThrowing-{bea}")!;
        using var marked = await visitor.SendAsync(today, ".here-list", button.GetAttribute("formaction"));

        var told = (await visitor.OpenAsync("/")).QuerySelector(".left-out")!.TextContent;
        Assert.Equal("Bea Marlowe, no throwing today: left out of Minute trios and Three gates.", told.Trim());

        await _home.BegunAsync();
        var heads = await HeadsAsync();
        Assert.DoesNotContain(heads[..8], head => Names(head).Contains("Bea Marlowe"));
        Assert.Contains(heads[8..], head => Names(head).Contains("Bea Marlowe"));
        // Nor may she come in later.
        Assert.DoesNotContain(heads[..8], head => head.Contains("Bea", StringComparison.Ordinal));
    }

    [Fact]
    public async Task Who_comes_late_is_not_dealt_in_at_the_start()
    {
        var (practice, bea) = (await _home.PracticeAsync(), await PlayerAsync("Bea Marlowe"));
        Assert.True(await _home.WithAsync<PracticeBook, bool>(book => book.MarkAsync(practice, bea, Presence.Late)));

        await _home.BegunAsync();

        var heads = await HeadsAsync();
        Assert.DoesNotContain(heads, head => Names(head).Contains("Bea Marlowe"));
        Assert.All(heads, head => Assert.Contains(HeadReader.Read(head).Require().Bench!, player => player.Name == "Bea Marlowe"));
    }

    [Fact]
    public async Task A_drill_that_limits_leave_without_players_is_named_and_nothing_begins()
    {
        var practice = await _home.PracticeAsync();
        foreach (var player in await _home.WithAsync<TallyDb, List<int>>(db => db.Players.Select(each => each.Id).ToListAsync()))
        {
            await _home.WithAsync<PracticeBook, bool>(book => book.LimitAsync(practice, player, Restrictions.NoContact));
        }

        var hindrance = await _home.WithAsync<PracticeStart, Fault?>(async start => (await start.BeginAsync(practice)).FirstFault);

        Assert.Contains("Win it, score it", hindrance!.Told, StringComparison.Ordinal);
        Assert.Empty(await HeadsAsync());
    }

    [Fact]
    public async Task A_list_is_shown_first_and_then_its_good_rows_are_taken()
    {
        var visitor = _home.Visit();
        using var shown = await visitor.PostAsync(
            await visitor.OpenAsync("/squad/import"),
            "#bring",
            "/squad/import",
            ("text", "name,number\nAda Fenwick,2\nZoe Fern,21\n,5")
        );
        var preview = await Visitor.ParsedAsync(shown);
        Assert.Contains("Line 4: the name is missing.", preview.QuerySelector("#wrong")!.TextContent, StringComparison.Ordinal);
        Assert.Equal(14, await _home.WithAsync<TallyDb, int>(db => db.Players.CountAsync(player => player.TeamId == 1)));

        using var taken = await visitor.PostAsync(preview, "#take", "/squad/import?handler=Take");
        Assert.True((int)taken.StatusCode < 400, $"{taken.StatusCode}");

        Assert.Equal(15, await _home.WithAsync<TallyDb, int>(db => db.Players.CountAsync(player => player.TeamId == 1)));
        var csv = await (await visitor.Http.GetAsync(new Uri("/squad?handler=Csv", UriKind.Relative))).Content.ReadAsStringAsync();
        Assert.Contains("Zoe Fern,21", csv, StringComparison.Ordinal);

        // Undone, the squad is as it was.
        var page = await visitor.OpenAsync("/squad");
        Assert.Contains("One new player", page.QuerySelector(".undo-import")!.TextContent, StringComparison.Ordinal);
        using var undone = await visitor.PostAsync(page, ".undo-import", "/squad?handler=UndoImport");
        Assert.Equal(14, await _home.WithAsync<TallyDb, int>(db => db.Players.CountAsync(player => player.TeamId == 1)));
        Assert.Null((await visitor.OpenAsync("/squad")).QuerySelector(".undo-import"));
    }

    [Fact]
    public async Task Undoing_an_import_leaves_alone_who_was_changed_again_since()
    {
        var visitor = _home.Visit();
        var before = await BornAsync();
        using var shown = await visitor.PostAsync(
            await visitor.OpenAsync("/squad/import"),
            "#bring",
            "/squad/import",
            ("text", "name,born\nAda Fenwick,2001\nBea Marlowe,2002")
        );
        using (await visitor.PostAsync(await Visitor.ParsedAsync(shown), "#take", "/squad/import?handler=Take")) { }
        Assert.Equal((2001, 2002), await BornAsync());
        var ada = await _home.WithAsync<TallyDb, int>(db =>
            db.Players.Where(player => player.TeamId == 1 && player.Name == "Ada Fenwick").Select(player => player.Id).SingleAsync()
        );
        using (
            var changed = await visitor.PostAsync(
                await visitor.OpenAsync($"/squad?edit={ada}"),
                ".squad-form form",
                "/squad",
                ("Form.BirthYear", "2003")
            )
        )
        {
            Assert.Equal(HttpStatusCode.Redirect, changed.StatusCode);
        }

        using var undone = await visitor.PostAsync(await visitor.OpenAsync("/squad"), ".undo-import", "/squad?handler=UndoImport");
        Assert.Equal((2003, before.Bea), await BornAsync());

        Task<(int? Ada, int? Bea)> BornAsync() =>
            _home.WithAsync<TallyDb, (int?, int?)>(async db =>
                (
                    await db
                        .Players.Where(player => player.TeamId == 1 && player.Name == "Ada Fenwick")
                        .Select(player => player.BirthYear)
                        .SingleAsync(),
                    await db
                        .Players.Where(player => player.TeamId == 1 && player.Name == "Bea Marlowe")
                        .Select(player => player.BirthYear)
                        .SingleAsync()
                )
            );
    }

    [Theory]
    [InlineData("Shuffle")]
    [InlineData("Spread")]
    [InlineData("Fresh")]
    public async Task The_groups_shown_beforehand_are_the_groups_that_are_dealt(string way)
    {
        var (visitor, practice) = (_home.Visit(), await _home.PracticeAsync());
        using var chosen = await visitor.SendAsync(
            await visitor.OpenAsync("/"),
            ".ways",
            $"/?handler=Split&way={way}&seed=5",
            ("practice", $"{practice}")
        );
        var shown = (await visitor.OpenAsync("/")).QuerySelectorAll(".dealt dd").Select(each => each.TextContent).ToArray();

        await _home.BegunAsync();
        var first = HeadReader.Read((await HeadsAsync())[0]).Require().Units.Select(unit => unit.Name.Split(' ')[0]);
        Assert.Contains(string.Join(", ", first), shown[0], StringComparison.Ordinal);
        Assert.Empty((await visitor.OpenAsync("/")).QuerySelectorAll(".dealt"));
        Assert.False(
            await _home.WithAsync<GroupWriter, bool>(async writer =>
                (await writer.SplitAsync(practice, SplitWay.Listed, 1, "")).IsOk
            )
        );
    }

    [Fact]
    public async Task Fresh_partners_do_not_meet_again_in_the_next_drill_while_others_are_left()
    {
        var practice = await _home.PracticeAsync();
        await _home.WithAsync<GroupWriter, bool>(async writer => (await writer.SplitAsync(practice, SplitWay.Fresh, 3, "")).IsOk);
        await _home.BegunAsync();

        var heads = (await HeadsAsync()).Select(head => HeadReader.Read(head).Require()).ToArray();
        var (trios, gates) = (
            heads[..4].Select(Pairs).SelectMany(pairs => pairs),
            heads[4..8].Select(Pairs).SelectMany(pairs => pairs)
        );

        // Twelve in four trios twice over: nobody need meet any player twice (common practice; a known small design).
        Assert.Empty(trios.Intersect(gates));
    }

    private static IEnumerable<Pair> Pairs(KeepTally.Core.Events.LogHead head) =>
        head.Units.SelectMany((one, i) => head.Units.Skip(i + 1).Select(other => new Pair(one.Id, other.Id)));

    /// <summary>Everyone dealt onto a sheet.</summary>
    private static IEnumerable<string> Names(string head) =>
        HeadReader.Read(head).Require().Units.SelectMany(unit => unit.People).Select(player => player.Name);

    private Task<List<string>> HeadsAsync() =>
        _home.WithAsync<TallyDb, List<string>>(db =>
            db.Sheets.OrderBy(sheet => sheet.Run!.Block!.Order)
                .ThenBy(sheet => sheet.Order)
                .Select(sheet => sheet.HeadJson)
                .ToListAsync()
        );

    private Task<int> PlayerAsync(string name) =>
        _home.WithAsync<TallyDb, int>(db =>
            db.Players.Where(player => player.Name == name).Select(player => player.Id).SingleAsync()
        );
}
