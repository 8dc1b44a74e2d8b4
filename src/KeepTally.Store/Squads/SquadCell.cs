using System.Globalization;
using System.Text.RegularExpressions;
using KeepTally.Store.Tables;

namespace KeepTally.Store.Squads;

/// <summary>What stands in a cell of a list, in the ways in which people write it.</summary>
internal static partial class SquadCell
{
    private static readonly string[] LeftWords =
    [
        "left",
        "l",
        "links",
        "gauche",
        "g",
        "izquierda",
        "zurda",
        "zurdo",
        "sinistra",
        "venstre",
        "vanster",
        "lewa",
        "leva",
    ];
    private static readonly string[] RightWords =
    [
        "right",
        "r",
        "rechts",
        "droite",
        "d",
        "derecha",
        "diestra",
        "diestro",
        "destra",
        "hoyre",
        "hojre",
        "hoger",
        "prawa",
        "prava",
    ];
    private static readonly string[] BothWords =
    [
        "both",
        "b",
        "beide",
        "les deux",
        "ambas",
        "ambos",
        "entrambe",
        "begge",
        "bada",
        "obie",
        "obe",
    ];

    /// <summary>"#7", "No. 7" and "7." are 7; anything else stays as it is.</summary>
    internal static string Number(string cell) => Numbered().Match(cell) is { Success: true } match ? match.Groups[1].Value : cell;

    /// <summary>The year in a year or a date of birth, whatever the order of day and month; null where there is none.</summary>
    internal static int? BirthYear(string cell, int year) =>
        Years().Match(cell) is { Success: true } match
        && int.Parse(match.Value, CultureInfo.InvariantCulture) is var born
        && born >= 1920
        && born <= year
            ? born
            : null;

    /// <summary>The hand; null where it cannot be told.</summary>
    internal static Hand? Hand(string cell)
    {
        var word = cell.Replace("-handed", "", StringComparison.OrdinalIgnoreCase).Trim().ToLowerInvariant();
        return LeftWords.Contains(word) ? Tables.Hand.Left
            : RightWords.Contains(word) ? Tables.Hand.Right
            : BothWords.Contains(word) ? Tables.Hand.Both
            : null;
    }

    /// <summary>Positions apart by semicolons, however they stood apart.</summary>
    internal static string Positions(string cell) =>
        string.Join(
            ';',
            cell.Split([';', ',', '/', '|', '\n'], StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)
        );

    [GeneratedRegex(@"^(?:#|no\.?|nr\.?|n°)?\s*(\d{1,3})\.?$", RegexOptions.IgnoreCase)]
    private static partial Regex Numbered();

    [GeneratedRegex(@"(?<!\d)(?:19|20)\d\d(?!\d)")]
    private static partial Regex Years();
}
