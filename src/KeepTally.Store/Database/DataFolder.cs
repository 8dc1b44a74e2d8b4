using Microsoft.Data.Sqlite;

namespace KeepTally.Store.Database;

/// <summary>The folder in which an installation keeps everything it must not lose.</summary>
/// <param name="path">The path of the folder.</param>
/// <param name="backups">The path of the folder of backups; <c>backups</c> within it where that is null.</param>
public sealed class DataFolder(string path, string? backups = null)
{
    public string Path { get; } = System.IO.Path.GetFullPath(path);

    /// <summary>The folder of backups. On another disk, or a stick, they outlive this one.</summary>
    public string Backups { get; } = System.IO.Path.GetFullPath(backups ?? System.IO.Path.Combine(path, "backups"));

    /// <summary>The backup that the next start puts in the place of the database.</summary>
    public string ToRestore => System.IO.Path.Combine(Path, "restore.db");

    public string Database => System.IO.Path.Combine(Path, "tally.db");

    /// <summary>Where the keys lie that sign forms.</summary>
    public string Keys => System.IO.Path.Combine(Path, "keys");

    /// <summary>Where the authority lies that vouches for this machine to phones.</summary>
    public string Authority => System.IO.Path.Combine(Path, "authority");

    /// <summary>A file that a coach has sent to be restored, until they say yes to it.</summary>
    public string Uploaded => System.IO.Path.Combine(Path, "uploaded.db");

    internal string ConnectionString => $"Data Source={Database}";

    /// <summary>Whether the disk was full at the start: what is stored is read, and nothing is tidied or shipped.</summary>
    public bool IsFull { get; private set; }

    private string Probe => System.IO.Path.Combine(Path, ".writable");

    private string LockFile => System.IO.Path.Combine(Path, ".in-use");

    /// <summary>
    /// Makes the folder and proves that it can be written. One that holds a database is used on a full disk, too: see
    /// <see cref="IsFull"/>.
    /// </summary>
    /// <exception cref="DataFolderException">It cannot be made or written.</exception>
    public void Prepare()
    {
        IsFull = false;
        try
        {
            Directory.CreateDirectory(Path);
            File.WriteAllText(Probe, "is it?");
            File.Delete(Probe);
        }
        catch (IOException full) when (DiskSpace.IsFull(full))
        {
            if (!File.Exists(Database))
            {
                throw DiskSpace.Needed(Path, full);
            }

            IsFull = true;
            File.Delete(Probe);
            new SpareSpace(this).Release();
        }
        catch (Exception failure) when (failure is IOException or UnauthorizedAccessException)
        {
            throw new DataFolderException(
                $"The data folder {Path} cannot be written. Give another with --data DIR, or fix its permissions.",
                failure
            );
        }

        if (File.Exists(Database) && new FileInfo(Database).Length == 0)
        {
            throw new DataFolderException(
                $"The database {Database} is an empty file: perhaps a copy of it broke off. Put a good copy in its place, or delete the empty file to begin with nothing."
            );
        }
    }

    /// <summary>
    /// Keeps the folder for this process until disposed or until the process is gone, however it went: two of them would
    /// each know half of the events.
    /// </summary>
    /// <exception cref="DataFolderException">Another process has it.</exception>
    public IDisposable Lock()
    {
        try
        {
            return new FileStream(LockFile, FileMode.OpenOrCreate, FileAccess.ReadWrite, FileShare.None);
        }
        catch (UnauthorizedAccessException closed)
        {
            throw new DataFolderException(
                $"The file {LockFile} cannot be written. Fix its permissions, or delete it while no Keep Tally runs.",
                closed
            );
        }
        catch (IOException held)
        {
            throw new DataFolderException(
                $"The data folder {Path} is in use by another Keep Tally on this machine. Stop that one, or give another folder with --data DIR.",
                held
            );
        }
    }

    /// <summary>Closes the connections that are kept ready: the file can be deleted, or another put in its place.</summary>
    public void CloseConnections()
    {
        using var any = new SqliteConnection(ConnectionString);
        SqliteConnection.ClearPool(any);
    }

    /// <summary>A connection of its own, that waits for the disk at each commit.</summary>
    internal SqliteConnection Open()
    {
        var connection = new SqliteConnection(ConnectionString);
        connection.Open();
        DurableConnection.SetUp(connection);
        return connection;
    }
}

/// <summary>The data folder cannot be used; the message is one line and says the fix.</summary>
public sealed class DataFolderException : Exception
{
    public DataFolderException(string message)
        : base(message) { }

    public DataFolderException(string message, Exception inner)
        : base(message, inner) { }
}
