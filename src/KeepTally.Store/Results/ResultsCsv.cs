using System.Globalization;
using CsvHelper;
using KeepTally.Core.Identity;
using KeepTally.Core.Reports;
using KeepTally.Store.Files;

namespace KeepTally.Store.Results;

/// <summary>Writes results as CSV (RFC 4180). Source: docs/formats.md, section 8.</summary>
public static class ResultsCsv
{
    /// <summary>Writes the drills of a practice.</summary>
    /// <param name="date">The day of the practice.</param>
    /// <param name="drills">Its results, in order.</param>
    /// <param name="numbers">Shirt numbers of players who have one.</param>
    public static string Write(
        DateOnly date,
        IReadOnlyList<DrillResult> drills,
        IReadOnlyDictionary<PlayerId, int>? numbers = null
    ) => Write(ResultsTable.Of([(date, drills)], numbers));

    /// <summary>Writes a table.</summary>
    public static string Write(SheetTable table)
    {
        using var text = new StringWriter(CultureInfo.InvariantCulture);
        using (var csv = new CsvWriter(text, CultureInfo.InvariantCulture))
        {
            foreach (var heading in table.Head)
            {
                csv.WriteField(CsvCell.Guard(heading));
            }

            csv.NextRecord();
            foreach (var row in table.Rows)
            {
                foreach (var cell in row)
                {
                    csv.WriteField(cell is string words ? CsvCell.Guard(words) : cell);
                }

                csv.NextRecord();
            }
        }

        return text.ToString();
    }
}
