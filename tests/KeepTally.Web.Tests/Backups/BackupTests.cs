using System.Net;
using System.Text;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;
using KeepTally.Store.Backups;
using KeepTally.Store.Database;
using KeepTally.Store.Events;
using KeepTally.Store.People;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Tests.Backups;

/// <summary>All data as one file, and back.</summary>
public sealed class BackupTests : IAsyncLifetime
{
    private readonly Installation _home = new();

    public ValueTask InitializeAsync() => _home.InitializeAsync();

    public ValueTask DisposeAsync() => _home.DisposeAsync();

    private DataFolder Data => (DataFolder)_home.Services.GetService(typeof(DataFolder))!;

    private Task<T> ShelfAsync<T>(Func<BackupShelf, T> use) =>
        _home.WithAsync<BackupShelf, T>(shelf => Task.FromResult(use(shelf)));

    private async Task<string> TappedAsync(int taps)
    {
        var sheet = (await _home.BegunAsync())[0];
        await TapAsync(sheet, 1, taps);
        return sheet;
    }

    private async Task TapAsync(string sheet, int from, int taps)
    {
        for (var n = from; n < from + taps; n++)
        {
            var note = new RunEvent.Note(new EventId(new DeviceId("phone"), n), new Instant(n), $"tap {n}", null);
            await _home.WithAsync<EventJournal, Appended>(journal => journal.AppendAsync(new SheetId(sheet), [note]));
        }
    }

    private Task<int> EventsAsync() => _home.WithAsync<TallyDb, int>(db => db.Events.CountAsync());

    private DateTime Now => _home.Clock.GetLocalNow().DateTime;

    private async Task RestartAsync()
    {
        await _home.StopAsync();
        await _home.StartAsync();
    }

    [Fact]
    public async Task A_backup_of_the_running_application_holds_every_acknowledged_tap_in_one_file()
    {
        await TappedAsync(150);

        var backup = await ShelfAsync(shelf => shelf.Make(BackupKind.Daily, Now));

        Assert.Equal(150, BackupFacts.Read(backup.File).Require().Events);
        Assert.Equal([backup.File], Directory.GetFiles(Data.Backups));
        if (!OperatingSystem.IsWindows())
        {
            Assert.Equal(UnixFileMode.UserRead | UnixFileMode.UserWrite, File.GetUnixFileMode(backup.File));
            Assert.Equal(UnixFileMode.UserRead | UnixFileMode.UserWrite, File.GetUnixFileMode(Data.Database));
        }
    }

    [Fact]
    public async Task A_restore_brings_the_data_back_and_is_undone_by_the_backup_it_made()
    {
        var sheet = await TappedAsync(3);
        var backup = await ShelfAsync(shelf => shelf.Make(BackupKind.Daily, Now));
        await TapAsync(sheet, 4, 2);
        Assert.Equal(5, await EventsAsync());

        Assert.True(
            (
                await _home.WithAsync<BackupRestore, Core.Faults.Result<BackupFacts>>(restore =>
                    Task.FromResult(restore.LayReady(backup.File))
                )
            ).IsOk
        );
        Assert.Equal(5, await EventsAsync());
        await RestartAsync();
        Assert.Equal(3, await EventsAsync());

        var before = (await ShelfAsync(shelf => shelf.List())).Single(each => each.Kind == BackupKind.BeforeRestore);
        _home.Clock.Advance(TimeSpan.FromSeconds(2));
        await _home.WithAsync<BackupRestore, bool>(restore => Task.FromResult(restore.LayReady(before.File).IsOk));
        await RestartAsync();
        Assert.Equal(5, await EventsAsync());
    }

    [Fact]
    public async Task A_restore_that_broke_off_is_finished_by_the_next_start()
    {
        await TappedAsync(3);
        var backup = await ShelfAsync(shelf => shelf.Make(BackupKind.Daily, Now));
        await _home.WithAsync<BackupRestore, bool>(restore => Task.FromResult(restore.LayReady(backup.File).IsOk));
        var data = Data;
        await _home.StopAsync();

        // The log was deleted, and then the power went.
        File.Delete(data.Database + "-wal");
        await _home.StartAsync();

        Assert.Equal(3, await EventsAsync());
        Assert.False(File.Exists(Data.ToRestore));
    }

