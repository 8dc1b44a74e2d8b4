using System.Globalization;
using System.Text.RegularExpressions;

namespace KeepTally.Store.Squads;

/// <summary>A squad as plain names, the way it stands in a message: one a line, or with commas between; a number where there is one.</summary>
public static partial class SquadNames
{
    private const int LongestName = 60;
    private const int HighestNumber = 999;

    /// <summary>Every good name, and what is wrong with every other.</summary>
    public static SquadPreview Read(string text)
    {
        var rows = new List<SquadRow>();
        var wrong = new List<SquadFault>();
        foreach (var (index, line) in text.Split('\n').Index())
        {
            foreach (var part in line.Split(',', ';', '\t'))
            {
                Take(index + 1, part, rows, wrong);
            }
        }

        return rows.Count > SquadCsv.MostRows
            ? new SquadPreview(
                [],
                [new SquadFault(1, $"these are {rows.Count} names, and a squad has {SquadCsv.MostRows} at most")]
            )
            : new SquadPreview(rows, wrong);
    }

    private static void Take(int line, string part, List<SquadRow> rows, List<SquadFault> wrong)
    {
        var match = Numbered().Match(Bullet().Replace(part, "").Trim());
        var name = match.Groups["name"].Value.Trim();
        var written = match.Groups["before"].Value + match.Groups["after"].Value;
        if (name.Length == 0 && written.Length == 0)
        {
            return;
        }

        int? number = int.TryParse(written, NumberStyles.None, CultureInfo.InvariantCulture, out var read) ? read : null;
        if (name.Length == 0)
        {
            wrong.Add(new SquadFault(line, $"{written} has no name"));
        }
        else if (name.Length > LongestName)
        {
            wrong.Add(new SquadFault(line, $"a name has {LongestName} letters at most; put each player on a line"));
        }
        else if (number > HighestNumber)
        {
            wrong.Add(new SquadFault(line, $"{name}: a number goes up to {HighestNumber}"));
        }
        else if (rows.Any(row => string.Equals(row.Details.Name, name, StringComparison.OrdinalIgnoreCase)))
        {
            wrong.Add(new SquadFault(line, $"{name} stands there already; add a letter to tell them apart"));
        }
        else
        {
            rows.Add(new SquadRow(line, new PlayerDetails(name, number, null, "", null, ""), null));
        }
    }

    /// <summary>A number before the name or after it.</summary>
    [GeneratedRegex(@"^(?:#?(?<before>\d+)[.):]?\s*)?(?<name>.*?)(?:\s+#?(?<after>\d+))?$", RegexOptions.Singleline)]
    private static partial Regex Numbered();

    /// <summary>The marks with which lists begin their lines.</summary>
    [GeneratedRegex(@"^\s*[-*•–]\s*")]
    private static partial Regex Bullet();
}
