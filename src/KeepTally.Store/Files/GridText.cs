using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;
using KeepTally.Core.Faults;

namespace KeepTally.Store.Files;

/// <summary>Reads a table from text: cells stand apart by commas, semicolons or tabs, in quotation marks where they hold one (RFC 4180).</summary>
public static class GridText
{
    private const int Looked = 20;

    private static readonly char[] Separators = [',', ';', '\t'];

    /// <param name="text">The text.</param>
    /// <param name="mostRows">The most rows it may have, without the row of headings.</param>
    public static Result<Grid> Read(string text, int mostRows)
    {
        var separator = SeparatorOf(text);
        if (FaultOf(text, separator, mostRows) is { } fault)
        {
            return Result.Fail<Grid>(fault);
        }

        using var parser = new CsvParser(
            new StringReader(text),
            new CsvConfiguration(CultureInfo.InvariantCulture)
            {
                Delimiter = separator.ToString(),
                BadDataFound = null,
                TrimOptions = TrimOptions.Trim,
            }
        );
        var rows = new List<GridRow>();
        while (parser.Read())
        {
            if (Array.Exists(parser.Record!, cell => cell.Length > 0))
            {
                rows.Add(new GridRow(parser.RawRow, [.. parser.Record!]));
            }
        }

        return Result.Ok(new Grid(rows));
    }

    /// <summary>A table as text that <see cref="Read"/> takes, each row on its line.</summary>
    public static string Write(Grid grid)
    {
        using var text = new StringWriter(CultureInfo.InvariantCulture);
        using (var csv = new CsvWriter(text, CultureInfo.InvariantCulture))
        {
            var line = 1;
            foreach (var row in grid.Rows)
            {
                for (; line < row.Line; line++)
                {
                    csv.NextRecord();
                }

                foreach (var cell in row.Cells)
                {
                    // A cell stays on its line, so that what is wrong is told by the line it has in the file.
                    csv.WriteField(cell.ReplaceLineEndings(" "));
                }

                csv.NextRecord();
                line++;
            }
        }

        return text.ToString();
    }

    /// <summary>
    /// What the cells stand apart by: what stands equally often in most of the first lines, outside of quotation marks; of several
    /// what stands there most often; a comma where nothing does.
    /// </summary>
    private static char SeparatorOf(string text)
    {
        var lines = Lines(text).Where(line => line.Length > 0).Take(Looked).ToArray();
        return Separators
            .Select(separator =>
            {
                var usual = lines
                    .Select(line => Count(line, separator))
                    .Where(count => count > 0)
                    .GroupBy(count => count)
                    .OrderByDescending(count => count.Count())
                    .ThenByDescending(count => count.Key)
                    .FirstOrDefault();
                return (Separator: separator, Lines: usual?.Count() ?? 0, Each: usual?.Key ?? 0);
            })
            .OrderByDescending(each => each.Lines)
            .ThenByDescending(each => each.Each)
            .First()
            .Separator;
    }

    private static IEnumerable<string> Lines(string text)
    {
        using var reader = new StringReader(text);
        while (reader.ReadLine() is { } line)
        {
            yield return line;
        }
    }

    private static int Count(string line, char separator)
    {
        var (count, quoted) = (0, false);
        foreach (var letter in line)
        {
            quoted ^= letter == '"';
            count += letter == separator && !quoted ? 1 : 0;
        }

        return count;
    }

    /// <summary>
    /// Why a table cannot be read at all, told before anything is worked out: it has too many rows, or a quotation mark is opened
    /// and never closed, so that all that follows would be one cell.
    /// </summary>
    private static Fault? FaultOf(string text, char separator, int mostRows)
    {
        var (line, opened, rows, starts) = (1, 0, 0, true);
        for (var i = 0; i < text.Length; i++)
        {
            var letter = text[i];
            if (letter == '"' && (starts || opened > 0))
            {
                var doubled = opened > 0 && i + 1 < text.Length && text[i + 1] == '"';
                i += doubled ? 1 : 0;
                opened =
                    doubled ? opened
                    : opened > 0 ? 0
                    : line;
            }

            line += letter == '\n' ? 1 : 0;
            rows += letter == '\n' && opened == 0 ? 1 : 0;
            starts = opened == 0 && (letter == separator || letter == '\n' || (starts && letter is ' ' or '\r'));
        }

        rows += text.Length > 0 && text[^1] != '\n' ? 1 : 0;
        return opened > 0 ? new Fault($"line {opened}", "the quotation mark opened there is never closed", "close it, or remove it")
            : rows > mostRows + 1 ? TooMany(rows - 1, mostRows)
            : null;
    }

    internal static Fault TooMany(int rows, int mostRows) =>
        new(
            $"line {mostRows + 2}",
            $"there are {rows} rows, and a list may have {mostRows}",
            "a squad is far smaller, so check what the file holds"
        );
}
