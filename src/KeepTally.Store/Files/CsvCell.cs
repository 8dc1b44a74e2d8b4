namespace KeepTally.Store.Files;

/// <summary>
/// A spreadsheet takes a text that begins like a formula for one; an apostrophe before it keeps it a text. What goes out with
/// one comes back without.
/// </summary>
internal static class CsvCell
{
    private const string Formula = "=+-@\t\r";

    internal static string Guard(string text) => IsFormula(text) ? "'" + text : text;

    internal static string Bare(string text) => text is ['\'', ..] && IsFormula(text[1..]) ? text[1..] : text;

    private static bool IsFormula(string text) => text.Length > 0 && Formula.Contains(text[0], StringComparison.Ordinal);
}
