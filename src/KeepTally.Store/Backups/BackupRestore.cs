using System.Globalization;
using KeepTally.Core.Faults;
using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.Data.Sqlite;

namespace KeepTally.Store.Backups;

/// <summary>
/// Puts a backup in the place of the database. It is checked first and laid ready in the data folder; the next start, which
/// has the folder to itself, makes a backup of what is there and then changes the two. Whatever breaks off on the way leaves either
/// the old database or the new one, and the next start finishes it.
/// </summary>
/// <remarks>
/// Players who were erased after the backup was made are erased again: an erasure is not undone by an old file.
/// </remarks>
public sealed class BackupRestore(DataFolder data)
{
    /// <summary>The endings of the files that hold the database: itself, and its write-ahead log.</summary>
    private static readonly string[] DatabaseParts = ["", "-wal"];

    /// <summary>Checks a backup and lays a copy of it ready for the next start; the fault where it cannot be restored.</summary>
    /// <param name="file">The path of the backup, which is left as it is.</param>
    public Result<BackupFacts> LayReady(string file)
    {
        var facts = BackupFacts.Read(file);
        if (facts.IsOk)
        {
            var part = data.ToRestore + ".part";
            File.Copy(file, part, overwrite: true);
            DatabaseCopy.OnlyForOwner(part);
            using (var copy = new FileStream(part, FileMode.Open, FileAccess.ReadWrite))
            {
                copy.Flush(flushToDisk: true);
            }

            File.Move(part, data.ToRestore, overwrite: true);
        }

        return facts;
    }

    /// <summary>
    /// Changes the database for the backup that lies ready, where one does; false where none does. Nothing else may have the database
    /// open.
    /// </summary>
    /// <param name="now">The present moment, in the time of the machine.</param>
    /// <exception cref="DataFolderException">The backup that lies ready cannot be restored; the database is as it was.</exception>
    public bool Apply(DateTime now)
    {
        if (!File.Exists(data.ToRestore))
        {
            return false;
        }

        if (BackupFacts.Read(data.ToRestore) is { IsOk: false, Faults: [var fault, ..] })
        {
            throw new DataFolderException(
                $"The backup {data.ToRestore} cannot be restored: {fault.Problem}. Delete it to go on with the database as it is, or restore another by tally restore."
            );
        }

        if (File.Exists(data.Database))
        {
            KeepWhatIsThere(now);
        }

        File.Delete(data.Database + "-wal");
        File.Delete(data.Database + "-shm");
        File.Move(data.ToRestore, data.Database, overwrite: true);
        return true;
    }

    /// <summary>The ids of players who are to be erased again after a restore.</summary>
    public IReadOnlyList<int> ToErase() =>
        File.Exists(ErasedFile)
            ? [.. File.ReadAllLines(ErasedFile).Select(line => int.Parse(line, CultureInfo.InvariantCulture))]
            : [];

    /// <summary>They are erased.</summary>
    public void Erased() => File.Delete(ErasedFile);

    private string ErasedFile => Path.Combine(data.Path, "erase-again");

    private void KeepWhatIsThere(DateTime now)
    {
        try
        {
            new BackupShelf(data).Make(BackupKind.BeforeRestore, now);
            File.WriteAllLines(ErasedFile, ErasedSince().Select(id => id.ToString(CultureInfo.InvariantCulture)));
        }
        catch (SqliteException failure) when (!DiskSpace.IsFull(failure))
        {
            // What cannot be read cannot be copied row by row: it is put aside as it is.
            Directory.CreateDirectory(data.Backups);
            var aside = Path.Combine(data.Backups, $"damaged-{now.ToString("yyyyMMdd-HHmmss", CultureInfo.InvariantCulture)}");
            foreach (var end in DatabaseParts.Where(end => File.Exists(data.Database + end)))
            {
                File.Copy(data.Database + end, aside + ".db" + end, overwrite: true);
            }
        }
        catch (SqliteException full)
        {
            throw DiskSpace.Needed(data.Path, full);
        }
    }

    /// <summary>
    /// The players whose erasure stands in the activity log of the database and not in that of the backup; none where the two are of
    /// different clubs, which have players of the same ids.
    /// </summary>
    private List<int> ErasedSince()
    {
        using var connection = new SqliteConnection($"Data Source={data.Database};Pooling=False");
        connection.Open();
        using var attach = connection.CreateCommand();
        attach.CommandText = "ATTACH $backup AS backup";
        attach.Parameters.AddWithValue("$backup", data.ToRestore);
        attach.ExecuteNonQuery();
        using var query = connection.CreateCommand();
        query.CommandText = """
            SELECT Id FROM backup.Players AS Player WHERE
                EXISTS (SELECT 1 FROM main.Audit WHERE Act = $act AND About = 'Erased player p' || Player.Id)
                AND NOT EXISTS (SELECT 1 FROM main.Players WHERE Id = Player.Id)
                AND EXISTS (
                    SELECT 1 FROM main.Teams JOIN backup.Teams AS Theirs ON Theirs.Id = main.Teams.Id AND Theirs.Name = main.Teams.Name)
                AND NOT EXISTS (
                    SELECT 1 FROM backup.Runs AS Theirs JOIN main.Runs ON main.Runs.Id = Theirs.Id
                    WHERE main.Runs.Origin <> Theirs.Origin)
            """;
        query.Parameters.AddWithValue("$act", nameof(AuditAct.Erasure));
        using var reader = query.ExecuteReader();
        var ids = new List<int>();
        while (reader.Read())
        {
            ids.Add(reader.GetInt32(0));
        }

        return ids;
    }
}