    [Fact]
    public async Task A_damaged_database_is_put_aside_and_the_backup_takes_its_place()
    {
        await TappedAsync(3);
        var backup = await ShelfAsync(shelf => shelf.Make(BackupKind.Daily, Now));
        var data = Data;
        await _home.StopAsync();
        await File.WriteAllBytesAsync(data.Database, [.. "SQLite format 3\0"u8, .. new byte[5000]]);
        new BackupRestore(data).LayReady(backup.File);

        await _home.StartAsync();

        Assert.Equal(3, await EventsAsync());
        Assert.Contains(
            Directory.GetFiles(data.Backups),
            file => Path.GetFileName(file).StartsWith("damaged-", StringComparison.Ordinal)
        );
    }

    [Fact]
    public async Task A_player_erased_since_is_erased_again()
    {
        await _home.BegunAsync();
        var ada = await _home.WithAsync<TallyDb, int>(async db =>
            (await db.Players.SingleAsync(player => player.Name == "Ada Fenwick")).Id
        );
        var backup = await ShelfAsync(shelf => shelf.Make(BackupKind.Daily, Now));
        var squad = await _home.Visit().OpenAsync($"/squad?edit={ada}");
        using (await _home.Visit().SendAsync(squad, "#erase")) { }

        await _home.WithAsync<BackupRestore, bool>(restore => Task.FromResult(restore.LayReady(backup.File).IsOk));
        await RestartAsync();

        var kept = await _home.WithAsync<TallyDb, string>(async db =>
            string.Join(
                '\n',
                await db.Sheets.Select(sheet => sheet.HeadJson).Concat(db.Players.Select(player => player.Name)).ToListAsync()
            )
        );
        Assert.DoesNotContain("Fenwick", kept, StringComparison.Ordinal);
        Assert.Contains("Bea Marlowe", kept, StringComparison.Ordinal);
        // It stands in the log of the restored data, too: the next restore knows of it.
        Assert.True(
            await _home.WithAsync<TallyDb, bool>(db =>
                db.Audit.AnyAsync(entry => entry.Act == AuditAct.Erasure && entry.About == $"Erased player p{ada}")
            )
        );
    }

    [Fact]
    public async Task A_session_that_was_ended_since_stays_ended()
    {
        var backup = await ShelfAsync(shelf => shelf.Make(BackupKind.Daily, Now));
        await _home.WithAsync<SessionBook, bool>(async sessions =>
        {
            await sessions.EndAsync("thief", TimeSpan.FromDays(30));
            return true;
        });

        await _home.WithAsync<BackupRestore, bool>(restore => Task.FromResult(restore.LayReady(backup.File).IsOk));
        await RestartAsync();

        Assert.True(await _home.WithAsync<SessionBook, bool>(sessions => Task.FromResult(sessions.IsEnded("thief"))));
        Assert.Equal("thief", await _home.WithAsync<TallyDb, string>(db => db.EndedSessions.Select(each => each.Id).SingleAsync()));
    }

    [Fact]
    public async Task A_copy_of_the_file_itself_is_restored_and_leaves_nothing_beside_it()
    {
        await TappedAsync(3);
        var data = Data;
        await _home.StopAsync();
        // Closed, the write-ahead log is in the file, which still says that it has one.
        var copy = Path.Combine(data.Path, "by-hand.db");
        File.Copy(data.Database, copy);
        await _home.StartAsync();

        await using (var content = File.OpenRead(copy))
        {
            Assert.True(
                (
                    await _home.WithAsync<BackupRestore, Core.Faults.Result<BackupFacts>>(restore => restore.ReceiveAsync(content))
                ).IsOk
            );
        }

        Assert.True(await _home.WithAsync<BackupRestore, bool>(restore => Task.FromResult(restore.LayReceivedReady()!.IsOk)));
        Assert.Empty(Directory.GetFiles(data.Path, "uploaded*"));
        await RestartAsync();
        Assert.Equal(3, await EventsAsync());
        Assert.Empty(Directory.GetFiles(data.Path, "restore*"));
    }

