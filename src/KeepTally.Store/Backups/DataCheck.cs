using KeepTally.Core.Events;
using KeepTally.Core.Formats;
using KeepTally.Core.Live;
using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Backups;

/// <summary>The result of a check of all stored data.</summary>
/// <param name="Sheets">The number of sheets that were replayed.</param>
/// <param name="Events">The number of events on them.</param>
/// <param name="Findings">What is wrong, each with its place; empty where all is well.</param>
public sealed record DataFindings(int Sheets, int Events, IReadOnlyList<string> Findings);

/// <summary>
/// Checks a database from end to end: the file itself, the links between its rows, and every stored sheet, which is replayed from
/// its events and held to what is stored of them.
/// </summary>
public static class DataCheck
{
    /// <summary>Checks a data folder, which may be in use.</summary>
    /// <param name="data">The data folder.</param>
    /// <exception cref="DataFolderException">There is no database in it, or it cannot be opened.</exception>
    public static DataFindings Of(DataFolder data)
    {
        if (!File.Exists(data.Database))
        {
            throw new DataFolderException(
                $"There is no database in {data.Path}. Give the folder that holds tally.db with --data DIR."
            );
        }

        var file = BackupFacts.Read(data.Database);
        if (!file.IsOk)
        {
            return new DataFindings(0, 0, [.. file.Faults.Select(fault => $"tally.db: {fault.Problem}")]);
        }

        using var db = new TallyDb(
            new DbContextOptionsBuilder<TallyDb>().UseSqlite($"Data Source={data.Database};Mode=ReadWrite;Pooling=False").Options,
            new TenantScope()
        );
        var cards = db.Runs.AsNoTracking().ToDictionary(run => run.Id, run => run.CardJson);
        var events = db.Events.AsNoTracking().OrderBy(row => row.Sequence).ToLookup(row => row.SheetId);
        SheetRow[] sheets = [.. db.Sheets.AsNoTracking().OrderBy(sheet => sheet.RunId).ThenBy(sheet => sheet.Order)];
        return new DataFindings(
            sheets.Length,
            sheets.Sum(sheet => events[sheet.Id].Count()),
            [.. sheets.SelectMany(sheet => OfSheet(sheet, cards[sheet.RunId], [.. events[sheet.Id]]))]
        );
    }

    private static IEnumerable<string> OfSheet(SheetRow row, string runCard, EventRow[] events)
    {
        string Place(string what) => $"sheet {row.Id}: {what}";
        var head = HeadReader.Read(row.HeadJson);
        if (!head.IsOk)
        {
            return [Place($"its head cannot be read, {head.Faults[0]}")];
        }

        var card = CardReader.Read(row.CardJson ?? runCard, head.Value.Options);
        if (!card.IsOk)
        {
            return [Place($"its card cannot be read, {card.Faults[0]}")];
        }

        var opened = Sheet.Open(card.Value, head.Value);
        if (!opened.IsOk)
        {
            return [Place($"it cannot be opened, {opened.Faults[0]}")];
        }

        string[] wrong = [.. events.Select(stored => FaultOf(stored, opened.Value)).OfType<string>()];
        if (wrong.Length == 0)
        {
            opened.Value.AddAll([.. events.Select(stored => EventReader.Read(stored.Line).Require())]);
            opened.Value.ReportAt(opened.Value.Log.LastAt);
        }

        return wrong.Select(Place);
    }

    /// <summary>What is wrong with a stored event; null where its row and its line agree and the sheet takes it.</summary>
    private static string? FaultOf(EventRow stored, Sheet sheet)
    {
        var id = $"event {stored.Device}/{stored.N}";
        var read = EventReader.Read(stored.Line);
        return !read.IsOk ? $"{id} cannot be read, {read.Faults[0]}"
            : (read.Value.Id.Device.Value, read.Value.Id.N, read.Value.At.Milliseconds, read.Value.Type)
            != (stored.Device, stored.N, stored.At, stored.Type)
                ? $"{id} is not what its line says"
            : EventWriter.Write(read.Value) != stored.Line ? $"{id} is not written as it reads"
            : sheet.Check(read.Value) is { } fault ? $"{id} cannot stand, {fault.Problem}"
            : null;
    }
}
