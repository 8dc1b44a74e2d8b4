using KeepTally.Store.Database;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Cli.Tests;

/// <summary><c>tally backup</c>, <c>tally restore</c> and <c>tally check --data</c>.</summary>
public sealed class DataTests : IDisposable
{
    private readonly string _path = Directory.CreateTempSubdirectory("keep-tally").FullName;

    private DataFolder Folder => new(Path.Combine(_path, "club"));

    private string Backup => Path.Combine(_path, "backup.db");

    public void Dispose() => Directory.Delete(_path, recursive: true);

    private TallyDb Open() =>
        new(
            new DbContextOptionsBuilder<TallyDb>().UseSqlite($"Data Source={Folder.Database};Pooling=False").Options,
            new TenantScope()
        );

    private void Fill(string team)
    {
        Folder.Prepare();
        using var db = Open();
        Schema.Migrate(db);
        db.Database.ExecuteSql($"DELETE FROM Teams");
        db.Database.ExecuteSql($"INSERT INTO Teams (Name) VALUES ({team})");
    }

    private string[] Teams()
    {
        using var db = Open();
        return [.. db.Teams.Select(team => team.Name)];
    }

    [Fact]
    public void A_backup_is_restored_and_the_restore_undone()
    {
        Fill("Terns");
        var (exit, output, error) = Tally.Run("backup", "--data", Folder.Path, "--to", Backup);
        Assert.True(exit == 0, error);
        Assert.Contains("Terns: no players, no practices", output, StringComparison.Ordinal);
        Fill("Plovers");

        (exit, output, error) = Tally.Run("restore", "--data", Folder.Path, "--from", Backup);

        Assert.True(exit == 0, error);
        Assert.Equal(["Terns"], Teams());
        var undo = Directory.GetFiles(Folder.Backups).Single();
        Assert.Contains(undo, output, StringComparison.Ordinal);
        Tally.Run("restore", "--data", Folder.Path, "--from", undo);
        Assert.Equal(["Plovers"], Teams());
    }

    [Fact]
    public void A_folder_in_use_is_not_restored_over_and_is_backed_up_all_the_same()
    {
        Fill("Terns");
        using var held = Folder.Lock();

        Assert.Equal(0, Tally.Run("backup", "--data", Folder.Path, "--to", Backup).Exit);
        var (exit, _, error) = Tally.Run("restore", "--data", Folder.Path, "--from", Backup);

        Assert.Equal(2, exit);
        Assert.Contains("in use by another Keep Tally", error, StringComparison.Ordinal);
    }

    [Fact]
    public void What_is_no_backup_is_refused_in_one_line()
    {
        Fill("Terns");
        File.WriteAllText(Backup, "no backup");

        var (exit, _, error) = Tally.Run("restore", "--data", Folder.Path, "--from", Backup);

        Assert.Equal(2, exit);
        Assert.Single(error.Trim().Split('\n'));
        Assert.Contains("is no backup of Keep Tally", error, StringComparison.Ordinal);
        Assert.Equal(["Terns"], Teams());
    }

    [Fact]
    public void A_check_says_that_all_is_well_or_what_is_not()
    {
        Fill("Terns");
        var (exit, output, error) = Tally.Run("check", "--data", Folder.Path);
        Assert.True(exit == 0, error);
        Assert.Contains("all is well", output, StringComparison.Ordinal);

        using (var db = Open())
        {
            db.Database.ExecuteSqlRaw(
                "PRAGMA foreign_keys = OFF; INSERT INTO Players (TeamId, Name, Positions, Notes, Archived) VALUES (4711, 'Ada', '', '', 0)"
            );
        }

        (exit, _, error) = Tally.Run("check", "--data", Folder.Path);
        Assert.Equal(2, exit);
        Assert.Contains("belong to nothing", error, StringComparison.Ordinal);

        (exit, _, error) = Tally.Run("check");
        Assert.NotEqual(0, exit);
        Assert.Contains("either --card or --data", error, StringComparison.Ordinal);
    }
}