    [Fact]
    public async Task A_file_that_was_sent_and_not_restored_is_not_kept()
    {
        await TappedAsync(1);
        var coach = _home.Visit();
        using var answer = await coach.SendAsync(await coach.OpenAsync("/backup"), "form[action*=Now]");
        using var taken = await SendFileAsync(coach, await answer.Content.ReadAsByteArrayAsync());
        Assert.True(File.Exists(Data.Uploaded));

        await coach.OpenAsync("/backup");

        Assert.False(File.Exists(Data.Uploaded));
    }

    public static TheoryData<string, string> Wrong =>
        new()
        {
            { "text", "is no backup of Keep Tally" },
            { "other", "is no backup of Keep Tally" },
            { "damaged", "" },
            { "newer", "a newer Keep Tally" },
            { "loose", "belong to nothing" },
        };

    [Theory]
    [MemberData(nameof(Wrong))]
    public async Task What_cannot_be_restored_is_refused_with_the_reason_and_nothing_is_laid_ready(string kind, string words)
    {
        await TappedAsync(3);
        var file = Path.Combine(Data.Path, "wrong.db");
        DatabaseCopy.Make(Data.Database, file);
        void Change(string sql)
        {
            using var connection = new SqliteConnection($"Data Source={file};Pooling=False");
            connection.Open();
            using var command = connection.CreateCommand();
            command.CommandText = sql;
            command.ExecuteNonQuery();
        }

        switch (kind)
        {
            case "text":
                await File.WriteAllTextAsync(file, "name,number\nAda,2\n");
                break;
            case "other":
                File.Delete(file);
                Change("CREATE TABLE Shopping (Item TEXT)");
                break;
            case "damaged":
                var bytes = await File.ReadAllBytesAsync(file);
                await File.WriteAllBytesAsync(file, bytes[..(bytes.Length / 2)]);
                break;
            case "newer":
                Change("INSERT INTO __EFMigrationsHistory VALUES ('99991231000000_Later', '99.0.0')");
                break;
            default:
                Change("PRAGMA foreign_keys = OFF; UPDATE Players SET TeamId = 4711");
                break;
        }

        var laid = await _home.WithAsync<BackupRestore, Core.Faults.Result<BackupFacts>>(restore =>
            Task.FromResult(restore.LayReady(file))
        );

        Assert.Contains(words, Assert.Single(laid.Faults).Problem, StringComparison.Ordinal);
        Assert.False(File.Exists(Data.ToRestore));
    }

    [Fact]
    public async Task One_is_due_each_day_and_old_ones_go()
    {
        Assert.True(await ShelfAsync(shelf => shelf.IsDailyDue(Now)));
        for (var day = 0; day < 20; day++)
        {
            await ShelfAsync(shelf => shelf.Make(BackupKind.Daily, Now));
            Assert.False(await ShelfAsync(shelf => shelf.IsDailyDue(Now)));
            _home.Clock.Advance(TimeSpan.FromDays(1));
        }

        var kept = await ShelfAsync(shelf => shelf.List());
        Assert.Equal(BackupRetention.Keep(kept.Select(each => each.Made)).Count, kept.Count);
        Assert.InRange(kept.Count, BackupRetention.Days, BackupRetention.Days + 3);
    }

