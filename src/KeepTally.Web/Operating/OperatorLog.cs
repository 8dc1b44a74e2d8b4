namespace KeepTally.Web.Operating;

/// <summary>
/// The lines an operator reads: starts and stops, backups, failed sign-ins, refused events and slow writes. No line names a person, and
/// whatever strangers can cause is told once a minute with a count, so that nobody can fill the disk.
/// </summary>
public sealed partial class OperatorLog(ILogger<OperatorLog> log, TimeProvider clock, OperatingMeter meter)
{
    private static readonly string[] Places =
    [
        "at",
        "device",
        "n",
        "type",
        "unit",
        "outcome",
        "zone",
        "value",
        "player",
        "out",
        "in",
        "of",
    ];

    private static readonly TimeSpan Pause = TimeSpan.FromMinutes(1);

    private readonly Dictionary<string, (long Told, int Since)> _told = [];

    [LoggerMessage(EventId = 1, Level = LogLevel.Information, Message = "Started with the data folder {Folder}")]
    public partial void Started(string folder);

    [LoggerMessage(EventId = 2, Level = LogLevel.Information, Message = "Stopped")]
    public partial void Stopped();

    [LoggerMessage(
        EventId = 3,
        Level = LogLevel.Information,
        Message = "The database is brought up to date; the backup before it is {File}"
    )]
    public partial void Updating(string file);

    [LoggerMessage(EventId = 4, Level = LogLevel.Information, Message = "Backup made: {File}, {Bytes} bytes")]
    public partial void BackedUp(string file, long bytes);

    [LoggerMessage(EventId = 5, Level = LogLevel.Error, Message = "The daily backup in {Folder} failed: {Why}")]
    public partial void BackupFailed(string folder, string why);

    [LoggerMessage(EventId = 6, Level = LogLevel.Information, Message = "A backup is restored")]
    public partial void Restoring();

    [LoggerMessage(
        EventId = 11,
        Level = LogLevel.Error,
        Message = "The disk of {Folder} is full: what is stored can be read, and nothing new is stored. Free some space"
    )]
    public partial void StartedFull(string folder);

    /// <summary>A sign-in failed.</summary>
    public void SignInFailed()
    {
        meter.SignInFailed();
        Sparingly("sign-in", FailedSignIns);
    }

    /// <summary>Events were refused.</summary>
    /// <param name="place">The property that was wrong, such as <c>at</c> or <c>outcome</c>.</param>
    public void EventsRefused(string place)
    {
        // A sender can write anything; what is not known is not repeated.
        var known = Array.Find(Places, each => each == place) ?? "other";
        meter.Refused(known);
        Sparingly($"refused {known}", count => RefusedEvents(count, known));
    }

    /// <summary>A batch took long to reach the disk.</summary>
    /// <param name="milliseconds">The time to the acknowledgement.</param>
    public void SlowWrite(double milliseconds) => Sparingly("slow", count => SlowWrites(count, milliseconds));

    /// <summary>The disk is full, and something could not be stored.</summary>
    public void DiskFull() => Sparingly("full", FullDisk);

    [LoggerMessage(EventId = 10, Level = LogLevel.Error, Message = "The disk is full: {Count} requests could not be stored")]
    private partial void FullDisk(int count);

    [LoggerMessage(EventId = 7, Level = LogLevel.Warning, Message = "Failed sign-ins: {Count}")]
    private partial void FailedSignIns(int count);

    [LoggerMessage(EventId = 8, Level = LogLevel.Warning, Message = "Batches of events refused: {Count}, because of {Place}")]
    private partial void RefusedEvents(int count, string place);

    [LoggerMessage(EventId = 9, Level = LogLevel.Warning, Message = "Slow writes: {Count}, the last took {Milliseconds} ms")]
    private partial void SlowWrites(int count, double milliseconds);

    /// <summary>Tells something at most once a minute, with how often it has happened since it was told before.</summary>
    private void Sparingly(string kind, Action<int> tell)
    {
        int count;
        lock (_told)
        {
            var now = clock.GetTimestamp();
            if (_told.TryGetValue(kind, out var before) && clock.GetElapsedTime(before.Told, now) < Pause)
            {
                _told[kind] = before with { Since = before.Since + 1 };
                return;
            }

            count = before.Since + 1;
            _told[kind] = (now, 0);
        }

        tell(count);
    }
}
