namespace KeepTally.Core.Judgement;

/// <summary>A forecast of one event, and whether it happened.</summary>
/// <param name="Foreseen">The chance it was given, from 0 to 1.</param>
/// <param name="Happened">True where it happened.</param>
public readonly record struct Forecast(double Foreseen, bool Happened);

/// <summary>
/// Forecasts of about the same chance together: of what was called seven in ten, did about seven in ten happen? (Reliability by
/// bins: A. H. Murphy, "A new vector partition of the probability score", Journal of Applied Meteorology 12 (1973); from memory.)
/// </summary>
/// <param name="Low">The least chance of the bin.</param>
/// <param name="High">The greatest; only the last bin holds it itself.</param>
/// <param name="Foreseen">The mean of what was foreseen.</param>
/// <param name="Happened">How many of them happened.</param>
public sealed record CalibrationBin(double Low, double High, double Foreseen, Share Happened)
{
    /// <summary>Whether the outcome agrees with the forecast: it lies within the likely range.</summary>
    public bool Agrees => Foreseen >= Happened.Bounds.Low && Foreseen <= Happened.Bounds.High;
}

/// <summary>Whether foresight is to be trusted.</summary>
public static class Calibration
{
    private const int Bins = 5;

    /// <summary>Five bins of a fifth each, those that hold anything, the least chance first.</summary>
    public static IReadOnlyList<CalibrationBin> Of(IReadOnlyList<Forecast> forecasts) =>
        [
            .. forecasts
                .GroupBy(forecast => Math.Min(Bins - 1, (int)(forecast.Foreseen * Bins)))
                .OrderBy(bin => bin.Key)
                .Select(bin => new CalibrationBin(
                    (double)bin.Key / Bins,
                    (bin.Key + 1.0) / Bins,
                    bin.Average(forecast => forecast.Foreseen),
                    new Share(bin.Count(forecast => forecast.Happened), bin.Count())
                )),
        ];

    /// <summary>
    /// The mean squared distance of what was foreseen from what happened: 0 is perfect, 0.25 what a coin says. (G. W. Brier,
    /// "Verification of forecasts expressed in terms of probability", Monthly Weather Review 78 (1950).)
    /// </summary>
    public static double Brier(IReadOnlyCollection<Forecast> forecasts) =>
        forecasts.Count == 0
            ? double.NaN
            : forecasts.Average(forecast => Math.Pow(forecast.Foreseen - (forecast.Happened ? 1 : 0), 2));
}
