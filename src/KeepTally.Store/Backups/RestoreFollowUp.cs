using System.Globalization;
using KeepTally.Store.Database;
using KeepTally.Store.People;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using Microsoft.Data.Sqlite;

namespace KeepTally.Store.Backups;

/// <summary>
/// What an old file must not undo: players who were erased since are erased again, and sessions that were ended stay ended. It is
/// noted in the data folder before the database is changed, so that it is done even where a start breaks off.
/// </summary>
public sealed class RestoreFollowUp(DataFolder data, PlayerErasure erasure, SessionBook sessions, AuditLog audit)
{
    private const string Who = "Keep Tally";
    private const string Erase = "erase";
    private const string End = "end";

    /// <summary>
    /// Players whose erasure stands in the activity log and who are in the backup; none where the two are of different clubs, which
    /// have players of the same ids: the teams or the runs of both would agree.
    /// </summary>
    private const string ErasedSince = """
        SELECT Id, 0 FROM backup.Players AS Player WHERE
            EXISTS (SELECT 1 FROM main.Audit WHERE Act = $act AND About = $erased || 'p' || Player.Id)
            AND NOT EXISTS (SELECT 1 FROM main.Players WHERE Id = Player.Id)
            AND EXISTS (
                SELECT 1 FROM main.Teams JOIN backup.Teams AS Theirs ON Theirs.Id = main.Teams.Id AND Theirs.Name = main.Teams.Name)
            AND NOT EXISTS (
                SELECT 1 FROM backup.Runs AS Theirs JOIN main.Runs ON main.Runs.Id = Theirs.Id
                WHERE main.Runs.Origin <> Theirs.Origin)
        """;

    private static string FileOf(DataFolder data) => Path.Combine(data.Path, "after-restore");

    /// <summary>Notes what is to be done once the backup that lies ready has taken the place of the database.</summary>
    /// <param name="data">The data folder.</param>
    /// <param name="lines">What is to be done, a line each; empty where nothing is known of what was there.</param>
    internal static void Note(DataFolder data, IEnumerable<string> lines) => File.WriteAllLines(FileOf(data), lines);

    /// <summary>What is to be done again, by what stands in the database and in the backup that lies ready.</summary>
    /// <param name="data">The data folder.</param>
    internal static IReadOnlyList<string> Needed(DataFolder data)
    {
        using var connection = new SqliteConnection($"Data Source={data.Database};Pooling=False");
        connection.Open();
        using var attach = connection.CreateCommand();
        attach.CommandText = "ATTACH $backup AS backup";
        attach.Parameters.AddWithValue("$backup", data.ToRestore);
        attach.ExecuteNonQuery();
        return
        [
            .. Lines(connection, Erase, "Audit", ErasedSince),
            .. Lines(connection, End, "EndedSessions", "SELECT Id, Until FROM main.EndedSessions"),
        ];
    }

    /// <summary>Does what was noted.</summary>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task RunAsync(CancellationToken cancellationToken = default)
    {
        if (!File.Exists(FileOf(data)))
        {
            return;
        }

        foreach (var line in await File.ReadAllLinesAsync(FileOf(data), cancellationToken))
        {
            if (line.Split(' ') is not [var what, var id, var until])
            {
                continue;
            }

            if (what == End)
            {
                await sessions.EndAsync(id, long.Parse(until, CultureInfo.InvariantCulture), cancellationToken);
            }
            else if (await erasure.EraseAsync(int.Parse(id, CultureInfo.InvariantCulture), cancellationToken))
            {
                var player = Player.UnitIdOf(int.Parse(id, CultureInfo.InvariantCulture));
                await audit.AddAsync(Who, AuditAct.Erasure, AuditLog.Erased(player), cancellationToken);
            }
        }

        await audit.AddAsync(Who, AuditAct.Access, "Restored a backup", cancellationToken);
        File.Delete(FileOf(data));
    }

    /// <summary>The rows of a query, where the database has the table already.</summary>
    private static List<string> Lines(SqliteConnection connection, string what, string table, string sql)
    {
        using var query = connection.CreateCommand();
        query.Parameters.AddWithValue("$table", table);
        query.CommandText = "SELECT COUNT(*) FROM main.sqlite_master WHERE name = $table";
        if ((long)query.ExecuteScalar()! == 0)
        {
            return [];
        }

        query.CommandText = sql;
        query.Parameters.AddWithValue("$act", nameof(AuditAct.Erasure));
        query.Parameters.AddWithValue("$erased", AuditLog.ErasedMark);
        using var reader = query.ExecuteReader();
        var lines = new List<string>();
        while (reader.Read())
        {
            lines.Add(string.Create(CultureInfo.InvariantCulture, $"{what} {reader.GetValue(0)} {reader.GetValue(1)}"));
        }

        return lines;
    }
}
