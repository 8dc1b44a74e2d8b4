using System.Globalization;
using KeepTally.Core.Loads;
using KeepTally.Core.Text;

namespace KeepTally.Core.Words;

/// <summary>A player's load in sentences. They defer to leagues and to medical people, always.</summary>
public static class LoadWords
{
    /// <summary>The caution that goes with every sentence on load.</summary>
    public const string Defers = "Your league's rules and medical people come first.";

    /// <param name="warning">The warning.</param>
    /// <param name="kind">What is counted, as <c>throw</c>.</param>
    public static string Of(LoadWarning warning, string kind) =>
        warning switch
        {
            LoadWarning.OverDay over =>
                $"{Day(over.Day)}: {Of(over.Count, kind)}, more than the limit of {Phrase.Figure(over.Most)} a day for this age.",
            LoadWarning.TooSoon soon =>
                $"{Day(soon.Day)}: after {Of(soon.Count, kind)} on {Day(soon.After)} {Phrase.Of(soon.RestDays, "day")} of rest were due.",
            LoadWarning.StillResting rest =>
                $"{Of(rest.Count, kind)} on {Day(rest.After)}: {Phrase.Of(rest.RestDays, "day")} of rest are due, and {Day(rest.Day)} is one of them.",
            _ => throw new ArgumentOutOfRangeException(nameof(warning)),
        };

    /// <summary>While practice runs: "Ada: 90 throws of 95 today".</summary>
    public static string Now(string name, LoadAllowance allowance, int count) =>
        allowance.Rests ? $"{name}: rest is due today, and {Of(count, allowance.Kind)} {(count == 1 ? "is" : "are")} counted"
        : count >= allowance.Most
            ? $"{name}: {Of(count, allowance.Kind)} today; the limit for this age is {Phrase.Figure(allowance.Most)}"
        : $"{name}: {Of(count, allowance.Kind)} of {Phrase.Figure(allowance.Most)} today";

    private static string Of(int count, string kind) => $"{Phrase.Figure(count)} {Phrase.Plural(count, kind)}";

    private static string Day(DateOnly day) => day.ToString("d MMMM", CultureInfo.InvariantCulture);
}
