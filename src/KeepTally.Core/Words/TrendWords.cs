using KeepTally.Core.Judgement;
using KeepTally.Core.Text;

namespace KeepTally.Core.Words;

/// <summary>A trend in a sentence; noise is not told as progress.</summary>
public static class TrendWords
{
    /// <summary>How a share has gone from practice to practice.</summary>
    /// <param name="trend">Null where there are too few practices for one.</param>
    /// <param name="practices">How many there are.</param>
    /// <param name="all">All goes of them.</param>
    public static string OfShares(Trend? trend, int practices, Share all)
    {
        if (all.Of == 0)
        {
            return "No tries yet.";
        }

        var goes = $"{Phrase.Figure(all.Of)} {Phrase.Plural(all.Of, "go")}";
        if (trend is null)
        {
            return $"{Phrase.Capital(Phrase.Of(practices, "practice"))} with {ShareWords.Plain(all)}: too few for a trend. A trend takes {Phrase.Count(Trend.Least)} practices.";
        }

        var points = Between(100 * trend.Bounds.Low, 100 * trend.Bounds.High);
        return trend.IsChange
            ? $"{(trend.PerWeek > 0 ? "Up" : "Down")} from {Phrase.Percent(trend.First)} to {Phrase.Percent(trend.Last)}: {Points(trend.PerWeek)} percentage points a week, {points}, from {goes} in {Phrase.Of(trend.Practices, "practice")}."
            : $"Steady: {Phrase.Percent(all.Value)} over {Phrase.Of(trend.Practices, "practice")} and {goes}. The change is {points} percentage points a week.";
    }

    /// <summary>A trend in a word and an arrow, "up" and "↗": up, down, or steady; both empty where there is none.</summary>
    public static (string Word, string Arrow) InAWord(Trend? trend) =>
        trend switch
        {
            null => ("", ""),
            { IsChange: false } => ("steady", "→"),
            { PerWeek: > 0 } => ("up", "↗"),
            _ => ("down", "↘"),
        };

    /// <summary>How a figure has gone from practice to practice.</summary>
    /// <param name="trend">The trend.</param>
    /// <param name="practices">The number of practices.</param>
    /// <param name="name">What it is called, as "points".</param>
    /// <param name="fewIsGood">Less of it is better.</param>
    public static string OfFigures(Trend? trend, int practices, string name, bool fewIsGood)
    {
        if (trend is null)
        {
            return $"{Phrase.Capital(Phrase.Of(practices, "practice"))}: too few for a trend. A trend takes {Phrase.Count(Trend.Least)}.";
        }

        var bounds = Between(trend.Bounds.Low, trend.Bounds.High);
        return trend.IsChange
            ? $"{(trend.PerWeek > 0 == fewIsGood ? "Worse" : "Better")}: {name} went from {Rounded(trend.First)} to {Rounded(trend.Last)}, {Signed(trend.PerWeek)} a week, {bounds}, in {Phrase.Of(trend.Practices, "practice")}."
            : $"Steady: no clear change in {name} over {Phrase.Of(trend.Practices, "practice")}. The change is {bounds} a week.";
    }

    private static string Points(double share) => Signed(100 * share);

    /// <summary>Both bounds as exactly as each other: where one is ten or more, tenths say nothing.</summary>
    private static string Between(double low, double high)
    {
        var isWide = Math.Max(Math.Abs(low), Math.Abs(high)) >= 10;
        double Told(double bound) => isWide ? Math.Round(bound, MidpointRounding.AwayFromZero) : bound;
        return $"likely between {Signed(Told(low))} and {Signed(Told(high))}";
    }

    private static string Signed(double value) =>
        (value > 0 ? "+" : "") + Rounded(value).Replace("-", "−", StringComparison.Ordinal);

    private static string Rounded(double value) => Phrase.Figure(Math.Round(value, 1, MidpointRounding.AwayFromZero));
}
