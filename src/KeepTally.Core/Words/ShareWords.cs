using KeepTally.Core.Judgement;
using KeepTally.Core.Text;

namespace KeepTally.Core.Words;

/// <summary>Shares in sentences, with what is not known of them beside.</summary>
public static class ShareWords
{
    /// <summary>Fewer goes than this are told as they are: nobody counts to the last of many.</summary>
    private const int Exact = 20;

    /// <summary>"7 of 10".</summary>
    public static string Plain(Share share) => $"{Phrase.Figure(share.Made)} of {Phrase.Figure(share.Of)}";

    /// <summary>"70 % made (7 of 10), likely between 40 % and 89 %".</summary>
    public static string Of(Share share) =>
        share.Of == 0
            ? "no tries yet"
            : $"{Phrase.Percent(share.Value)} made ({Plain(share)}), likely between {Phrase.Percent(share.Bounds.Low)} and {Phrase.Percent(share.Bounds.High)}";

    /// <summary>Which of two is better, or that it cannot be told yet.</summary>
    /// <param name="difference">The difference of the two shares.</param>
    /// <param name="first">What the first is called.</param>
    /// <param name="second">What the second is called.</param>
    public static string Compare(ShareDifference difference, string first, string second)
    {
        var (one, other) = (Plain(difference.First), Plain(difference.Second));
        if (difference.First.Of == 0 || difference.Second.Of == 0)
        {
            return $"{Phrase.Capital(difference.First.Of == 0 ? first : second)} has no tries yet.";
        }

        var (better, worse, bounds) =
            difference.Value >= 0
                ? (first, second, difference.Bounds)
                : (second, first, new Bounds(-difference.Bounds.High, -difference.Bounds.Low));
        return difference.IsSettled
                ? $"{Phrase.Capital(better)} is better than {worse}: {one} against {other}, by {Points(Math.Abs(difference.Value))} percentage points, likely between {Points(bounds.Low)} and {Points(bounds.High)}."
            : difference.GoesToSettle() is { } goes
                ? $"{one} against {other} is too close to call. About {Rounded(goes)} more tries each would settle it."
            : $"{one} against {other}: no clear difference.";
    }

    private static string Points(double difference) => Phrase.Figure(Math.Round(100 * difference, MidpointRounding.AwayFromZero));

    /// <summary>To two figures: more would claim too much.</summary>
    private static string Rounded(int goes)
    {
        var unit = (int)Math.Pow(10, Math.Max(0, Math.Floor(Math.Log10(Math.Max(1, goes))) - 1));
        return Phrase.Figure(goes < Exact ? goes : (goes + unit - 1) / unit * unit);
    }
}
