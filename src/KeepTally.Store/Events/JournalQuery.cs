using System.Data.Common;
using KeepTally.Core.Identity;
using KeepTally.Store.Tables;

namespace KeepTally.Store.Events;

/// <summary>The queries of the journal writer, on its own connection.</summary>
internal sealed class JournalQuery(DbConnection connection)
{
    /// <summary>The practice a sheet belongs to, or null where there is no such sheet.</summary>
    internal int? PracticeOf(SheetId sheet, DbTransaction transaction)
    {
        using var command = Command(
            transaction,
            """
            SELECT Blocks.PracticeId FROM Sheets JOIN Runs ON Runs.Id = Sheets.RunId JOIN Blocks ON Blocks.Id = Runs.BlockId
            WHERE Sheets.Id = $sheet
            """,
            ("$sheet", sheet.Value)
        );
        return (int?)(long?)command.ExecuteScalar();
    }

    /// <summary>The last sequence number on any sheet of a practice, or 0.</summary>
    internal long LastOf(int practice, DbTransaction transaction)
    {
        using var command = Command(
            transaction,
            """
            SELECT MAX(Events.Sequence) FROM Blocks JOIN Runs ON Runs.BlockId = Blocks.Id JOIN Sheets ON Sheets.RunId = Runs.Id
            JOIN Events ON Events.SheetId = Sheets.Id WHERE Blocks.PracticeId = $practice
            """,
            ("$practice", practice)
        );
        return command.ExecuteScalar() is long last ? last : 0;
    }

    /// <summary>The line that stands under an event's id.</summary>
    internal string StandingLine(EventRow row, DbTransaction transaction)
    {
        using var command = Command(
            transaction,
            "SELECT Line FROM Events WHERE SheetId = $sheet AND Device = $device AND N = $n",
            ("$sheet", row.SheetId),
            ("$device", row.Device),
            ("$n", row.N)
        );
        return (string)command.ExecuteScalar()!;
    }

    private DbCommand Command(DbTransaction transaction, string text, params ReadOnlySpan<(string Name, object Value)> given)
    {
        var command = connection.CreateCommand();
        command.Transaction = transaction;
        command.CommandText = text;
        foreach (var (name, value) in given)
        {
            var parameter = command.CreateParameter();
            parameter.ParameterName = name;
            parameter.Value = value;
            command.Parameters.Add(parameter);
        }

        return command;
    }
}
