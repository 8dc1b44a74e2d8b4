using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Live;
using KeepTally.Core.Scoring;
using KeepTally.Core.Time;

namespace KeepTally.Core.Reports;

/// <summary>A tap of a log, counted or not, with the time that had run when it was made.</summary>
/// <param name="Tap">The tap, as it was amended where it was.</param>
/// <param name="Game">The game it belongs to, from 0.</param>
/// <param name="At">Running time of the game.</param>
/// <param name="Stands">False where it was undone.</param>
public readonly record struct TimedTap(RunEvent.Tap Tap, int Game, RunningTime At, bool Stands)
{
    /// <summary>Every tap of a sheet, in order.</summary>
    public static IEnumerable<TimedTap> Of(Sheet live) => Of(live.Card, live.Head, live.Log);

    internal static IEnumerable<TimedTap> Of(DrillCard card, LogHead head, EventLog log)
    {
        // The clock tells the time that had run only before it is paused again: the log is walked along with it.
        var score = Score.Open(card, head).Require();
        for (var position = 0; position < log.Count; position++)
        {
            var (next, stands) = (log.ReadAt(position), log.StandsAt(position));
            if (next is RunEvent.Tap tap)
            {
                yield return new TimedTap(tap, score.EarlierGames.Count, score.RunningTimeAt(tap.At), stands);
            }

            if (stands && next is not (RunEvent.Undo or RunEvent.Amend))
            {
                score.Apply(next);
            }
        }
    }
}
