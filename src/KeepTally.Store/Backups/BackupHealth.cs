namespace KeepTally.Store.Backups;

/// <summary>Whether backups can be made.</summary>
public sealed class BackupHealth
{
    /// <summary>The reason why the last daily backup failed; null where it was made.</summary>
    public string? Failure { get; set; }
}
