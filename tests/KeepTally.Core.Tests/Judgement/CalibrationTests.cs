using KeepTally.Core.Judgement;
using KeepTally.Core.Words;

namespace KeepTally.Core.Tests.Judgement;

/// <summary>Whether foresight is to be trusted, on forecasts whose answer is known.</summary>
public sealed class CalibrationTests
{
    private static IEnumerable<Forecast> Of(double chance, int happened, int of) =>
        Enumerable.Range(0, of).Select(index => new Forecast(chance, index < happened));

    /// <summary>Who always says seven in ten of what comes true seven in ten times is calibrated, with an error of 0.7 · 0.3.</summary>
    [Fact]
    public void Seven_in_ten_that_happen_seven_in_ten_times_agree()
    {
        Forecast[] forecasts = [.. Of(0.7, 70, 100)];

        Assert.True(Assert.Single(Calibration.Of(forecasts)).Agrees);
        Assert.Equal(0.21, Calibration.Brier(forecasts), 9);
        Assert.Contains(
            "So far the forecasts fit",
            CalibrationWords.Of(Calibration.Of(forecasts), forecasts, 30).First(),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void What_is_called_too_high_is_said_to_be()
    {
        Forecast[] forecasts = [.. Of(0.9, 40, 100), .. Of(0.1, 10, 100), .. Of(1, 5, 5)];
        var bins = Calibration.Of(forecasts);

        Assert.Equal([(0.0, true), (0.8, false)], bins.Select(bin => (bin.Low, bin.Agrees)));
        Assert.Equal(105, bins[1].Happened.Of);
        Assert.StartsWith(
            "Of the forecasts from 80 to 100 % fewer came true",
            CalibrationWords.Of(bins, forecasts, 30).First(),
            StringComparison.Ordinal
        );
    }

    /// <summary>A coin's own forecast has an error of a quarter (G. W. Brier, 1950).</summary>
    [Fact]
    public void A_coin_has_a_quarter_and_few_say_nothing()
    {
        Forecast[] forecasts = [.. Of(0.5, 4, 9)];

        Assert.Equal(0.25, Calibration.Brier(forecasts), 9);
        Assert.Contains(
            "too few",
            Assert.Single(CalibrationWords.Of(Calibration.Of(forecasts), forecasts, 30)),
            StringComparison.Ordinal
        );
        Assert.Contains("No forecast can be checked", Assert.Single(CalibrationWords.Of([], [], 30)), StringComparison.Ordinal);
    }
}
