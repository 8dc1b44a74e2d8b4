using System.Globalization;
using KeepTally.Core.Faults;

namespace KeepTally.Core.Live;

/// <summary>A short list of a coach's own words, each for a button of the run screen.</summary>
public sealed class CoachList
{
    /// <summary>How many there can be, so that they stay within a thumb's reach.</summary>
    public const int Most = 12;

    /// <summary>How long each may be, in characters.</summary>
    public const int Longest = 30;

    private readonly string _place;
    private readonly string _noun;
    private readonly int _least;

    private CoachList(string place, string noun, int least, params string[] usual) =>
        (_place, _noun, _least, Usual) = (place, noun, least, usual);

    /// <summary>The reasons for a teaching stop.</summary>
    public static CoachList StopReasons { get; } =
        new("reasons", "reasons", 1, "spacing", "timing", "technique", "effort", "urgency", "safety");

    /// <summary>The habits counted all practice; empty until a coach asks for some.</summary>
    public static CoachList Habits { get; } = new("habits", "habits", 0);

    /// <summary>The list a team begins with.</summary>
    public IReadOnlyList<string> Usual { get; }

    /// <summary>Reads a list, one a line; blank lines and repeats are left out.</summary>
    public Result<IReadOnlyList<string>> Read(string text)
    {
        string[] words =
        [
            .. text.Split('\n', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)
                .Distinct(StringComparer.OrdinalIgnoreCase),
        ];
        if (words.Length < _least || words.Length > Most)
        {
            return Fail(
                $"there are {words.Length} {_noun}",
                $"write {(_least == 0 ? "at most" : "one to")} {Most}, each on a line of its own"
            );
        }

        return Array.Find(words, word => word.Length > Longest) is { } tooLong
            ? Fail($"\"{tooLong}\" is too long for a button", $"write at most {Longest} letters")
            : Result.Ok<IReadOnlyList<string>>(words);
    }

    /// <summary>The list a team has kept; the usual one where it has kept none.</summary>
    /// <param name="kept">As written by <see cref="Write"/>, or null.</param>
    public IReadOnlyList<string> Of(string? kept) =>
        kept is null || (kept.Length == 0 && _least > 0) ? Usual : kept.Split('\n', StringSplitOptions.RemoveEmptyEntries);

    /// <summary>The list as it is kept and written in a form.</summary>
    public static string Write(IEnumerable<string> words) => string.Join('\n', words);

    private Result<IReadOnlyList<string>> Fail(FormattableString problem, FormattableString fix) =>
        Result.Fail<IReadOnlyList<string>>(
            new Fault(_place, problem.ToString(CultureInfo.InvariantCulture), fix.ToString(CultureInfo.InvariantCulture))
        );
}
