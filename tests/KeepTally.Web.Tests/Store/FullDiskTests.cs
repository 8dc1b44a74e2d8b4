using System.Net;
using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace KeepTally.Web.Tests.Store;

/// <summary>A start on a full disk serves what is stored.</summary>
public sealed class FullDiskTests
{
    /// <summary>Every write to this device of Linux fails with ENOSPC (Linux manual page full(4)).</summary>
    private const string Full = "/dev/full";

    private static void Fill(string folder) => File.CreateSymbolicLink(Path.Combine(folder, ".writable"), Full);

    [Fact]
    public async Task What_is_stored_is_read_nothing_is_tidied_and_the_next_start_with_space_tidies()
    {
        await using var home = new Installation();
        await home.StartAsync();
        Assert.True(File.Exists(Path.Combine(home.Folder, ".spare")));
        await home.WithAsync<TallyDb, int>(db =>
        {
            db.EndedSessions.Add(new EndedSession { Id = "void", Until = 1 });
            return db.SaveChangesAsync();
        });
        await home.StopAsync();
        Fill(home.Folder);

        await home.StartAsync();

        Assert.True(home.Services.GetRequiredService<DataFolder>().IsFull);
        Assert.False(File.Exists(Path.Combine(home.Folder, ".spare")));
        Assert.False(File.Exists(Path.Combine(home.Folder, ".writable")));
        Assert.True(await home.WithAsync<TallyDb, bool>(db => db.EndedSessions.AnyAsync(session => session.Id == "void")));
        foreach (var page in new[] { "/", "/squad", "/drills", "/results" })
        {
            using var answer = await home.Visit().Http.GetAsync(new Uri(page, UriKind.Relative));
            Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        }

        await home.StopAsync();
        await home.StartAsync();
        Assert.True(File.Exists(Path.Combine(home.Folder, ".spare")));
        Assert.False(await home.WithAsync<TallyDb, bool>(db => db.EndedSessions.AnyAsync(session => session.Id == "void")));
    }

    [Fact]
    public void A_new_folder_on_a_full_disk_is_refused_with_the_space_it_takes()
    {
        var folder = Directory.CreateTempSubdirectory("keep-tally").FullName;
        Fill(folder);
        var refused = Assert.Throws<DataFolderException>(new DataFolder(folder).Prepare);
        Assert.Contains("MB are needed", refused.Message, StringComparison.Ordinal);
        Directory.Delete(folder, recursive: true);
    }

    [Fact]
    public async Task A_database_that_is_up_to_date_is_opened_without_a_write()
    {
        await using var home = new Installation();
        await home.StartAsync();
        await home.WithAsync<TallyDb, int>(db =>
        {
            // SQLite documentation, "PRAGMA query_only": every change of the database is refused.
            db.Database.OpenConnection();
            db.Database.ExecuteSqlRaw("PRAGMA query_only = ON");
            Schema.Migrate(db);
            return Task.FromResult(0);
        });
    }
}
