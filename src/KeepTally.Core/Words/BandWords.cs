using KeepTally.Core.Cards;
using KeepTally.Core.Judgement;
using KeepTally.Core.Text;

namespace KeepTally.Core.Words;

/// <summary>Whether a drill is too hard or too easy for whoever played it, and what the card offers then.</summary>
public static class BandWords
{
    /// <summary>A sentence on how often it came off.</summary>
    public static string Of(SuccessBand band, Share share)
    {
        var (low, high) = (ShareWords.Percent(band.Low), ShareWords.Percent(band.High));
        var came = $"{Phrase.Capital(ShareWords.Of(share))}.";
        return band.Judge(share) switch
        {
            BandFit.Unknown => "No tries yet.",
            BandFit.Within =>
                $"About the right difficulty: {ShareWords.Percent(share.Value)} made ({ShareWords.Plain(share)}). The target is {low} to {high}.",
            BandFit.TooHard => $"Too hard: {came} The target is {low} to {high}.",
            BandFit.TooEasy => $"Too easy: {came} The target is {low} to {high}.",
            BandFit.PerhapsTooHard => $"Perhaps too hard, but it may be chance: {came} The target is {low} to {high}.",
            BandFit.PerhapsTooEasy => $"Perhaps too easy, but it may be chance: {came} The target is {low} to {high}.",
            _ => throw new ArgumentOutOfRangeException(nameof(share)),
        };
    }

    /// <summary>The forms of the card that bring it nearer to the band; none where it fits.</summary>
    public static IReadOnlyList<string> Forms(DrillCard card, SuccessBand band, Share share) =>
        band.Judge(share) switch
        {
            BandFit.TooHard or BandFit.PerhapsTooHard => card.Easier,
            BandFit.TooEasy or BandFit.PerhapsTooEasy => card.Harder,
            _ => [],
        };
}
