using KeepTally.Core.Json;

namespace KeepTally.Core.Events.Fields;

/// <summary>How much an event may carry. Source: docs/formats.md, section 2.</summary>
internal static class Limits
{
    internal const int LongestWord = 200;
    internal const int LongestDevice = 64;
    internal const int LongestNote = 2000;
    internal const int MostTags = 20;
    internal const int MostLaps = 100;
    internal const int MostRounds = 999;
    internal const int MostCounted = 100_000;
    internal const double MostAdded = 3600;

    /// <summary>The text of a place, and a fault where it is too long or cannot be shown.</summary>
    internal static string Limited(this JsonPlace found, int longest)
    {
        var word = found.Text();
        if (word.Length > longest)
        {
            found.Wrong("this is too long", $"write at most {longest} characters");
        }
        else if (word.AsSpan().ContainsAnyInRange('\0', '\u0008'))
        {
            found.Wrong("this holds a character that cannot be shown", "remove it");
        }

        return word;
    }
}