    [Fact]
    public async Task The_page_hands_out_a_backup_checks_a_file_and_restores_it()
    {
        await TappedAsync(3);
        var coach = _home.Visit();
        var page = await coach.OpenAsync("/backup");
        Assert.Contains("No daily backup yet", page.Body!.TextContent, StringComparison.Ordinal);
        using var answer = await coach.SendAsync(page, "form[action*=Now]");
        var backup = await answer.Content.ReadAsByteArrayAsync();
        Assert.Equal("SQLite format 3", Encoding.ASCII.GetString(backup, 0, 15));

        using var refused = await SendFileAsync(coach, "name,number\nAda,2\n"u8.ToArray());
        Assert.Equal(HttpStatusCode.UnprocessableEntity, refused.StatusCode);
        Assert.Contains("no backup of Keep Tally", await refused.Content.ReadAsStringAsync(), StringComparison.Ordinal);

        using var taken = await SendFileAsync(coach, backup);
        var asked = await Visitor.ParsedAsync(taken);
        Assert.Contains("players", asked.QuerySelector("[aria-labelledby=sent-head]")!.TextContent, StringComparison.Ordinal);
        Assert.False(File.Exists(Data.ToRestore));
        using var restoring = await coach.SendAsync(asked, "form[action*=RestoreSent]");
        Assert.Contains(
            "starts again with the restored data",
            await restoring.Content.ReadAsStringAsync(),
            StringComparison.Ordinal
        );
        Assert.True(File.Exists(Data.ToRestore));
    }

    [Fact]
    public async Task It_is_for_head_coaches_alone()
    {
        using var answer = await _home.VisitAs("Sam Wren").Http.GetAsync(new Uri("/backup", UriKind.Relative));

        Assert.NotEqual(HttpStatusCode.OK, answer.StatusCode);
        var page = await _home.VisitAs("Sam Wren").OpenAsync("/");
        Assert.Null(page.QuerySelector("a[href='/backup']"));
    }

    [Fact]
    public async Task An_empty_installation_begins_with_a_backup()
    {
        await TappedAsync(3);
        var backup = Path.Combine(Data.Path, "mine.db");
        DatabaseCopy.Make(Data.Database, backup);
        await using var empty = Installation.Empty();
        await empty.InitializeAsync();
        var visitor = empty.VisitAsNobody();
        var page = await visitor.OpenAsync($"/first?key={Installation.FirstKey}");

        using var answer = await SendFileAsync(visitor, await File.ReadAllBytesAsync(backup), page, "#restore");

        Assert.Contains("starts again with the restored data", await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        await empty.StopAsync();
        await empty.StartAsync();
        Assert.Equal(3, await empty.WithAsync<TallyDb, int>(db => db.Events.CountAsync()));
        Assert.Contains(
            "Robin Teal",
            await empty.WithAsync<CoachBook, string>(async coaches =>
                string.Join(',', (await coaches.ListAsync()).Select(coach => coach.UserName))
            ),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task A_check_replays_every_sheet_and_finds_what_was_changed_by_hand()
    {
        await TappedAsync(3);
        var well = DataCheck.Of(Data);
        Assert.Empty(well.Findings);
        Assert.Equal(3, well.Events);
        Assert.True(well.Sheets > 0);

        await _home.WithAsync<TallyDb, int>(db =>
            db.Database.ExecuteSqlRawAsync("UPDATE Events SET At = At + 1 WHERE N = 2; UPDATE Events SET Line = 'gone' WHERE N = 3")
        );

        var findings = DataCheck.Of(Data).Findings;
        Assert.Equal(2, findings.Count);
        Assert.Contains("event phone/2 is not what its line says", findings[0], StringComparison.Ordinal);
        Assert.Contains("event phone/3 cannot be read", findings[1], StringComparison.Ordinal);
    }

    private static async Task<HttpResponseMessage> SendFileAsync(
        Visitor coach,
        byte[] content,
        AngleSharp.Html.Dom.IHtmlDocument? page = null,
        string form = "#send"
    )
    {
        page ??= await coach.OpenAsync("/backup");
        var filled = (AngleSharp.Html.Dom.IHtmlFormElement)page.QuerySelector(form)!;
        using var body = new MultipartFormDataContent();
        foreach (var field in filled.QuerySelectorAll("input[type=hidden]"))
        {
            body.Add(new StringContent(field.GetAttribute("value") ?? ""), field.GetAttribute("name")!);
        }

        using var file = new ByteArrayContent(content);
        body.Add(file, "file", "backup.db");
        return await coach.Http.PostAsync(new Uri(filled.GetAttribute("action")!, UriKind.Relative), body);
    }
}
