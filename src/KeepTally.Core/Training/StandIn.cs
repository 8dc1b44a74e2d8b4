using KeepTally.Core.Cards;
using KeepTally.Core.Chance;
using KeepTally.Core.Floor;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Rules.Zones;
using KeepTally.Core.Time;

namespace KeepTally.Core.Training;

/// <summary>A made-up player's go at a drill, by its own rules: who is at work, and what comes of it.</summary>
public static class StandIn
{
    /// <summary>The units whose rep comes now: all where all play at once, else the one whose turn it is, else one drawn.</summary>
    public static IReadOnlyList<PlayerId> AtWork(Sheet sheet, Instant now, SeededDraw draw)
    {
        var units = ScoringSlots.At(sheet.Stage, sheet.UnitsOn, sheet.Floor);
        return sheet.Stage.Play == Play.Together ? units
            : sheet.ReportAt(now).Turn is { } turn ? [turn]
            : units.Count == 0 ? []
            : [units[(int)draw.Below(units.Count)]];
    }

    /// <summary>Draws the tap of a go; null where nothing is left to do.</summary>
    /// <param name="sheet">The sheet.</param>
    /// <param name="unit">The unit whose go it is.</param>
    /// <param name="comesOff">Whether the try succeeds.</param>
    /// <param name="now">The moment of the go.</param>
    /// <param name="draw">The source of random numbers; seeded, so that a run can be repeated.</param>
    public static TapCommand? Go(Sheet sheet, PlayerId unit, bool comesOff, Instant now, SeededDraw draw)
    {
        var report = sheet.ReportAt(now).Units.First(each => each.Id == unit);
        if (report.Done)
        {
            return null;
        }

        if (sheet.Stage.Targets is { } targets)
        {
            return report.Asked is { } asked
                ? new TapCommand(unit, null, comesOff ? asked : targets.Zones[(int)draw.Below(targets.Zones.Count)])
                : null;
        }

        var fitting = sheet
            .Stage.Outcomes.Where(outcome => (outcome.Result == OutcomeResult.Success) == comesOff)
            .Where(outcome => outcome.Job is null)
            .Where(outcome => outcome.By is not TappedBy.Named named || named.Side == unit.Value)
            .ToArray();
        return fitting.Length == 0 ? null : new TapCommand(unit, fitting[draw.Below(fitting.Length)].Id);
    }
}
