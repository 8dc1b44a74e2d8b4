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
    /// <exception cref="DataFolderException">The file cannot be used as it is; it was left alone.</exception>
    public static void Migrate(TallyDb db)
    {
        var file = db.Database.GetDbConnection().DataSource;
        try
        {
            if (File.Exists(file) && db.Database.GetAppliedMigrations().Except(db.Database.GetMigrations()).Any())
            {
                throw new DataFolderException(
                    $"The database {file} was written by a newer Keep Tally. Start that one, or give another folder with --data DIR."
                );
            }

            db.Database.Migrate();
            db.Database.ExecuteSqlRaw("PRAGMA journal_mode = WAL;");
        }
        catch (SqliteException full) when (DiskSpace.IsFull(full))
        {
            throw DiskSpace.Needed(Path.GetDirectoryName(file)!, full);
        }
        catch (SqliteException failure)
        {
            throw new DataFolderException(
                $"The database {file} cannot be opened ({failure.Message.TrimEnd('.')}). Move it away, or give another folder with --data DIR.",
                failure
            );
        }
    }
}
