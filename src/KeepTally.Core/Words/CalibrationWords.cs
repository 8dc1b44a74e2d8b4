using KeepTally.Core.Judgement;
using KeepTally.Core.Text;

namespace KeepTally.Core.Words;

/// <summary>Whether foresight is to be trusted, in sentences.</summary>
public static class CalibrationWords
{
    /// <param name="few">Fewer forecasts than this say nothing.</param>
    public static IEnumerable<string> Of(IReadOnlyList<CalibrationBin> bins, IReadOnlyCollection<Forecast> forecasts, int few)
    {
        if (forecasts.Count == 0)
        {
            yield return "Nothing was foreseen yet that has happened since.";
            yield break;
        }

        if (forecasts.Count < few)
        {
            yield return $"{Phrase.Capital(Phrase.Count(forecasts.Count))} are too few to say whether it can be trusted.";
            yield break;
        }

        var off = bins.Where(bin => !bin.Agrees).ToArray();
        yield return off.Length == 0
            ? "What happened is what was foreseen, as far as so many can tell."
            : string.Join(" ", off.Select(Off));
        var (mean, happened) = (
            forecasts.Average(forecast => forecast.Foreseen),
            new Share(forecasts.Count(forecast => forecast.Happened), forecasts.Count)
        );
        yield return $"In all {ShareWords.Percent(mean)} were foreseen and {ShareWords.Percent(happened.Value)} happened. The mean squared error is {Phrase.Figure(Math.Round(Calibration.Brier(forecasts), 3))}; a coin would have 0.25.";
        yield return "Players of one practice have much in common, so these figures are less sure than as many that stand alone.";
    }

    /// <summary>"Of what was called 60 to 80 % less happened: 40 %, where 71 % was foreseen."</summary>
    private static string Off(CalibrationBin bin) =>
        $"Of what was called {Phrase.Figure(Math.Round(100 * bin.Low))} to {ShareWords.Percent(bin.High)} {(bin.Happened.Value < bin.Foreseen ? "less" : "more")} happened: {ShareWords.Percent(bin.Happened.Value)}, where {ShareWords.Percent(bin.Foreseen)} was foreseen.";
}
