using System.Globalization;
using KeepTally.Core.Faults;

namespace KeepTally.Core.Live;

/// <summary>What a coach stops a drill for to teach: a short list of their own, one word or two each.</summary>
public static class StopReasons
{
    /// <summary>How many there can be, so that they stay within a thumb's reach.</summary>
    public const int Most = 12;

    /// <summary>How long each may be, in characters.</summary>
    public const int Longest = 30;

    /// <summary>The list a team begins with.</summary>
    public static IReadOnlyList<string> Usual { get; } = ["spacing", "timing", "technique", "effort", "urgency", "safety"];

    /// <summary>Reads a list, one reason a line; blank lines and repeats are left out.</summary>
    public static Result<IReadOnlyList<string>> Read(string text)
    {
        string[] reasons =
        [
            .. text.Split('\n', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)
                .Distinct(StringComparer.OrdinalIgnoreCase),
        ];
        if (reasons.Length is 0 or > Most)
        {
            return Fail($"there are {reasons.Length} reasons", $"write one to {Most}, each on a line of its own");
        }

        return Array.Find(reasons, reason => reason.Length > Longest) is { } tooLong
            ? Fail($"\"{tooLong}\" is too long for a button", $"write at most {Longest} letters")
            : Result.Ok<IReadOnlyList<string>>(reasons);
    }

    /// <summary>The list a team has kept; the usual one where it has kept none.</summary>
    public static IReadOnlyList<string> Of(string kept) => kept.Length == 0 ? Usual : kept.Split('\n');

    /// <summary>The list as it is kept and written in a form.</summary>
    public static string Write(IEnumerable<string> reasons) => string.Join('\n', reasons);

    private static Result<IReadOnlyList<string>> Fail(FormattableString problem, FormattableString mend) =>
        Result.Fail<IReadOnlyList<string>>(
            new Fault("reasons", problem.ToString(CultureInfo.InvariantCulture), mend.ToString(CultureInfo.InvariantCulture))
        );
}
