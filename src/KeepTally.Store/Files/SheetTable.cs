using MiniExcelLibs;

namespace KeepTally.Store.Files;

/// <summary>A table that goes out: as a sheet of a spreadsheet, or as CSV.</summary>
/// <param name="Name">The name of the sheet, at most 31 letters.</param>
/// <param name="Head">The headings, no two alike.</param>
/// <param name="Rows">The rows, each with a text, a number, a date or nothing for each heading.</param>
public sealed record SheetTable(string Name, IReadOnlyList<string> Head, IReadOnlyList<IReadOnlyList<object?>> Rows)
{
    /// <summary>The media type of a spreadsheet file.</summary>
    public const string WorkbookType = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet";

    /// <summary>Tables as one spreadsheet file (.xlsx, ECMA-376), a sheet each. Texts stay texts, whatever they begin with.</summary>
    public static byte[] Workbook(IReadOnlyList<SheetTable> tables)
    {
        using var file = new MemoryStream();
        file.SaveAs(tables.ToDictionary(table => table.Name, object (table) => table.Records()));
        return file.ToArray();
    }

    private IEnumerable<Dictionary<string, object?>> Records() =>
        Rows.Count > 0
            ? Rows.Select(row => Head.Zip(row).ToDictionary(cell => cell.First, cell => cell.Second))
            // Without a row there would be no headings either.
            : [Head.ToDictionary(heading => heading, object? (_) => null)];
}
