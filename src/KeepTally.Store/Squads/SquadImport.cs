using System.Globalization;
using KeepTally.Store.Files;
using KeepTally.Store.Tables;

namespace KeepTally.Store.Squads;

/// <summary>Reads a list of players, whatever its columns are called and in whatever order they stand. Source: docs/formats.md, section 8.</summary>
public static class SquadImport
{
    /// <summary>The most rows a list may have: a squad is far smaller.</summary>
    public const int MostRows = 500;

    private const int LongestName = 60;
    private const int LongestPositions = 120;
    private const int LongestNote = 200;
    private const int HighestNumber = 999;
    private const int OldestYear = 1920;

    /// <summary>Whether a table is a mere list of names, as in a message: no headings, and a single column or a single row.</summary>
    public static bool IsNames(Grid grid, SquadColumns columns) =>
        !columns.HasHeadings && (grid.Width == 1 || grid.Rows.Count == 1);

    /// <summary>Every good row and what is wrong with every other; players are known by name and number.</summary>
    /// <param name="grid">The list.</param>
    /// <param name="columns">What its columns hold.</param>
    /// <param name="known">Who is in the squad, and who left it.</param>
    /// <param name="year">The current year.</param>
    public static SquadPreview Read(Grid grid, SquadColumns columns, IReadOnlyList<Player> known, int year)
    {
        if (!columns.HasName)
        {
            return new SquadPreview(
                [],
                [
                    new SquadFault(
                        grid.Rows.Select(row => row.Line).FirstOrDefault(1),
                        "no column holds names; choose which one does"
                    ),
                ]
            );
        }

        var rows = new List<SquadRow>();
        var wrong = new List<SquadFault>();
        foreach (var row in grid.Rows.Skip(columns.HasHeadings ? 1 : 0))
        {
            var cells = new Cells(row, columns, year);
            var player = cells.Reason.Length == 0 ? Find(known, cells.Name, cells.Number) : null;
            if (cells.Reason.Length > 0)
            {
                wrong.Add(new SquadFault(row.Line, cells.Reason));
            }
            else if (rows.Any(each => Same(each.Details.Name, each.Details.Number, cells.Name, cells.Number)))
            {
                wrong.Add(new SquadFault(row.Line, $"{cells.Name} stands in this file already"));
            }
            else
            {
                rows.Add(new SquadRow(row.Line, cells.Over(player), player));
            }
        }

        return new SquadPreview(rows, wrong);
    }

    /// <summary>The player of the squad, else of those who left it, of this name and not of another number; null where there is none.</summary>
    internal static Player? Find(IReadOnlyList<Player> known, string name, int? number) =>
        known.OrderBy(player => player.Archived).FirstOrDefault(player => Same(player.Name, player.Number, name, number));

    private static bool Same(string name, int? number, string otherName, int? otherNumber) =>
        string.Equals(name, otherName, StringComparison.OrdinalIgnoreCase)
        && (number is null || otherNumber is null || number == otherNumber);

    /// <summary>The cells of a row by what they hold, and what is wrong with the first that is wrong.</summary>
    private sealed class Cells
    {
        private readonly GridRow _row;
        private readonly SquadColumns _columns;
        private readonly int? _born;
        private readonly Hand? _hand;
        private readonly string _positions;
        private readonly string _notes;

        internal Cells(GridRow row, SquadColumns columns, int year)
        {
            (_row, _columns) = (row, columns);
            Name = string.Join(
                ' ',
                new[] { SquadField.Name, SquadField.FirstName, SquadField.LastName }
                    .Select(field => CsvCell.Bare(Of(field)))
                    .Where(part => part.Length > 0)
            );
            _positions = SquadCell.Positions(CsvCell.Bare(Of(SquadField.Positions)));
            _notes = CsvCell.Bare(Of(SquadField.Notes));
            var (number, born, hand) = (Of(SquadField.Number), Of(SquadField.BirthYear), Of(SquadField.Hand));
            Number = int.TryParse(SquadCell.Number(number), NumberStyles.None, CultureInfo.InvariantCulture, out var shirt)
                ? shirt
                : null;
            _born = SquadCell.BirthYear(born, year);
            _hand = SquadCell.Hand(hand);
            Reason =
                Name.Length == 0 ? "the name is missing"
                : Name.Length > LongestName ? $"the name has more than {LongestName} letters"
                : _positions.Length > LongestPositions ? $"the positions have more than {LongestPositions} letters"
                : _notes.Length > LongestNote ? $"the note has more than {LongestNote} letters"
                : $"{Name}{_notes}{_positions}".Contains(FileText.Broken) ? "a letter is broken; type it again"
                : number.Length > 0 && Number is not (>= 0 and <= HighestNumber)
                    ? $"number: \"{number}\" is not a number from 0 to {HighestNumber}"
                : born.Length > 0 && _born is null ? $"year of birth: \"{born}\" holds no year from {OldestYear} to {year}"
                : hand.Length > 0 && _hand is null ? $"hand: \"{hand}\" is not known; write right, left or both"
                : "";
        }

        internal string Name { get; }

        internal int? Number { get; }

        /// <summary>Empty where nothing is wrong.</summary>
        internal string Reason { get; }

        /// <summary>The details that the row says, over those of a player known already: of what no column tells, nothing changes.</summary>
        internal PlayerDetails Over(Player? known)
        {
            var before = known is null ? null : PlayerDetails.Of(known);
            return new PlayerDetails(
                Name,
                Has(SquadField.Number) ? Number : before?.Number,
                Has(SquadField.BirthYear) ? _born : before?.BirthYear,
                Has(SquadField.Positions) ? _positions : before?.Positions ?? "",
                Has(SquadField.Hand) ? _hand : before?.Hand,
                Has(SquadField.Notes) ? _notes : before?.Notes ?? ""
            );
        }

        private bool Has(SquadField field) => _columns.Fields.Contains(field);

        private string Of(SquadField field) => _columns.IndexOf(field) is >= 0 and var column ? _row[column] : "";
    }
}
