using Microsoft.Data.Sqlite;

namespace KeepTally.Store.Database;

/// <summary>
/// Copies a database into one file while it is in use, by the online backup of SQLite: what was acknowledged before the copy
/// began is in it, wherever it lay. Writers are not held up.
/// </summary>
public static class DatabaseCopy
{
    private const string Unfinished = ".part";

    /// <summary>Copies a database. The file appears under its name only when all of it is on the disk.</summary>
    /// <param name="database">The path of the database.</param>
    /// <param name="to">The path of the copy; what stands there is replaced.</param>
    /// <exception cref="IOException">The copy cannot be written.</exception>
    /// <exception cref="SqliteException">The database cannot be read, or the disk is full.</exception>
    public static void Make(string database, string to)
    {
        var part = to + Unfinished;
        File.Delete(part);
        try
        {
            using (var source = Open(database, SqliteOpenMode.ReadWrite))
            using (var copy = Open(part, SqliteOpenMode.ReadWriteCreate))
            {
                OnlyForOwner(part);
                source.BackupDatabase(copy);
                // One file, which needs no other beside it.
                using var single = copy.CreateCommand();
                single.CommandText = "PRAGMA journal_mode = DELETE;";
                single.ExecuteNonQuery();
            }

            using (var written = new FileStream(part, FileMode.Open, FileAccess.ReadWrite))
            {
                written.Flush(flushToDisk: true);
            }

            File.Move(part, to, overwrite: true);
        }
        catch
        {
            File.Delete(part);
            throw;
        }
    }

    /// <summary>Lets nobody but the owner of a file read or write it, where the system knows owners.</summary>
    internal static void OnlyForOwner(string file)
    {
        if (!OperatingSystem.IsWindows() && File.Exists(file))
        {
            File.SetUnixFileMode(file, UnixFileMode.UserRead | UnixFileMode.UserWrite);
        }
    }

    /// <summary>Deletes the files that SQLite keeps beside a database. It must not be open.</summary>
    internal static void DeleteParts(string database)
    {
        File.Delete(database + "-wal");
        File.Delete(database + "-shm");
    }

    private static SqliteConnection Open(string path, SqliteOpenMode mode)
    {
        var connection = new SqliteConnection(
            new SqliteConnectionStringBuilder
            {
                DataSource = path,
                Mode = mode,
                Pooling = false,
            }.ToString()
        );
        connection.Open();
        return connection;
    }
}
