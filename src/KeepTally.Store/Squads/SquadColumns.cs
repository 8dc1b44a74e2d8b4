using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using KeepTally.Store.Files;

namespace KeepTally.Store.Squads;

/// <summary>What the columns of a list hold.</summary>
/// <param name="Fields">Of each column, in order.</param>
/// <param name="HasHeadings">Whether the first row holds headings, and no player.</param>
public sealed record SquadColumns(IReadOnlyList<SquadField> Fields, bool HasHeadings)
{
    /// <summary>Of ten cells so many must look like something for the column to be taken for it.</summary>
    private const double Most = 0.7;

    private const int OldestYear = 1920;
    private const int HighestNumber = 999;

    /// <summary>Whether there is a column for names.</summary>
    public bool HasName => Fields.Any(held => held is SquadField.Name or SquadField.FirstName or SquadField.LastName);

    /// <summary>Where a field stands; below nought where no column has it.</summary>
    internal int IndexOf(SquadField field) => Fields.ToList().IndexOf(field);

    /// <summary>
    /// What the columns of a list seem to hold: by their headings, and where those are not known or missing by what stands in them.
    /// </summary>
    /// <param name="grid">The list.</param>
    /// <param name="year">The current year.</param>
    public static SquadColumns Guess(Grid grid, int year)
    {
        if (grid.Rows.Count == 0)
        {
            return new SquadColumns([], HasHeadings: false);
        }

        var headed = Enumerable.Range(0, grid.Width).Select(column => SquadHeadings.Of(grid.Rows[0][column])).ToArray();
        var hasHeadings = Array.Exists(headed, field => field is not null);
        var fields = new SquadField[grid.Width];
        for (var column = 0; column < fields.Length; column++)
        {
            // The first column of a kind is the one.
            fields[column] = headed[column] is { } field && !fields.Contains(field) ? field : SquadField.Unused;
        }

        var rows = grid.Rows.Skip(hasHeadings ? 1 : 0).ToArray();
        for (var column = 0; column < fields.Length; column++)
        {
            if (
                fields[column] == SquadField.Unused
                && headed[column] is null
                && ByContent(rows, column, year) is { } field
                && !Has(field)
            )
            {
                // A heading that is not known says what the column is to the club: only a name is looked for under it.
                fields[column] =
                    hasHeadings && grid.Rows[0][column].Length > 0 && field != SquadField.Name ? SquadField.Unused : field;
            }
        }

        // In some languages the word for a name is that for the first or for the last.
        foreach (
            var (part, other) in new[] { (SquadField.FirstName, SquadField.LastName), (SquadField.LastName, SquadField.FirstName) }
        )
        {
            if (fields.Contains(part) && !fields.Contains(other) && !fields.Contains(SquadField.Name))
            {
                fields[Array.IndexOf(fields, part)] = SquadField.Name;
            }
        }

        return new SquadColumns(fields, hasHeadings);

        bool Has(SquadField field) =>
            fields.Contains(field)
            || (field == SquadField.Name && (fields.Contains(SquadField.FirstName) || fields.Contains(SquadField.LastName)));
    }

    /// <summary>As a form or a cookie holds it: "name,number,-"; with an "h" before it where there are headings.</summary>
    public override string ToString() => (HasHeadings ? "h:" : "n:") + string.Join(',', Fields.Select(field => field.ToString()));

    /// <summary>Reads <see cref="ToString"/>; null where it is none, or is of another number of columns.</summary>
    public static SquadColumns? Read(string? text, int width)
    {
        if (text is not ['h' or 'n', ':', ..])
        {
            return null;
        }

        var fields = text[2..]
            .Split(',')
            .Select(word => Enum.TryParse<SquadField>(word, out var field) && Enum.IsDefined(field) ? field : (SquadField?)null)
            .ToArray();
        return fields.Length == width && Array.TrueForAll(fields, field => field is not null)
            ? new SquadColumns([.. fields.Select(field => field!.Value)], text[0] == 'h')
            : null;
    }

    /// <summary>By what a list is known again: its headings. Empty where it has none.</summary>
    public static string MarkOf(Grid grid) =>
        grid.Rows.Count == 0 || !Guess(grid, OldestYear).HasHeadings
            ? ""
            : Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(string.Join('\n', grid.Rows[0].Cells))))[..8];

    private static SquadField? ByContent(IReadOnlyList<GridRow> rows, int column, int year)
    {
        var cells = rows.Select(row => row[column]).Where(cell => cell.Length > 0).ToArray();
        bool Mostly(Func<string, bool> looks) => cells.Length > 0 && cells.Count(looks) >= Most * cells.Length;
        return Mostly(cell => SquadCell.BirthYear(cell, year) is not null && cell.Length >= 4) ? SquadField.BirthYear
            : Mostly(cell =>
                int.TryParse(SquadCell.Number(cell), NumberStyles.None, CultureInfo.InvariantCulture, out var number)
                && number <= HighestNumber
            )
                ? SquadField.Number
            : Mostly(cell => SquadCell.Hand(cell) is not null) ? SquadField.Hand
            : Mostly(cell => cell.Any(char.IsLetter) && !cell.Contains('@') && cell.Length is > 1 and <= 60) ? SquadField.Name
            : null;
    }
}
