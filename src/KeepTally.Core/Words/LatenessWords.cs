using KeepTally.Core.Time;

namespace KeepTally.Core.Words;

/// <summary>How a practice stands to its timing sheet, in whole minutes.</summary>
public static class LatenessWords
{
    /// <summary>
    /// "ends 3 min late", where nothing is done about it; "ends on time", where what the sheet has to spare makes up for it; "2 min
    /// ahead". Empty within a minute, or where nothing is known.
    /// </summary>
    /// <param name="late">How far it is behind, below nought ahead.</param>
    /// <param name="spare">What is left over at the end of the sheet, below nought where it does not fit.</param>
    public static string Of(Duration? late, Duration spare)
    {
        if (late is not { } off)
        {
            return "";
        }

        var over = off - spare;
        return (Minutes(off), Minutes(over)) switch
        {
            (0, _) => "",
            (< 0 and var ahead, _) => $"{-ahead} min ahead",
            (_, > 0 and var after) => $"ends {after} min late",
            _ => "ends on time",
        };
    }

    private static long Minutes(Duration span) => span.Milliseconds / 60_000;
}
