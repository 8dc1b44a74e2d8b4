using KeepTally.Core.Cards;
using KeepTally.Core.Live;
using KeepTally.Core.Time;
using KeepTally.Screen.Views;

namespace KeepTally.Screen;

/// <summary>The grid in which what units have counted themselves is put in: one figure each for the round that was last.</summary>
public static class OwnCountPresenter
{
    /// <summary>Where many play at once; none where a coach can see all there is, in turns and in a match.</summary>
    public static OwnCountsView Of(LivePractice practice, Instant at)
    {
        if (practice.Current >= practice.Runs.Count)
        {
            return new OwnCountsView("", []);
        }

        var run = practice.Runs[practice.Current];
        var sheets = run.OpenAt(at).Where(each => Takes(each.Sheet)).ToArray();
        var clock = run.ClockAt(at);
        return new OwnCountsView(
            clock is { Interval.Round: var round } && run.Lead(at).Timeline!.Plan.Rounds > 1 ? $"Round {Math.Max(1, round)}" : "",
            [
                .. sheets.SelectMany(each =>
                    each.Sheet.UnitsOn.Select(unit => new OwnCountView(
                        each.Id.Value,
                        unit.Id.Value,
                        sheets.Length > 1 ? $"{each.Name} {each.Sheet.CallNameOf(unit.Id)}" : each.Sheet.CallNameOf(unit.Id),
                        each.Sheet.Score.OwnCountOf(unit.Id, each.Sheet.RoundAt(at))
                    ))
                ),
            ]
        );
    }

    /// <summary>Whether units of the sheet can say themselves how many they had.</summary>
    internal static bool Takes(Sheet sheet) =>
        sheet.Stage is { Play: Play.Together, Scores: not Scorer.None } && sheet.Score.Clock.IsStarted && sheet.Ended is null;
}
