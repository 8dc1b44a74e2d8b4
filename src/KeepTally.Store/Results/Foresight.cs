using KeepTally.Core.Cards;
using KeepTally.Core.Judgement;
using KeepTally.Core.Scoring;
using KeepTally.Core.Simulation;
using KeepTally.Core.Time;
using KeepTally.Core.Words;

namespace KeepTally.Store.Results;

/// <summary>
/// What would have been foreseen of drills that were run, by nothing but what had been before their day, beside what happened:
/// whether a player, or a group, was done by the drill's own rules in the minutes the timing sheet gave.
/// </summary>
public static class Foresight
{
    private const int Runs = 1000;
    private const int Cap = 2000;

    /// <summary>Drill by drill, the latest first. Where nothing was known before, nothing was foreseen.</summary>
    /// <param name="sheets">Of one team, the oldest first.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public static IReadOnlyList<ForeseenDrill> Of(IReadOnlyList<PastSheet> sheets, CancellationToken cancellationToken = default)
    {
        var foreseen = new List<ForeseenDrill>();
        foreach (var alike in sheets.Where(CanBeForeseen).GroupBy(sheet => sheet.Scoring))
        {
            var before = default(Share);
            foreach (var day in alike.GroupBy(sheet => sheet.Practice).OrderBy(day => day.Key.Date))
            {
                if (before.Of > 0)
                {
                    foreseen.AddRange(
                        day.GroupBy(sheet => (sheet.RunId, Group: sheet.Outcome.Head.Units.Count, sheet.Planned))
                            .Select(same => OfOne([.. same], before, cancellationToken))
                            .OfType<ForeseenDrill>()
                    );
                }

                before += Share.Sum(day.SelectMany(UnitsOf).Select(unit => new Share(unit.Successes, unit.Attempts)));
            }
        }

        return
        [
            .. foreseen.OrderByDescending(drill => drill.Practice.Date).ThenBy(drill => drill.Card.Name, StringComparer.Ordinal),
        ];
    }

    private static bool CanBeForeseen(PastSheet sheet) =>
        sheet.Planned is not null
        && sheet.Outcome.Stage.Play == Play.Together
        && sheet.Outcome.Stage.Scores is Scorer.Player or Scorer.Group
        && sheet.Outcome.Report.IsTapped
        && SimulationWords.Ends(sheet.Outcome.Stage);

    private static ForeseenDrill? OfOne(IReadOnlyList<PastSheet> sheets, Share before, CancellationToken cancellationToken)
    {
        var (card, stage, given) = (sheets[0].Outcome.Card, sheets[0].Outcome.Stage, sheets[0].Planned!.Value);
        var index = sheets[0].Outcome.Head.Stage;
        var skill = DrillSkill.Of(stage, before.Value, null, before);
        if (skill is null || Simulator.Open(card, index, skill) is not { IsOk: true, Value: { } simulator })
        {
            return null;
        }

        var settings = new SimulationSettings(GoPace.Of(card, stage, sheets[0].Outcome.Head.Units.Count))
        {
            Runs = Runs,
            Cap = Cap,
            Given = given,
        };
        var tried = sheets.SelectMany(sheet => UnitsOf(sheet).Select(unit => (sheet.Outcome.Work, unit.Id))).ToArray();
        return new ForeseenDrill(
            sheets[0].Practice,
            card,
            given,
            before,
            simulator.Run(settings, cancellationToken).PlayedOut,
            new Share(tried.Count(each => each.Work.PlayedOut.TryGetValue(each.Id, out var after) && after <= given), tried.Length)
        );
    }

    /// <summary>The units that had a go.</summary>
    private static IEnumerable<UnitReport> UnitsOf(PastSheet sheet) =>
        sheet.Outcome.Report.Games[0].Units.Where(unit => unit.Attempts > 0);
}

/// <summary>A drill of a practice that was: what would have been foreseen, and what happened.</summary>
/// <param name="Practice">The practice.</param>
/// <param name="Card">The drill card.</param>
/// <param name="Given">What the timing sheet gave it.</param>
/// <param name="Known">What was known before: goes that were made in earlier practices.</param>
/// <param name="Chance">The chance of each player or group to be done in that time.</param>
/// <param name="Done">How many were, of all who had a go.</param>
public sealed record ForeseenDrill(PastPractice Practice, DrillCard Card, Duration Given, Share Known, double Chance, Share Done)
{
    /// <summary>One forecast for each of them.</summary>
    public IEnumerable<Forecast> Forecasts => Enumerable.Range(0, Done.Of).Select(index => new Forecast(Chance, index < Done.Made));
}
