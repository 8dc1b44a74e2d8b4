using System.Globalization;
using KeepTally.Store.Database;

namespace KeepTally.Store.Backups;

/// <summary>A backup on the shelf.</summary>
/// <param name="File">The path of the file.</param>
/// <param name="Made">The moment it was made, in the time of the machine.</param>
/// <param name="Kind">The reason for which it was made.</param>
/// <param name="Bytes">The size of the file, in bytes.</param>
public sealed record Backup(string File, DateTime Made, BackupKind Kind, long Bytes)
{
    /// <summary>The name of the file, by which it is asked for.</summary>
    public string Name => Path.GetFileName(File);
}

/// <summary>
/// The folder of backups: one a day, one before every update, one before every restore. The name of a file says when and why it was
/// made: <c>tally-20261201-030000-daily.db</c>.
/// </summary>
public sealed class BackupShelf(DataFolder data)
{
    private const string Start = "tally-";
    private const string Ending = ".db";

    /// <summary>The beginning of the name of a database that was put aside because it could not be read.</summary>
    internal const string Damaged = "damaged-";

    private const string Moment = "yyyyMMdd-HHmmss";

    /// <summary>The number of backups kept that were made before an update, or before a restore.</summary>
    private const int KeptBefore = 5;

    private static readonly (BackupKind Kind, string Word)[] Words =
    [
        (BackupKind.Daily, "daily"),
        (BackupKind.BeforeUpdate, "before-update"),
        (BackupKind.BeforeRestore, "before-restore"),
    ];

    /// <summary>The path of the folder.</summary>
    public string Folder => data.Backups;

    /// <summary>The backups, the newest first; none where the folder cannot be read.</summary>
    public IReadOnlyList<Backup> List()
    {
        try
        {
            return Directory.Exists(Folder)
                ?
                [
                    .. Directory
                        .EnumerateFiles(Folder, Start + "*" + Ending)
                        .Select(Read)
                        .OfType<Backup>()
                        .OrderByDescending(backup => backup.Made),
                ]
                : [];
        }
        catch (Exception failure) when (failure is IOException or UnauthorizedAccessException)
        {
            return [];
        }
    }

    /// <summary>The newest backup; null where there is none.</summary>
    public Backup? Newest => List() is [var newest, ..] ? newest : null;

    /// <summary>The backup with a name; null where there is none.</summary>
    public Backup? Find(string name) => List().FirstOrDefault(backup => backup.Name == name);

    /// <summary>Makes a backup of the database and removes those that need not be kept any longer.</summary>
    /// <param name="kind">The reason.</param>
    /// <param name="now">The present moment, in the time of the machine.</param>
    /// <exception cref="IOException">It cannot be written.</exception>
    /// <exception cref="Microsoft.Data.Sqlite.SqliteException">The database cannot be read, or the disk is full.</exception>
    public Backup Make(BackupKind kind, DateTime now)
    {
        Directory.CreateDirectory(Folder);
        var word = Words.First(each => each.Kind == kind).Word;
        var file = Path.Combine(Folder, $"{Start}{now.ToString(Moment, CultureInfo.InvariantCulture)}-{word}{Ending}");
        DatabaseCopy.Make(data.Database, file);
        Tidy(now);
        return Read(file)!;
    }

    /// <summary>Whether the backup of a day is still to be made.</summary>
    /// <param name="now">The present moment, in the time of the machine.</param>
    public bool IsDailyDue(DateTime now) =>
        !List().Any(backup => backup.Kind == BackupKind.Daily && backup.Made.Date == now.Date) && File.Exists(data.Database);

    /// <summary>Deletes a backup; false where there is none with that name.</summary>
    public bool Delete(string name)
    {
        if (Find(name) is not { } backup)
        {
            return false;
        }

        File.Delete(backup.File);
        return true;
    }

    private void Tidy(DateTime now)
    {
        var all = List();
        var daily = BackupRetention.Keep(all.Where(backup => backup.Kind == BackupKind.Daily).Select(backup => backup.Made));
        var old = all.Where(backup => backup.Kind == BackupKind.Daily && !daily.Contains(backup.Made))
            .Concat(all.Where(backup => backup.Kind == BackupKind.BeforeUpdate).Skip(KeptBefore))
            .Concat(all.Where(backup => backup.Kind == BackupKind.BeforeRestore).Skip(KeptBefore))
            .Concat(all.Where(backup => now - backup.Made > BackupRetention.Longest))
            .Select(backup => backup.File)
            .Concat(
                Directory
                    .EnumerateFiles(Folder, Damaged + "*")
                    .Where(file => now - File.GetLastWriteTime(file) > BackupRetention.Longest)
            );
        foreach (var file in old)
        {
            File.Delete(file);
        }
    }

    private static Backup? Read(string file)
    {
        var name = Path.GetFileNameWithoutExtension(file)[Start.Length..];
        return
            name.Length > Moment.Length + 1
            && DateTime.TryParseExact(
                name[..Moment.Length],
                Moment,
                CultureInfo.InvariantCulture,
                DateTimeStyles.None,
                out var made
            )
            && Words.FirstOrDefault(each => each.Word == name[(Moment.Length + 1)..]) is { Word: not null } kind
            ? new Backup(file, made, kind.Kind, new FileInfo(file).Length)
            : null;
    }
}
