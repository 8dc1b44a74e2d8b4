using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Rules.Ladders;
using KeepTally.Core.Time;

namespace KeepTally.Core.Reports;

/// <summary>A go that counted: when, whose, from where, and whether it was made.</summary>
/// <param name="Game">The game it belongs to, from 0.</param>
/// <param name="At">Running time of the game at the tap.</param>
/// <param name="Unit">The unit whose go it was.</param>
/// <param name="Place">
/// The step of the ladder the unit was at, else the place the player stood in; empty where neither is known, as for a whole side.
/// </param>
/// <param name="Made">Whether it was a success.</param>
public readonly record struct CountedGo(int Game, RunningTime At, PlayerId Unit, string Place, bool Made);

/// <summary>How a sheet went, tap by tap, as far as its pictures ask: read from its log when it is first asked for.</summary>
public sealed class SheetCourse
{
    private readonly Lazy<(IReadOnlyList<CountedGo> Goes, IReadOnlyList<LeadCourse> Games)> _read;

    internal SheetCourse(DrillCard card, LogHead head, EventLog log) => _read = new(() => Read(card, head, log));

    /// <summary>Every go that counted, in order; of outcomes without a result none.</summary>
    public IReadOnlyList<CountedGo> Goes => _read.Value.Goes;

    /// <summary>The lead in each game of a match of two that points decide; none in any other drill.</summary>
    public IReadOnlyList<LeadCourse> Games => _read.Value.Games;

    private static (IReadOnlyList<CountedGo> Goes, IReadOnlyList<LeadCourse> Games) Read(DrillCard card, LogHead head, EventLog log)
    {
        TapStep[] steps = [.. TapStep.Of(card, head, log, places: true)];
        var stage = head.Of(card);
        var undone = TimedTap.Of(card, head, log).Where(tap => !tap.Stands).ToLookup(tap => tap.Game, tap => tap.At);
        return ([.. steps.SelectMany(step => GoesOf(stage, step))], LeadCourse.Of(stage, head, steps, undone));
    }

    private static IEnumerable<CountedGo> GoesOf(Stage stage, TapStep step)
    {
        for (var i = 0; i < step.Before.Units.Count; i++)
        {
            var (was, now) = (step.Before.Units[i], step.After.Units[i]);
            if (now.Attempts > was.Attempts)
            {
                var unit = step.Units[i].Id;
                var place =
                    stage.Ladder is { } ladder ? LadderWords.Rung(ladder, was.Rung)
                    : stage.Scores == Scorer.Player && step.Standing?.Of(unit) is { } stood ? stood.Id
                    : "";
                yield return new CountedGo(step.Game, step.Running, unit, place, now.Successes > was.Successes);
            }
        }
    }
}
