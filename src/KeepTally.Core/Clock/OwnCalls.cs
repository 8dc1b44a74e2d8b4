using System.Globalization;
using KeepTally.Core.Faults;
using KeepTally.Core.Time;

namespace KeepTally.Core.Clock;

/// <summary>The moments at which a coach has the time left of work called, in place of those of the card.</summary>
public static class OwnCalls
{
    private const int Most = 20;
    private const double Longest = 3600;
    private static readonly char[] Between = [' ', ',', ';'];

    /// <summary>Seconds before the end, as they are typed: "60 30 10", longest first; none where nothing is typed.</summary>
    public static Result<IReadOnlyList<Duration>> Read(string text)
    {
        var words = text.Split(Between, StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        var calls = new SortedSet<double>();
        foreach (var word in words)
        {
            if (
                !double.TryParse(word, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var seconds)
                || seconds is < 1 or > Longest
            )
            {
                return Wrong($"\"{word}\" is no number of seconds", "write seconds from 1 to 3600, such as 60 30 10");
            }

            calls.Add(seconds);
        }

        return calls.Count > Most
            ? Wrong("these are too many", $"write at most {Most}")
            : Result.Ok<IReadOnlyList<Duration>>([.. calls.Reverse().Select(Duration.FromSeconds)]);
    }

    private static Result<IReadOnlyList<Duration>> Wrong(string problem, string fix) =>
        Result.Fail<IReadOnlyList<Duration>>(new Fault("calls", problem, fix));
}
