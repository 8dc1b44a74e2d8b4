using System.Globalization;
using KeepTally.Core.Cards;
using KeepTally.Core.Time;

namespace KeepTally.Core.Text;

/// <summary>The small parts that plain sentences are made of.</summary>
public static class Phrase
{
    private const int SpeltOut = 12;
    private const string Vowels = "aeiou";

    private static readonly string[] Numbers =
    [
        "no",
        "one",
        "two",
        "three",
        "four",
        "five",
        "six",
        "seven",
        "eight",
        "nine",
        "ten",
        "eleven",
        "twelve",
    ];

    private static readonly string[] Ordinals =
    [
        "noughth",
        "first",
        "second",
        "third",
        "fourth",
        "fifth",
        "sixth",
        "seventh",
        "eighth",
        "ninth",
        "tenth",
        "eleventh",
        "twelfth",
    ];

    private static readonly string[] WithoutArticle =
    [
        "no ",
        "not ",
        "all ",
        "both ",
        "any ",
        "on ",
        "in ",
        "over ",
        "lost ",
        "won ",
        "every ",
        "the ",
        "a ",
        "an ",
    ];

    /// <summary>A count in words up to twelve, beyond that in figures.</summary>
    public static string Count(int number) => number is >= 0 and <= SpeltOut ? Numbers[number] : Figure(number);

    /// <summary>"first", "second" … up to twelve, beyond that in figures.</summary>
    public static string Ordinal(int number) =>
        number is >= 0 and <= SpeltOut
            ? Ordinals[number]
            : Figure(number)
                + (
                    (number % 100) is >= 11 and <= 13
                        ? "th"
                        : (number % 10) switch
                        {
                            1 => "st",
                            2 => "nd",
                            3 => "rd",
                            _ => "th",
                        }
                );

    /// <summary>A number in figures, with three decimals at most.</summary>
    public static string Figure(double number) => number.ToString("0.###", CultureInfo.InvariantCulture);

    /// <summary>"one make", "five makes".</summary>
    public static string Of(int number, string one) => $"{Count(number)} {Plural(number, one)}";

    /// <summary>A word for one thing as the word for so many.</summary>
    public static string Plural(double number, string one) =>
        number == 1 ? one
        : one.EndsWith("thief", StringComparison.Ordinal) ? one[..^1] + "ves"
        : one.EndsWith('y') && one.Length > 1 && !Vowels.Contains(one[^2]) ? one[..^1] + "ies"
        : one.EndsWith('s') || one.EndsWith('x') || one.EndsWith("ch", StringComparison.Ordinal) || one == "go" ? one + "es"
        : one + "s";

    /// <summary>"once", "twice", "three times".</summary>
    public static string Times(int number) =>
        number switch
        {
            1 => "once",
            2 => "twice",
            _ => $"{Count(number)} times",
        };

    /// <summary>"today", "yesterday", "9 days ago", "3 weeks ago", "never".</summary>
    public static string Ago(DateOnly? last, DateOnly today) =>
        last is not { } day
            ? "never"
            : (today.DayNumber - day.DayNumber) switch
            {
                <= 0 => "today",
                1 => "yesterday",
                < 14 and var days => $"{days} days ago",
                var days => $"{days / 7} weeks ago",
            };

    /// <summary>"done yesterday", "never done".</summary>
    public static string Done(DateOnly? last, DateOnly today) => last is null ? "never done" : $"done {Ago(last, today)}";

    /// <summary>A span as a clock shows it, whole seconds: "2:05".</summary>
    public static string Clock(Duration span) =>
        string.Create(CultureInfo.InvariantCulture, $"{span.WholeSeconds / 60}:{span.WholeSeconds % 60:00}");

    /// <summary>A span as a coach says it: "45 seconds", "1 minute", "3 minutes 30".</summary>
    public static string Span(Duration span)
    {
        var seconds = span.TotalSeconds;
        if (seconds < 60 || seconds != Math.Floor(seconds))
        {
            return $"{Figure(seconds)} {Plural(seconds, "second")}";
        }

        var (minutes, rest) = ((int)seconds / 60, (int)seconds % 60);
        if (rest > 0 && minutes == 1)
        {
            return $"{Figure(seconds)} seconds";
        }

        return $"{minutes} {Plural(minutes, "minute")}" + (rest > 0 ? $" {rest}" : "");
    }

    /// <summary>"a, b and c".</summary>
    public static string List(IReadOnlyList<string> parts, string last = "and") =>
        parts.Count < 2 ? string.Concat(parts) : $"{string.Join(", ", parts.Take(parts.Count - 1))} {last} {parts[^1]}";

    /// <summary>"a, b, then c": things in their order.</summary>
    public static string InOrder(IReadOnlyList<string> parts) =>
        parts.Count < 2 ? string.Concat(parts) : $"{string.Join(", ", parts.Take(parts.Count - 1))}, then {parts[^1]}";

    /// <summary>A text as a sentence: a capital first, a stop last; empty stays empty.</summary>
    public static string Sentence(string text) =>
        text.Length == 0 ? "" : Capital(text) + (text[^1] is '.' or '?' or '!' ? "" : ".");

    /// <summary>A share as a whole number of percent: "46 %".</summary>
    /// <param name="share">The share, from 0 to 1.</param>
    public static string Percent(double share) =>
        string.Create(CultureInfo.InvariantCulture, $"{Math.Round(100 * share, MidpointRounding.AwayFromZero):0} %");

    /// <summary>The first letter as a capital.</summary>
    public static string Capital(string text) => text.Length == 0 ? "" : char.ToUpperInvariant(text[0]) + text[1..];

    /// <summary>An id as words: "long-left" is "long left".</summary>
    public static string Words(string id) => id.Replace('-', ' ').Replace('_', ' ');

    /// <summary>The outcome inside a sentence: "a clean goal", "any other goal", "no rebound".</summary>
    public static string NameOf(Outcome outcome) => outcome.InSentence ?? WithArticle(Lower(outcome.Label));

    private static string WithArticle(string words)
    {
        var bare =
            WithoutArticle.Any(start => words.StartsWith(start, StringComparison.Ordinal))
            || (words.EndsWith('s') && !words.EndsWith("ss", StringComparison.Ordinal))
            || words.EndsWith("ing", StringComparison.Ordinal)
            || words.Length == 0
            || !char.IsLetter(words[0]);
        // "One" and "once" are said with a w.
        var vowel = Vowels.Contains(words.ElementAtOrDefault(0)) && !words.StartsWith("on", StringComparison.Ordinal);
        return bare ? words
            : vowel ? "an " + words
            : "a " + words;
    }

    /// <summary>The first letter small.</summary>
    public static string Small(string text) => text.Length == 0 ? "" : char.ToLowerInvariant(text[0]) + text[1..];

    /// <summary>The first letter small, unless the word is an abbreviation.</summary>
    private static string Lower(string label) =>
        label.Length < 2 || char.IsUpper(label[1]) ? label : char.ToLowerInvariant(label[0]) + label[1..];
}
