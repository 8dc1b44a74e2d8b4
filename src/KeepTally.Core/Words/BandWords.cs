using KeepTally.Core.Cards;
using KeepTally.Core.Judgement;
using KeepTally.Core.Text;

namespace KeepTally.Core.Words;

/// <summary>Whether a drill is too hard or too easy for its players, and what the card offers then.</summary>
public static class BandWords
{
    /// <summary>A sentence on how often it was made.</summary>
    public static string Of(SuccessBand band, Share share)
    {
        var (low, high) = (Phrase.Percent(band.Low), Phrase.Percent(band.High));
        var came = $"{Phrase.Capital(ShareWords.Of(share))}.";
        return band.Judge(share) switch
        {
            Difficulty.Unknown => "No tries yet.",
            Difficulty.Within =>
                $"About the right difficulty: {Phrase.Percent(share.Value)} made ({ShareWords.Plain(share)}). The target is {low} to {high}.",
            Difficulty.TooHard => $"Too hard: {came} The target is {low} to {high}.",
            Difficulty.TooEasy => $"Too easy: {came} The target is {low} to {high}.",
            Difficulty.PerhapsTooHard => $"Perhaps too hard, but it may be chance: {came} The target is {low} to {high}.",
            Difficulty.PerhapsTooEasy => $"Perhaps too easy, but it may be chance: {came} The target is {low} to {high}.",
            _ => throw new ArgumentOutOfRangeException(nameof(share)),
        };
    }

    /// <summary>The forms of the card that bring it nearer to the band; none where it fits.</summary>
    public static IReadOnlyList<string> Forms(DrillCard card, SuccessBand band, Share share) =>
        band.Judge(share) switch
        {
            Difficulty.TooHard or Difficulty.PerhapsTooHard => card.Easier,
            Difficulty.TooEasy or Difficulty.PerhapsTooEasy => card.Harder,
            _ => [],
        };
}
