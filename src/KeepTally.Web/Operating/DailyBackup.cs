using KeepTally.Store.Backups;
using KeepTally.Store.Database;
using Microsoft.Data.Sqlite;

namespace KeepTally.Web.Operating;

/// <summary>Makes a backup once a day while the application runs, and holds a little of the disk for a start on a full one.</summary>
internal sealed class DailyBackup(BackupShelf shelf, BackupHealth health, SpareSpace spare, TimeProvider clock, OperatorLog log)
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
                spare.Hold();
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
            var made = shelf.Make(BackupKind.Daily, now);
            health.Failure = null;
            log.BackedUp(made.Name, made.Bytes);
        }
        catch (Exception failure) when (failure is IOException or UnauthorizedAccessException or SqliteException)
        {
            health.Failure = failure.Message;
            log.BackupFailed(shelf.Folder, failure.Message);
        }
    }
}
