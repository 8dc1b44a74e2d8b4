using KeepTally.Store.Backups;
using Microsoft.Data.Sqlite;

namespace KeepTally.Web.Hosting;

/// <summary>Makes a backup once a day while the application runs.</summary>
internal sealed partial class DailyBackup(BackupShelf shelf, BackupHealth health, TimeProvider clock, ILogger<DailyBackup> log)
    : BackgroundService
{
    /// <summary>The time between two looks at whether one is due. Nobody waits for the first one at the start.</summary>
    private static readonly TimeSpan Pause = TimeSpan.FromMinutes(5);

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(Pause, clock);
        try
        {
            while (await timer.WaitForNextTickAsync(stoppingToken))
            {
                MakeIfDue();
            }
        }
        catch (OperationCanceledException)
        {
            // It stops with the application.
        }
    }

    private void MakeIfDue()
    {
        var now = clock.GetLocalNow().DateTime;
        if (!shelf.IsDailyDue(now))
        {
            return;
        }

        try
        {
            shelf.Make(BackupKind.Daily, now);
            health.Failure = null;
        }
        catch (Exception failure) when (failure is IOException or UnauthorizedAccessException or SqliteException)
        {
            health.Failure = failure.Message;
            Failed(log, shelf.Folder, failure.Message);
        }
    }

    [LoggerMessage(Level = LogLevel.Error, Message = "The daily backup in {Folder} failed: {Why}")]
    private static partial void Failed(ILogger log, string folder, string why);
}
