using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Floor;
using KeepTally.Core.Live;
using KeepTally.Core.Places;
using KeepTally.Core.Scoring;
using KeepTally.Core.Tallies;
using KeepTally.Core.Time;

namespace KeepTally.Core.Reports;

/// <summary>A counted tap of a sheet, with how all stood before it and after.</summary>
/// <param name="Game">The game it belongs to, from 0.</param>
/// <param name="Running">Running time at the tap.</param>
/// <param name="Outcome">What was tapped; null where a zone was.</param>
/// <param name="Units">The units of the sheet, in order.</param>
/// <param name="Standing">Who stood where at the tap; null where nobody asked for it, or the stage has no places.</param>
/// <param name="Before">The score of the sheet before the tap.</param>
/// <param name="After">The score of the sheet after the tap.</param>
internal readonly record struct TapStep(
    int Game,
    RunningTime Running,
    string? Outcome,
    IReadOnlyList<Unit> Units,
    Placement? Standing,
    ScoreSnapshot Before,
    ScoreSnapshot After
)
{
    /// <summary>Points lost by anyone, and points that another than the one who lost them got.</summary>
    internal double Cost => Before.Units.Zip(After.Units, (was, now) => Math.Abs(now.Points - was.Points)).Sum();

    /// <summary>Walks through a sheet tap by tap, as it was folded.</summary>
    internal static IEnumerable<TapStep> Of(Sheet live) => Of(live.Card, live.Head, live.Log);

    /// <param name="card">The card of the sheet.</param>
    /// <param name="head">The head of its log.</param>
    /// <param name="log">Its log.</param>
    /// <param name="places">Whether to follow who stands where.</param>
    internal static IEnumerable<TapStep> Of(DrillCard card, LogHead head, EventLog log, bool places = false)
    {
        var score = Score.Open(card, head).Require();
        var floor = places && score.Stage.Places.Count > 0 ? new FloorState(score.Stage, head.Units) : null;
        foreach (var position in Enumerable.Range(0, log.Count).Where(log.StandsAt))
        {
            var next = log.ReadAt(position);
            if (next is RunEvent.Undo or RunEvent.Amend)
            {
                continue;
            }

            var before = next is RunEvent.Tap ? score.Snapshot(next.At) : null;
            var standing = floor?.Now;
            var result = score.Apply(next);
            floor?.Apply(next, result, score);
            if (before is not null && result.Kind == EventResultKind.Counted)
            {
                yield return new TapStep(
                    score.EarlierGames.Count,
                    score.RunningTimeAt(next.At),
                    ((RunEvent.Tap)next).Outcome,
                    score.Units,
                    standing,
                    before,
                    score.Snapshot(next.At)
                );
            }
        }
    }
}
