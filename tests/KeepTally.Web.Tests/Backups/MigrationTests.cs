using System.Data.Common;
using KeepTally.Store.Backups;
using KeepTally.Store.Database;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Diagnostics;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

namespace KeepTally.Web.Tests.Backups;

/// <summary>A newer version changes the database of an older one: a backup comes first, and what breaks off is finished later.</summary>
public sealed class MigrationTests : IDisposable
{
    private readonly string _path = Directory.CreateTempSubdirectory("keep-tally").FullName;

    private DataFolder Folder => new(_path);

    public void Dispose() => Directory.Delete(_path, recursive: true);

    private TallyDb Open(IInterceptor? interceptor = null)
    {
        var options = new DbContextOptionsBuilder<TallyDb>().UseSqlite($"Data Source={Folder.Database};Pooling=False");
        return new TallyDb((interceptor is null ? options : options.AddInterceptors(interceptor)).Options, new TenantScope());
    }

    /// <summary>The power goes before a command that changes the database.</summary>
    private sealed class Outage(int before) : DbCommandInterceptor
    {
        private int _changes;

        public int Changes => _changes;

        private void Count(DbCommand command)
        {
            if (!command.CommandText.TrimStart().StartsWith("SELECT", StringComparison.Ordinal) && ++_changes > before)
            {
                throw new IOException("the power is gone");
            }
        }

        public override InterceptionResult<int> NonQueryExecuting(
            DbCommand command,
            CommandEventData eventData,
            InterceptionResult<int> result
        )
        {
            Count(command);
            return result;
        }
    }

    public static TheoryData<int> Migrations
    {
        get
        {
            using var db = new TallyDb(
                new DbContextOptionsBuilder<TallyDb>().UseSqlite("Data Source=:memory:").Options,
                new TenantScope()
            );
            return [.. Enumerable.Range(1, db.Database.GetMigrations().Count() - 1)];
        }
    }

    [Theory]
    [MemberData(nameof(Migrations))]
    public void An_update_that_breaks_off_anywhere_is_finished_by_the_next_start(int index)
    {
        string[] all;
        using (var db = Open())
        {
            all = [.. db.Database.GetMigrations()];
            db.GetService<IMigrator>().Migrate(all[index - 1]);
            db.Database.ExecuteSqlRaw("INSERT INTO Teams (Name) VALUES ('Terns')");
        }

        var old = File.ReadAllBytes(Folder.Database);
        var counting = new Outage(int.MaxValue);
        using (var db = Open(counting))
        {
            db.GetService<IMigrator>().Migrate(all[index]);
        }

        foreach (var before in new[] { 1, counting.Changes / 2, counting.Changes - 1 }.Distinct())
        {
            File.WriteAllBytes(Folder.Database, old);
            using (var broken = Open(new Outage(before)))
            {
                Assert.Throws<IOException>(() => broken.GetService<IMigrator>().Migrate(all[index]));
            }

            using (var db = Open())
            {
                Schema.Migrate(db);
            }

            Assert.Equal(["Terns"], BackupFacts.Read(Folder.Database).Require().Teams);
        }
    }

    [Fact]
    public void A_backup_is_made_before_an_update_and_none_for_a_new_or_a_current_database()
    {
        var made = 0;
        using (var db = Open())
        {
            Schema.Migrate(db, () => made++);
        }

        using (var db = Open())
        {
            Schema.Migrate(db, () => made++);
        }

        Assert.Equal(0, made);
        File.Delete(Folder.Database);
        using (var db = Open())
        {
            db.GetService<IMigrator>().Migrate(db.Database.GetMigrations().Reverse().Skip(1).First());
        }

        using (var db = Open())
        {
            Schema.Migrate(db, () => made++);
        }

        Assert.Equal(1, made);
    }
}
