using System.Globalization;
using KeepTally.Core.Cards;
using KeepTally.Core.Rules.Ladders;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Rules.Zones;
using KeepTally.Core.Scoring;
using KeepTally.Core.Text;

namespace KeepTally.Screen;

/// <summary>How a unit stands besides its score, and how a sheet ended, in the few words a row has room for.</summary>
internal static class RowWords
{
    private const int WidestGate = 20;

    /// <summary>
    /// The figure beside the name: what the stage ranks by where that is a count or a reading, else the points. Null before the
    /// first reading.
    /// </summary>
    internal static double? ScoreOf(Stage stage, UnitReport unit) =>
        stage.Measures[0].By is { IsCount: true } or { IsReading: true } ? unit.Value(stage.Measures[0].By) : unit.Points;

    internal static string Detail(Stage stage, UnitReport unit)
    {
        if (stage.Ladder is { } ladder)
        {
            return unit.Done && unit.Lap >= ladder.Laps
                ? $"All {unit.Cleared} done, {ClockPresenter.Up(unit.Running)}"
                : $"{RungName(ladder, unit.Rung)} · {WindowWords(ladder, unit)}";
        }

        if (stage.Targets is { } targets)
        {
            var answered = unit.Zones.SelectMany(asked => asked.Value).Sum(landed => landed.Value);
            return $"{unit.Counts[^2].Value} of {answered}" + (unit.Done ? "" : $", {targets.Asked - answered} to go");
        }

        // Where time ranks, it is told beside what was done in it.
        var time =
            unit.Finished && stage.Measures.Any(measure => measure.By == MeasureKinds.Seconds)
                ? ClockPresenter.Up(unit.Running)
                : "";
        var countsMisses = stage.Outcomes.Any(outcome => outcome.Result == OutcomeResult.Failure);
        var made = countsMisses && unit.Attempts > 0 ? $"{unit.Successes} of {unit.Attempts}" : "";
        return string.Join(", ", new[] { made, time }.Where(part => part.Length > 0));
    }

    /// <summary>The open window, one letter an attempt: a hit, a miss, or a dash for what is to come.</summary>
    internal static string Gate(Stage stage, UnitReport unit) =>
        stage.Ladder?.Pass switch
        {
            Pass.Window window when !unit.Done => string.Concat(unit.Window.Hits.Select(hit => hit ? 'h' : 'm'))
                .PadRight(Math.Min(window.Of, WidestGate), '-'),
            Pass.InARow run when !unit.Done => new string('h', unit.Window.Made).PadRight(Math.Min(run.Streak, WidestGate), '-'),
            _ => "",
        };

    internal static string Figure(double number) => number.ToString("0.##", CultureInfo.InvariantCulture);

    private static string RungName(Ladder ladder, int rung) =>
        ladder.Rungs switch
        {
            Rungs.Named named => Phrase.Capital(Phrase.Words(named.Names[rung])),
            Rungs.Distances distances => $"{Figure(distances.At(rung))} {distances.Unit}",
            _ => "",
        };

    private static string WindowWords(Ladder ladder, UnitReport unit) =>
        ladder.Pass switch
        {
            Pass.Window window => $"{unit.Window.Made} of {window.Successes}",
            Pass.Makes makes => $"{unit.Window.Made} of {makes.Successes}",
            Pass.InARow run => $"{unit.Window.Made} of {run.Streak} in a row",
            _ => "",
        };
}
