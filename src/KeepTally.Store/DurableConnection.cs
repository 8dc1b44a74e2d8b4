using System.Data.Common;
using Microsoft.EntityFrameworkCore.Diagnostics;

namespace KeepTally.Store;

/// <summary>Every connection waits for the disk at each commit: an acknowledged tap outlives the power.</summary>
internal sealed class DurableConnection : DbConnectionInterceptor
{
    private const string Durable = "PRAGMA synchronous = FULL; PRAGMA foreign_keys = ON;";

    public override void ConnectionOpened(DbConnection connection, ConnectionEndEventData eventData)
    {
        using var command = connection.CreateCommand();
        command.CommandText = Durable;
        command.ExecuteNonQuery();
    }

    public override async Task ConnectionOpenedAsync(
        DbConnection connection,
        ConnectionEndEventData eventData,
        CancellationToken cancellationToken = default
    )
    {
        await using var command = connection.CreateCommand();
        command.CommandText = Durable;
        await command.ExecuteNonQueryAsync(cancellationToken);
    }
}
