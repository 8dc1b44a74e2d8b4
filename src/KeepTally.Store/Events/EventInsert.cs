using System.Data.Common;
using KeepTally.Store.Tables;

namespace KeepTally.Store.Events;

/// <summary>
/// Inserts events one by one, each unless its sheet, device and number are there already. The one statement on the path of
/// every tap, so it goes to the connection without a query to translate.
/// </summary>
internal sealed class EventInsert : IDisposable
{
    private readonly DbCommand _command;

    internal EventInsert(DbConnection connection, DbTransaction? transaction = null)
    {
        _command = connection.CreateCommand();
        _command.Transaction = transaction;
        _command.CommandText = """
            INSERT INTO Events (SheetId, Device, N, At, Type, Line) VALUES ($sheet, $device, $n, $at, $type, $line)
            ON CONFLICT (SheetId, Device, N) DO NOTHING RETURNING Sequence
            """;
        foreach (var name in new[] { "$sheet", "$device", "$n", "$at", "$type", "$line" })
        {
            var parameter = _command.CreateParameter();
            parameter.ParameterName = name;
            _command.Parameters.Add(parameter);
        }
    }

    /// <summary>The transaction the next inserts are part of.</summary>
    internal DbTransaction? Transaction
    {
        set => _command.Transaction = value;
    }

    /// <summary>The sequence number given, or null where the event was there already.</summary>
    internal long? Try(EventRow row)
    {
        _command.Parameters[0].Value = row.SheetId;
        _command.Parameters[1].Value = row.Device;
        _command.Parameters[2].Value = row.N;
        _command.Parameters[3].Value = row.At;
        _command.Parameters[4].Value = row.Type;
        _command.Parameters[5].Value = row.Line;
        return (long?)_command.ExecuteScalar();
    }

    public void Dispose() => _command.Dispose();
}
