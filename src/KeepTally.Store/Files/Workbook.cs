using System.Globalization;
using System.IO.Compression;
using System.Xml;
using KeepTally.Core.Faults;
using MiniExcelLibs;

namespace KeepTally.Store.Files;

/// <summary>Reads a table from a spreadsheet file (.xlsx, ECMA-376): the first sheet that holds anything.</summary>
public static class Workbook
{
    /// <summary>Unpacked, a sheet of a squad is far smaller; a file that is more is made to fill a memory.</summary>
    private const long LargestUnpacked = 30_000_000;

    private const int MostColumns = 60;

    private static readonly byte[] Packed = [(byte)'P', (byte)'K', 3, 4];
    private static readonly byte[] OldOrLocked = [0xD0, 0xCF, 0x11, 0xE0];

    /// <summary>Whether a file is a spreadsheet, readable or not, and no text.</summary>
    public static bool Is(ReadOnlySpan<byte> file) => file.StartsWith(Packed) || file.StartsWith(OldOrLocked);

    /// <param name="file">The content of the file.</param>
    /// <param name="mostRows">The most rows it may have, without the row of headings.</param>
    public static Result<Grid> Read(byte[] file, int mostRows)
    {
        if (file.AsSpan().StartsWith(OldOrLocked))
        {
            return Fail(
                "this is a spreadsheet of the old kind (.xls), or one with a password",
                "save it as .xlsx without a password"
            );
        }

        try
        {
            using var bytes = new MemoryStream(file);
            if (UnpackedFault(bytes) is { } fault)
            {
                return Result.Fail<Grid>(fault);
            }

            bytes.Position = 0;
            foreach (var sheet in bytes.GetSheetNames())
            {
                bytes.Position = 0;
                var rows = RowsOf(bytes, sheet, mostRows);
                if (rows.Count > mostRows + 1)
                {
                    return Result.Fail<Grid>(GridText.TooMany(rows.Count - 1, mostRows));
                }

                if (rows.Count > 0)
                {
                    return Result.Ok(new Grid(rows));
                }
            }

            return Fail("no sheet of it holds anything", "check that the right file was chosen");
        }
        catch (Exception wrong)
            when (wrong
                    is InvalidDataException
                        or XmlException
                        or FormatException
                        or OverflowException
                        or IOException
                        or NullReferenceException
                        or KeyNotFoundException
                        or ArgumentException
                        or InvalidOperationException
            )
        {
            // The library meets a damaged file with whatever it trips over.
            return Fail("this spreadsheet is damaged", "open it, save it again, or save it as CSV");
        }
    }

    /// <summary>One row more than allowed is read at the most.</summary>
    private static List<GridRow> RowsOf(Stream file, string sheet, int mostRows)
    {
        var (rows, line) = (new List<GridRow>(), 0);
        foreach (IDictionary<string, object?> row in file.Query(sheetName: sheet))
        {
            line++;
            string[] cells = [.. row.Values.Take(MostColumns).Select(Text)];
            if (Array.Exists(cells, cell => cell.Length > 0))
            {
                rows.Add(new GridRow(line, cells));
            }

            if (rows.Count > mostRows + 1)
            {
                break;
            }
        }

        return rows;
    }

    private static string Text(object? value) =>
        value switch
        {
            null => "",
            DateTime { TimeOfDay.Ticks: 0 } date => date.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
            double number => number.ToString("0.######", CultureInfo.InvariantCulture),
            IFormattable figure => figure.ToString(null, CultureInfo.InvariantCulture),
            _ => value.ToString()!.Trim(),
        };

    private static Fault? UnpackedFault(Stream file)
    {
        using var zip = new ZipArchive(file, ZipArchiveMode.Read, leaveOpen: true);
        return zip.GetEntry("xl/workbook.xml") is null
                ? new Fault("file", "this is no spreadsheet that can be read here", "save it as .xlsx or as CSV")
            : zip.Entries.Sum(entry => entry.Length) > LargestUnpacked
                ? new Fault("file", "this spreadsheet is larger than any squad", "keep only the sheet with the players")
            : null;
    }

    private static Result<Grid> Fail(string problem, string fix) => Result.Fail<Grid>(new Fault("file", problem, fix));
}
