using System.Data.Common;
using Microsoft.EntityFrameworkCore.Diagnostics;

namespace KeepTally.Store.Database;

/// <summary>
/// Every connection waits for the disk at each commit: an acknowledged tap outlives the power. Where another one writes, it
/// waits in the small steps of SQLite itself and not in the long ones of its driver. What is erased is written over in the file.
/// </summary>
internal sealed class DurableConnection : DbConnectionInterceptor
{
    private const string Durable =
        "PRAGMA synchronous = FULL; PRAGMA foreign_keys = ON; PRAGMA busy_timeout = 10000; PRAGMA secure_delete = ON;";

    internal static void SetUp(DbConnection connection)
    {
        using var command = connection.CreateCommand();
        command.CommandText = Durable;
        command.ExecuteNonQuery();
    }

    /// <summary>Whether a row may be written only where the row it hangs on is there.</summary>
    internal static void HoldForeignKeys(DbConnection connection, bool hold)
    {
        using var command = connection.CreateCommand();
        command.CommandText = hold ? "PRAGMA foreign_keys = ON;" : "PRAGMA foreign_keys = OFF;";
        command.ExecuteNonQuery();
    }

    public override void ConnectionOpened(DbConnection connection, ConnectionEndEventData eventData) => SetUp(connection);

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
