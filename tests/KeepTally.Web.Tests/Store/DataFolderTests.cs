using KeepTally.Store.Database;
using KeepTally.Store.People;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Tests.Store;

/// <summary>A data folder that cannot be used is told in one line, with what to do and never with advice that loses something.</summary>
public sealed class DataFolderTests : IDisposable
{
    private readonly string _path = Directory.CreateTempSubdirectory("keep-tally").FullName;

    private string File => Path.Combine(_path, "tally.db");

    public void Dispose() => Directory.Delete(_path, recursive: true);

    private TallyDb Open(string more = "") =>
        new(
            new DbContextOptionsBuilder<TallyDb>().UseSqlite($"Data Source={File};Pooling=False;{more}").Options,
            new TenantScope()
        );

    [Fact]
    public void Two_on_one_folder_are_one_too_many_until_the_first_is_gone()
    {
        var folder = new DataFolder(_path);
        folder.Prepare();
        using (folder.Lock())
        {
            var refused = Assert.Throws<DataFolderException>(new DataFolder(_path).Lock);
            Assert.Contains("in use by another Keep Tally", refused.Message, StringComparison.Ordinal);
            Assert.DoesNotContain('\n', refused.Message);
        }

        folder.Lock().Dispose();
    }

    [Fact]
    public void An_empty_file_is_not_taken_for_a_new_beginning()
    {
        System.IO.File.WriteAllBytes(File, []);

        var refused = Assert.Throws<DataFolderException>(new DataFolder(_path).Prepare);

        Assert.Contains("is an empty file", refused.Message, StringComparison.Ordinal);
        Assert.Equal(0, new FileInfo(File).Length);
    }

    [Fact]
    public void What_a_newer_one_has_written_is_left_alone()
    {
        using (var db = Open())
        {
            Schema.Migrate(db);
            db.Database.ExecuteSqlRaw("INSERT INTO __EFMigrationsHistory VALUES ('99991231000000_Later', '99.0.0')");
        }

        using var again = Open();
        var refused = Assert.Throws<DataFolderException>(() => Schema.Migrate(again));

        Assert.Contains("newer Keep Tally", refused.Message, StringComparison.Ordinal);
    }

    [Fact]
    public void A_full_disk_is_told_from_other_failures_however_deep_it_lies()
    {
        // SQLite result codes: 13 is SQLITE_FULL, 11 is SQLITE_CORRUPT. Linux errno 28 is ENOSPC, 5 is EIO.
        Assert.True(DiskSpace.IsFull(new DbUpdateException("not saved", new SqliteException("full", 13))));
        Assert.True(DiskSpace.IsFull(new AggregateException(new IOException("no space", 28))));
        Assert.False(DiskSpace.IsFull(new DbUpdateException("not saved", new SqliteException("damaged", 11))));
        Assert.False(DiskSpace.IsFull(new IOException("the cable", 5)));
        Assert.False(DiskSpace.IsFull((Exception?)null));
    }

    [Fact]
    public void A_full_disk_is_said_to_be_full_and_the_database_stays_where_it_is()
    {
        using var db = Open();
        db.Database.OpenConnection();
        // SQLite documentation, "PRAGMA max_page_count": a database that would grow beyond it is full (SQLITE_FULL).
        db.Database.ExecuteSqlRaw("PRAGMA max_page_count = 2");

        var refused = Assert.Throws<DataFolderException>(() => Schema.Migrate(db));

        Assert.Contains("is full", refused.Message, StringComparison.Ordinal);
        Assert.Contains("MB are needed", refused.Message, StringComparison.Ordinal);
        Assert.DoesNotContain("move", refused.Message, StringComparison.OrdinalIgnoreCase);
    }
}
