namespace KeepTally.Store.Backups;

/// <summary>The reasons for which a backup is made.</summary>
public enum BackupKind
{
    /// <summary>Made by itself once a day.</summary>
    Daily,

    /// <summary>Made before a newer version changes the database.</summary>
    BeforeUpdate,

    /// <summary>Made before a restore replaces the database; it undoes the restore.</summary>
    BeforeRestore,
}
