using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;
using KeepTally.Core.Faults;
using KeepTally.Store.Files;
using KeepTally.Store.Tables;

namespace KeepTally.Store.Squads;

/// <summary>The squad as CSV (RFC 4180), out and in. Source: docs/formats.md, section 8.</summary>
public static class SquadCsv
{
    /// <summary>The most rows a list may have: a squad is far smaller.</summary>
    public const int MostRows = 500;

    private const int LongestName = 60;
    private const int LongestPositions = 120;
    private const int LongestNote = 200;

    private static readonly string[] Header = ["name", "number", "birthYear", "positions", "hand", "notes"];

    public static string Write(IEnumerable<Player> players)
    {
        using var text = new StringWriter(CultureInfo.InvariantCulture);
        using (var csv = new CsvWriter(text, CultureInfo.InvariantCulture))
        {
            foreach (var name in Header)
            {
                csv.WriteField(name);
            }

            csv.NextRecord();
            foreach (var player in players)
            {
                csv.WriteField(CsvCell.Guard(player.Name));
                csv.WriteField(player.Number);
                csv.WriteField(player.BirthYear);
                csv.WriteField(CsvCell.Guard(player.Positions));
                csv.WriteField(player.Hand?.ToString().ToLowerInvariant());
                csv.WriteField(CsvCell.Guard(player.Notes));
                csv.NextRecord();
            }
        }

        return text.ToString();
    }

    /// <summary>Every good row and what is wrong with every other; players are known by name and number.</summary>
    /// <param name="text">The text.</param>
    /// <param name="known">Who is in the squad, and who left it.</param>
    /// <param name="year">The current year.</param>
    public static SquadPreview Read(string text, IReadOnlyList<Player> known, int year)
    {
        if (Unreadable(text) is { } fault)
        {
            return new SquadPreview([], [fault]);
        }

        var rows = new List<SquadRow>();
        var wrong = new List<SquadFault>();
        using var csv = new CsvReader(
            new StringReader(text),
            new CsvConfiguration(CultureInfo.InvariantCulture)
            {
                MissingFieldFound = null,
                BadDataFound = null,
                TrimOptions = TrimOptions.Trim,
                PrepareHeaderForMatch = header => header.Header.ToUpperInvariant(),
            }
        );
        if (!csv.Read() || !csv.ReadHeader() || HeaderFault(csv.HeaderRecord!) is not null)
        {
            return new SquadPreview(
                [],
                [new SquadFault(1, $"{HeaderFault(csv.HeaderRecord ?? [])}; write {string.Join(',', Header)}")]
            );
        }

        while (csv.Read())
        {
            var line = csv.Parser.RawRow;
            if (Details(csv, year, out var reason) is not { } details)
            {
                wrong.Add(new SquadFault(line, reason));
            }
            else if (rows.Any(row => Same(row.Details.Name, row.Details.Number, details)))
            {
                wrong.Add(new SquadFault(line, $"{details.Name} stands in this file already"));
            }
            else
            {
                rows.Add(
                    new SquadRow(
                        line,
                        details,
                        known.OrderBy(player => player.Archived).FirstOrDefault(player => Same(player.Name, player.Number, details))
                    )
                );
            }
        }

        return new SquadPreview(rows, wrong);
    }

    /// <summary>
    /// Why a list cannot be read at all, told before anything is worked out: it has too many rows, or a quotation mark is opened
    /// and never closed, so that all that follows would be one field.
    /// </summary>
    private static SquadFault? Unreadable(string text)
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
            starts = opened == 0 && (letter is ',' or '\n' || (starts && letter is ' ' or '\r'));
        }

        rows += text.Length > 0 && text[^1] != '\n' ? 1 : 0;
        return opened > 0 ? new SquadFault(opened, "the quotation mark opened there is never closed; close it, or remove it")
            : rows > MostRows + 1
                ? new SquadFault(
                    MostRows + 2,
                    $"there are {rows - 1} rows, and a list may have {MostRows}; a squad is far smaller, so check what the file holds"
                )
            : null;
    }

    /// <summary>The fault of the header row, or null.</summary>
    private static string? HeaderFault(string[] header)
    {
        var strange = header.Except(Header, StringComparer.OrdinalIgnoreCase).FirstOrDefault(name => name.Length > 0);
        return header.Length == 1 && header[0].Contains(';') ? "the columns stand apart by semicolons, and commas are needed"
            : !header.Contains("name", StringComparer.OrdinalIgnoreCase) ? "the header row must hold \"name\""
            : strange is not null ? $"there is no column \"{strange}\""
            : null;
    }

    private static PlayerDetails? Details(CsvReader csv, int year, out string reason)
    {
        var name = CsvCell.Bare(csv.GetField("name") ?? "");
        var notes = CsvCell.Bare(csv.GetField("notes") ?? "");
        var positions = CsvCell
            .Bare(csv.GetField("positions") ?? "")
            .Split(';', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries);
        reason =
            name.Length == 0 ? "the name is missing"
            : name.Length > LongestName ? $"the name has more than {LongestName} letters"
            : string.Join(';', positions).Length > LongestPositions ? $"the positions have more than {LongestPositions} letters"
            : notes.Length > LongestNote ? $"the note has more than {LongestNote} letters"
            : $"{name}{notes}".Contains(FileText.Broken) ? "a letter is broken; type it again"
            : "";
        var number = Whole(csv, "number", 0, 999, ref reason);
        var born = Whole(csv, "birthYear", 1920, year, ref reason);
        var hand = csv.GetField("hand") ?? "";
        Hand? known = Enum.TryParse<Hand>(hand, ignoreCase: true, out var read) && !int.TryParse(hand, out _) ? read : null;
        if (hand.Length > 0 && known is null && reason.Length == 0)
        {
            reason = $"hand: \"{hand}\" is not known; write right, left or both";
        }

        return reason.Length > 0 ? null : new PlayerDetails(name, number, born, string.Join(';', positions), known, notes);
    }

    private static int? Whole(CsvReader csv, string field, int least, int most, ref string reason)
    {
        var text = csv.GetField(field) ?? "";
        if (text.Length == 0)
        {
            return null;
        }

        if (
            int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out var number)
            && number >= least
            && number <= most
        )
        {
            return number;
        }

        reason = reason.Length > 0 ? reason : $"{field}: \"{text}\" is not a number from {least} to {most}";
        return null;
    }

    /// <summary>The same name, and not another number.</summary>
    private static bool Same(string name, int? number, PlayerDetails details) =>
        string.Equals(name, details.Name, StringComparison.OrdinalIgnoreCase)
        && (number is null || details.Number is null || number == details.Number);
}

/// <param name="Line">The line of the file, from 1.</param>
/// <param name="Details">The details of the player.</param>
/// <param name="Known">The player this row is about, in the squad or formerly in it; null for a new one.</param>
public sealed record SquadRow(int Line, PlayerDetails Details, Player? Known);

public sealed record SquadFault(int Line, string Reason)
{
    /// <summary>A fault of the file as one of its lines.</summary>
    public static SquadFault Of(Fault fault) =>
        new(
            int.TryParse(fault.Path.Split(' ')[^1], NumberStyles.None, CultureInfo.InvariantCulture, out var line) ? line : 1,
            $"{fault.Problem}; {fault.Fix}"
        );
}

/// <summary>The preview of an import.</summary>
public sealed record SquadPreview(IReadOnlyList<SquadRow> Rows, IReadOnlyList<SquadFault> Wrong);
