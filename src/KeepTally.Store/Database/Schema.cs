using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Database;

/// <summary>Brings the database up to the model.</summary>
public static class Schema
{
    /// <summary>
    /// Brings the database up to the model. Writes go through a write-ahead log and reach the disk before they are
    /// acknowledged.
    /// </summary>
    /// <param name="db">The database.</param>
    /// <param name="beforeChange">Called where the database holds something and is about to be changed.</param>
    /// <exception cref="DataFolderException">The file cannot be used as it is; it was left alone.</exception>
    public static void Migrate(TallyDb db, Action? beforeChange = null)
    {
        var file = db.Database.GetDbConnection().DataSource;
        try
        {
            var applied = File.Exists(file) ? db.Database.GetAppliedMigrations().ToHashSet() : [];
            var known = db.Database.GetMigrations().ToHashSet();
            if (!applied.IsSubsetOf(known))
            {
                throw new DataFolderException(
                    $"The database {file} was written by a newer Keep Tally. Start that one, or give another folder with --data DIR."
                );
            }

            if (applied.Count > 0 && applied.Count < known.Count)
            {
                beforeChange?.Invoke();
            }

            if (applied.Count < known.Count)
            {
                db.Database.Migrate();
            }

            db.Database.ExecuteSqlRaw("PRAGMA journal_mode = WAL;");
            foreach (var part in new[] { file, file + "-wal", file + "-shm" })
            {
                DatabaseCopy.OnlyForOwner(part);
            }
        }
        catch (IOException full) when (DiskSpace.IsFull(full))
        {
            throw DiskSpace.Needed(Path.GetDirectoryName(file)!, full);
        }
        catch (Exception failure) when (failure is IOException or UnauthorizedAccessException)
        {
            throw new DataFolderException(
                $"The backup before the update of {file} cannot be written ({failure.Message.TrimEnd('.')}). Fix that, or give another folder with --backups DIR.",
                failure
            );
        }
        catch (SqliteException full) when (DiskSpace.IsFull(full))
        {
            throw DiskSpace.Needed(Path.GetDirectoryName(file)!, full);
        }
        catch (SqliteException failure)
        {
            throw new DataFolderException(
                $"The database {file} cannot be opened ({failure.Message.TrimEnd('.')}). Restore a backup with tally restore --data {Path.GetDirectoryName(file)} --from FILE, or give another folder with --data DIR.",
                failure
            );
        }
    }
}
