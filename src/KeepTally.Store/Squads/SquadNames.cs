using System.Globalization;
using System.Text.RegularExpressions;
using KeepTally.Store.Tables;

namespace KeepTally.Store.Squads;

/// <summary>A squad as plain names, the way it stands in a message: one a line, or with commas between; a number where there is one.</summary>
public static partial class SquadNames
{
    private const int LongestName = 60;
    private const int HighestNumber = 999;

    /// <summary>Every good name, and what is wrong with every other.</summary>
    /// <param name="text">The names.</param>
    /// <param name="known">Who is in the squad, and who left it; nobody for a squad that is being begun.</param>
    public static SquadPreview Read(string text, IReadOnlyList<Player>? known = null)
    {
        var preview = Read(text);
        return new SquadPreview(
            [
                .. preview.Rows.Select(row =>
                    SquadImport.Find(known ?? [], row.Details.Name, row.Details.Number) is { } player
                        ? new SquadRow(
                            row.Line,
                            PlayerDetails.Of(player) with
                            {
                                Name = row.Details.Name,
                                Number = row.Details.Number ?? player.Number,
                            },
                            player
                        )
                        : row
                ),
            ],
            preview.Wrong
        );
    }

    /// <summary>Whether a text was copied from a chat, with times and senders before its lines.</summary>
    internal static bool IsChat(string text) => text.Split('\n').Any(line => Sender().IsMatch(line));

    private static SquadPreview Read(string text)
    {
        var rows = new List<SquadRow>();
        var wrong = new List<SquadFault>();
        foreach (var (index, line) in text.Split('\n').Index())
        {
            if (line.TrimEnd() is [.., '?' or ':'])
            {
                wrong.Add(new SquadFault(index + 1, $"\"{line.Trim()}\" is a question or a heading, and no name"));
                continue;
            }

            foreach (var part in Sender().Replace(line, "").Split(',', ';', '\t'))
            {
                Take(index + 1, part, rows, wrong);
            }
        }

        return rows.Count > SquadImport.MostRows
            ? new SquadPreview(
                [],
                [new SquadFault(1, $"these are {rows.Count} names, and a squad has {SquadImport.MostRows} at most")]
            )
            : new SquadPreview(rows, wrong);
    }

    private static void Take(int line, string part, List<SquadRow> rows, List<SquadFault> wrong)
    {
        var match = Numbered().Match(Bare(Bullet().Replace(part, "")));
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

    /// <summary>Without the ticks, crosses and pictures with which people answer in a list.</summary>
    private static string Bare(string part)
    {
        var (from, to) = (0, part.Length);
        while (from < to && !(char.IsLetterOrDigit(part[from]) || part[from] is '#' or '(' or '\''))
        {
            from++;
        }

        while (to > from && !(char.IsLetterOrDigit(part[to - 1]) || part[to - 1] is ')' or '.' or '\'' or '’'))
        {
            to--;
        }

        return part[from..to];
    }

    /// <summary>A number before the name or after it.</summary>
    [GeneratedRegex(@"^(?:#?(?<before>\d+)[.):]?\s*)?(?<name>.*?)(?:\s+#?(?<after>\d+))?$", RegexOptions.Singleline)]
    private static partial Regex Numbered();

    /// <summary>When a message came and from whom, as it stands before the text where a chat is copied: "[12/03/2026, 18:22] Jo: ".</summary>
    [GeneratedRegex(@"^\s*\[[^\]]*\d:\d\d[^\]]*\]\s*[^:]{1,60}:\s*")]
    private static partial Regex Sender();

    /// <summary>The marks with which lists begin their lines.</summary>
    [GeneratedRegex(@"^\s*[-*•–]\s*")]
    private static partial Regex Bullet();
}
