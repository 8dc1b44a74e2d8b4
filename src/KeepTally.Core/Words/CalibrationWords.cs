using KeepTally.Core.Judgement;
using KeepTally.Core.Text;

namespace KeepTally.Core.Words;

/// <summary>Whether foresight is to be trusted, in sentences.</summary>
public static class CalibrationWords
{
    /// <param name="bins">The forecasts, grouped by what was foreseen.</param>
    /// <param name="forecasts">The forecasts, with what happened.</param>
    /// <param name="few">Fewer forecasts than this say nothing.</param>
    public static IEnumerable<string> Of(IReadOnlyList<CalibrationBin> bins, IReadOnlyCollection<Forecast> forecasts, int few)
    {
        if (forecasts.Count == 0)
        {
            yield return "No forecast can be checked yet.";
            yield break;
        }

        if (forecasts.Count < few)
        {
            yield return $"{Phrase.Capital(Phrase.Of(forecasts.Count, "forecast"))}: too few to judge.";
            yield break;
        }

        var off = bins.Where(bin => !bin.Agrees).ToArray();
        yield return off.Length == 0 ? "So far the forecasts fit what happened." : string.Join(" ", off.Select(Off));
        var (mean, happened) = (
            forecasts.Average(forecast => forecast.Foreseen),
            new Share(forecasts.Count(forecast => forecast.Happened), forecasts.Count)
        );
        yield return $"On average {Phrase.Percent(mean)} was forecast and {Phrase.Percent(happened.Value)} happened. The mean squared error is {Phrase.Figure(Math.Round(Calibration.Brier(forecasts), 3))}; a coin toss scores 0.25.";
        yield return "Players in one practice have much in common, so these figures are less certain than their number suggests.";
    }

    /// <summary>"Of the forecasts from 60 to 80 % fewer came true: 40 %, where 71 % was forecast."</summary>
    private static string Off(CalibrationBin bin) =>
        $"Of the forecasts from {Phrase.Figure(Math.Round(100 * bin.Low))} to {Phrase.Percent(bin.High)} {(bin.Happened.Value < bin.Foreseen ? "fewer" : "more")} came true: {Phrase.Percent(bin.Happened.Value)}, where {Phrase.Percent(bin.Foreseen)} was forecast.";
}
