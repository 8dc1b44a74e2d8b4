using System.Globalization;
using System.Reflection;
using KeepTally.Core.Faults;
using KeepTally.Core.Text;
using KeepTally.Store.Database;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore.Migrations;

namespace KeepTally.Store.Backups;

/// <summary>The contents of a backup that passed every check.</summary>
/// <param name="Teams">The names of the teams.</param>
/// <param name="Players">The number of players.</param>
/// <param name="Practices">The number of practices.</param>
/// <param name="LastPractice">The day of the last practice that was begun; null for none.</param>
/// <param name="Events">The number of events on record.</param>
public sealed record BackupFacts(IReadOnlyList<string> Teams, int Players, int Practices, DateOnly? LastPractice, long Events)
{
    /// <summary>The largest backup that is taken from a page, in bytes: 2 GB.</summary>
    public const long MostBytes = 2L << 30;

    /// <summary>The contents in words: "Terns: twelve players, three practices, last begun on 3 May 2026".</summary>
    public string Words =>
        $"{(Teams.Count == 0 ? "No team" : Phrase.List([.. Teams]))}: {Phrase.Of(Players, "player")}, {Phrase.Of(Practices, "practice")}, {(LastPractice is { } last ? $"last begun on {last.ToString("d MMMM yyyy", CultureInfo.InvariantCulture)}" : "none begun yet")}";

    private static readonly byte[] Header = "SQLite format 3\0"u8.ToArray();

    private static readonly HashSet<string> KnownMigrations =
    [
        .. typeof(TallyDb).Assembly.GetTypes().Select(type => type.GetCustomAttribute<MigrationAttribute>()?.Id).OfType<string>(),
    ];

    /// <summary>Checks a file and reads what it holds; the fault where it cannot be restored.</summary>
    /// <param name="file">The path of the file. It is only read.</param>
    public static Result<BackupFacts> Read(string file)
    {
        try
        {
            if (!IsSqlite(file))
            {
                return Wrong(
                    "this file is no backup of Keep Tally",
                    "choose a file that Keep Tally has made; its name ends in .db"
                );
            }

            using var connection = new SqliteConnection(
                new SqliteConnectionStringBuilder
                {
                    DataSource = file,
                    Mode = SqliteOpenMode.ReadOnly,
                    Pooling = false,
                }.ToString()
            );
            connection.Open();
            return Faults(connection) is { } fault ? Result.Fail<BackupFacts>([fault]) : Result.Ok(Facts(connection));
        }
        catch (SqliteException failure)
        {
            return Wrong($"the file cannot be read ({failure.Message.TrimEnd('.')})", "choose an older backup");
        }
        catch (Exception failure) when (failure is IOException or UnauthorizedAccessException)
        {
            return Wrong($"the file cannot be opened ({failure.Message.TrimEnd('.')})", "check its name and its permissions");
        }
    }

    private static Fault? Faults(SqliteConnection connection)
    {
        if (Scalar(connection, "PRAGMA integrity_check(1)") is var whole && whole != "ok")
        {
            return new Fault("file", $"the file is damaged ({whole})", "choose an older backup");
        }

        if (
            Scalar(connection, "SELECT COUNT(*) FROM sqlite_master WHERE name IN ('__EFMigrationsHistory', 'Teams', 'Events')")
            != "3"
        )
        {
            return new Fault("file", "this file is no backup of Keep Tally", "choose a file that Keep Tally has made");
        }

        if (Scalar(connection, "SELECT COUNT(*) FROM pragma_foreign_key_check") is var loose && loose != "0")
        {
            return new Fault("file", $"{loose} rows of it belong to nothing", "choose an older backup");
        }

        return Rows(connection, "SELECT MigrationId FROM __EFMigrationsHistory").Except(KnownMigrations).Any()
            ? new Fault("file", "a newer Keep Tally has made this backup", "update this one first")
            : null;
    }

    private static BackupFacts Facts(SqliteConnection connection) =>
        new(
            [.. Rows(connection, "SELECT Name FROM Teams ORDER BY Id")],
            int.Parse(Scalar(connection, "SELECT COUNT(*) FROM Players"), CultureInfo.InvariantCulture),
            int.Parse(Scalar(connection, "SELECT COUNT(*) FROM Practices"), CultureInfo.InvariantCulture),
            DateOnly.TryParse(
                Scalar(
                    connection,
                    "SELECT COALESCE(MAX(Practices.Date), '') FROM Practices JOIN Blocks ON Blocks.PracticeId = Practices.Id JOIN Runs ON Runs.BlockId = Blocks.Id"
                ),
                CultureInfo.InvariantCulture,
                out var last
            )
                ? last
                : null,
            long.Parse(Scalar(connection, "SELECT COUNT(*) FROM Events"), CultureInfo.InvariantCulture)
        );

    private static bool IsSqlite(string file)
    {
        var start = new byte[Header.Length];
        using var stream = File.OpenRead(file);
        return stream.ReadAtLeast(start, start.Length, throwOnEndOfStream: false) == start.Length && start.SequenceEqual(Header);
    }

    private static string Scalar(SqliteConnection connection, string sql) => Rows(connection, sql).FirstOrDefault() ?? "";

    private static List<string> Rows(SqliteConnection connection, string sql)
    {
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        using var reader = command.ExecuteReader();
        var rows = new List<string>();
        while (reader.Read())
        {
            rows.Add(Convert.ToString(reader.GetValue(0), CultureInfo.InvariantCulture) ?? "");
        }

        return rows;
    }

    private static Result<BackupFacts> Wrong(string problem, string fix) =>
        Result.Fail<BackupFacts>([new Fault("file", problem, fix)]);
}
