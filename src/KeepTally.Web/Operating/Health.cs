using System.Net;
using KeepTally.Store.Backups;
using KeepTally.Store.Database;
using KeepTally.Store.Events;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Operating;

/// <summary>
/// <c>/health/live</c> and <c>/health/ready</c> for whatever watches the application. They answer on the machine itself alone and
/// name nobody.
/// </summary>
internal static class Health
{
    /// <summary>An acknowledgement that takes longer is felt by a thumb.</summary>
    private static readonly TimeSpan LongestDelay = TimeSpan.FromSeconds(2);

    internal static void MapHealth(this IEndpointRouteBuilder app)
    {
        var health = app.MapGroup("/health").AllowAnonymous().AddEndpointFilter(OnThisMachineAsync);
        health.MapGet("/live", () => TypedResults.Ok(new Alive("ok")));
        health.MapGet("/ready", ReadyAsync);
    }

    private static ValueTask<object?> OnThisMachineAsync(EndpointFilterInvocationContext context, EndpointFilterDelegate next) =>
        context.HttpContext.Connection.RemoteIpAddress is { } from && !IPAddress.IsLoopback(from)
            ? ValueTask.FromResult<object?>(TypedResults.NotFound())
            : next(context);

    private static async Task<JsonHttpResult<Ready>> ReadyAsync(
        TallyDb db,
        DataFolder data,
        JournalMeter journal,
        BackupShelf shelf,
        BackupHealth backups,
        TimeProvider clock,
        CancellationToken cancellationToken
    )
    {
        bool reads;
        try
        {
            await db.Database.ExecuteSqlRawAsync("SELECT 1 FROM Teams LIMIT 1", cancellationToken);
            reads = true;
        }
        catch (Microsoft.Data.Sqlite.SqliteException)
        {
            reads = false;
        }

        var well = reads && !DiskSpace.IsShort(data.Path) && journal.Delay <= LongestDelay;
        var ready = new Ready(
            well ? "ok" : "failing",
            reads,
            Math.Round(journal.Delay.TotalMilliseconds, 1),
            journal.Waiting,
            DiskSpace.FreeBytes(data.Path),
            shelf.Newest is { } newest ? Math.Round((clock.GetLocalNow().DateTime - newest.Made).TotalHours, 1) : null,
            backups.Failure is null
        );
        return TypedResults.Json(ready, statusCode: well ? StatusCodes.Status200OK : StatusCodes.Status503ServiceUnavailable);
    }
}

/// <param name="Status">Always <c>ok</c>: that it answers is the answer.</param>
internal sealed record Alive(string Status);

/// <param name="Status"><c>ok</c> or <c>failing</c>.</param>
/// <param name="DatabaseReads">True where the database can be read.</param>
/// <param name="JournalDelayMs">The milliseconds from the arrival of the last batch of events to its acknowledgement.</param>
/// <param name="JournalWaiting">The number of batches that wait for the disk.</param>
/// <param name="FreeBytes">The free space on the disk of the data folder; null where the system does not tell.</param>
/// <param name="LastBackupHours">The age of the newest backup, in hours; null where there is none.</param>
/// <param name="BackupsWork">False where the last daily backup failed.</param>
internal sealed record Ready(
    string Status,
    bool DatabaseReads,
    double JournalDelayMs,
    int JournalWaiting,
    long? FreeBytes,
    double? LastBackupHours,
    bool BackupsWork
);
