using System.Globalization;
using KeepTally.Core.Faults;
using KeepTally.Store.Database;
using Microsoft.Data.Sqlite;

namespace KeepTally.Store.Backups;

/// <summary>
/// Puts a backup in the place of the database. It is checked first and laid ready in the data folder; the next start, which
/// has the folder to itself, makes a backup of what is there and then changes the two. Whatever breaks off on the way leaves either
/// the old database or the new one, and the next start finishes it.
/// </summary>
/// <remarks>
/// Erasures and sign-outs that came after the backup are done again: see <see cref="RestoreFollowUp"/>.
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

    /// <summary>Takes a file that was sent, for its owner alone, and checks it; where it cannot be restored it is deleted again.</summary>
    /// <param name="content">The content of the file.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task<Result<BackupFacts>> ReceiveAsync(Stream content, CancellationToken cancellationToken = default)
    {
        Forget();
        await using (var stream = new FileStream(data.Uploaded, FileMode.Create))
        {
            DatabaseCopy.OnlyForOwner(data.Uploaded);
            await content.CopyToAsync(stream, cancellationToken);
        }

        var facts = BackupFacts.Read(data.Uploaded);
        if (!facts.IsOk)
        {
            Forget();
        }

        return facts;
    }

    /// <summary>Lays the file that was sent ready; null where none waits.</summary>
    public Result<BackupFacts>? LayReceivedReady()
    {
        var laid = File.Exists(data.Uploaded) ? LayReady(data.Uploaded) : null;
        Forget();
        return laid;
    }

    /// <summary>Deletes a file that was sent and is not wanted.</summary>
    public void Forget()
    {
        File.Delete(data.Uploaded);
        DatabaseCopy.DeleteParts(data.Uploaded);
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

        try
        {
            if (File.Exists(data.Database))
            {
                KeepWhatIsThere(now);
            }
            else
            {
                RestoreFollowUp.Note(data, []);
            }

            DatabaseCopy.DeleteParts(data.Database);
            File.Move(data.ToRestore, data.Database, overwrite: true);
            DatabaseCopy.DeleteParts(data.ToRestore);
            return true;
        }
        catch (Exception full) when (DiskSpace.IsFull(full))
        {
            throw DiskSpace.Needed(data.Path, full);
        }
        catch (Exception failure) when (failure is IOException or UnauthorizedAccessException)
        {
            throw new DataFolderException(
                $"What is there now cannot be kept as a backup in {data.Backups} ({failure.Message.TrimEnd('.')}), so that nothing was replaced. Fix that, or give another folder with --backups DIR.",
                failure
            );
        }
    }

    private void KeepWhatIsThere(DateTime now)
    {
        try
        {
            new BackupShelf(data).Make(BackupKind.BeforeRestore, now);
        }
        catch (SqliteException failure) when (!DiskSpace.IsFull(failure))
        {
            // What cannot be read cannot be copied row by row: it is put aside as it is.
            PutAside(now);
            RestoreFollowUp.Note(data, []);
            return;
        }

        RestoreFollowUp.Note(data, RestoreFollowUp.Needed(data));
    }

    private void PutAside(DateTime now)
    {
        Directory.CreateDirectory(data.Backups);
        var aside = Path.Combine(
            data.Backups,
            $"{BackupShelf.Damaged}{now.ToString("yyyyMMdd-HHmmss", CultureInfo.InvariantCulture)}.db"
        );
        foreach (var end in DatabaseParts.Where(end => File.Exists(data.Database + end)))
        {
            File.Copy(data.Database + end, aside + end, overwrite: true);
        }
    }
}
