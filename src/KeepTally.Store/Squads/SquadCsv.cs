using System.Globalization;
using CsvHelper;
using KeepTally.Store.Files;
using KeepTally.Store.Tables;

namespace KeepTally.Store.Squads;

/// <summary>Writes the squad as CSV (RFC 4180); <see cref="SquadImport"/> reads it. Source: docs/formats.md, section 8.</summary>
public static class SquadCsv
{
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
}
