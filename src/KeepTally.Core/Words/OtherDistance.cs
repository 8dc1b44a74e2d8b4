using KeepTally.Core.Cards;
using KeepTally.Core.Judgement;
using KeepTally.Core.Layout;
using KeepTally.Core.Measures;
using KeepTally.Core.Rules.Ladders;
using KeepTally.Core.Rules.Zones;
using KeepTally.Core.SetUp;
using KeepTally.Core.Text;

namespace KeepTally.Core.Words;

/// <summary>Another distance for a drill of shots that is too hard or too easy, with what is to be expected of it.</summary>
public static class OtherDistance
{
    /// <summary>Twice as far, or half: beyond that it is another shot, of which this one says nothing.</summary>
    private const double Reach = 2;

    /// <summary>
    /// "From 6 m in place of 9 m about 60 % would be made, likely between 48 % and 71 %, if shots scatter as widely from there: …";
    /// empty where the distance suits, or nothing is known of it.
    /// </summary>
    /// <param name="card">The drill card.</param>
    /// <param name="stage">The stage whose distance is meant.</param>
    /// <param name="band">The band of success aimed at.</param>
    /// <param name="share">Of the goes in the stage, of whomever.</param>
    /// <param name="pacing">The coach's paces.</param>
    public static string Of(DrillCard card, Stage stage, SuccessBand band, Share share, Pacing pacing)
    {
        if (
            share.Made == 0
            || share.Made == share.Of
            || band.Judge(share) == Difficulty.Within
            || !FailsByMissing(stage)
            || card.Layout is not { } layout
            || ShotLength.Of(layout.By(pacing.Stride)) is not { } now
        )
        {
            return "";
        }

        var middle = (band.Low + band.High) / 2;
        var best = Math.Clamp(AtDistance.Where(middle, share.Value, now), now / Reach, now * Reach);
        var there = Snapped(best);
        if (there == 0 || there == Snapped(now))
        {
            return "";
        }

        var (likely, low, high) = (At(share.Value), At(share.Bounds.Low), At(share.Bounds.High));
        return $"From {In(there)} instead of {In(now)} about {likely} would be made, likely between {low} and {high}, if shots scatter as widely. Defenders, tired arms and longer run-ups are not included.";

        string At(double known) => Phrase.Percent(AtDistance.Expected(known, now, there));

        double Snapped(double metres) =>
            Measure.From(metres, pacing.Unit, pacing.Stride).Rounded(Measure.SnapOf(pacing.Unit)).Metres(pacing.Stride);

        string In(double metres) => DistanceWords.In(metres, pacing.Unit, pacing.Stride);
    }

    /// <summary>Only where a go is a shot that hits or misses: a save, a steal or a rule of the drill knows no distance.</summary>
    private static bool FailsByMissing(Stage stage) =>
        stage.Play != Play.Match
        && stage.Ladder is null
        && (
            stage.Targets is not null
            || stage
                .Outcomes.Where(outcome => outcome.Result == OutcomeResult.Failure)
                .Select(outcome => outcome.Id)
                .SequenceEqual(["miss"])
        );
}
