using KeepTally.Core.Cards;
using KeepTally.Core.Rules.Endings;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Tallies;
using KeepTally.Core.Time;

namespace KeepTally.Core.Scoring;

/// <summary>
/// Ends what a counted tap brought to its end. Source: docs/formats.md, section 1, "Ending" and "How a counted tap is taken", 7.
/// </summary>
internal sealed class EndingJudge
{
    private readonly Stage _stage;
    private readonly Ending[] _until;

    /// <summary>A tap can end nobody but the unit tapped: no other unit's points move, and no ending looks at others.</summary>
    private readonly bool _endsAlone;

    /// <param name="stage">The stage of the card.</param>
    /// <param name="movesOthers">Whether an outcome of the stage gives points to any player but the unit tapped.</param>
    internal EndingJudge(Stage stage, bool movesOthers)
    {
        _stage = stage;
        _until = [.. stage.Until.Where(ending => ending.IsByTap)];
        _endsAlone = stage.Play != Play.Match && !movesOthers && !_until.Any(ending => ending.LooksAtOthers);
    }

    /// <summary>Ends units in their order, then the sheet where all are done, then passes the turn.</summary>
    /// <param name="state">The score so far.</param>
    /// <param name="tapped">The unit that was tapped.</param>
    /// <param name="passes">Whether the tap itself passes the turn.</param>
    /// <param name="running">Running time at the tap.</param>
    internal void Judge(ScoreState state, UnitTally tapped, bool passes, RunningTime running)
    {
        if (_until.Length > 0)
        {
            if (_endsAlone)
            {
                EndUnit(state, tapped, running);
            }
            else
            {
                foreach (var unit in state.Units)
                {
                    EndUnit(state, unit, running);
                }
            }
        }

        if (state.AllDone)
        {
            state.Close(running);
        }

        if (_stage.Play == Play.Turns && !state.Done && (passes || state.Units[state.Turn].Done))
        {
            state.PassTurn(running, running);
        }
    }

    private void EndUnit(ScoreState state, UnitTally unit, RunningTime running)
    {
        if (state.Done || unit.Done)
        {
            return;
        }

        foreach (var ending in _until)
        {
            if (!ending.IsMet(unit, state.Units, _stage.Play))
            {
                continue;
            }

            if (_stage.Play == Play.Match)
            {
                EndMatch(state, ending, unit, running);
            }
            else
            {
                state.Finish(unit, running, ending.Finishes);
            }

            return;
        }
    }

    private void EndMatch(ScoreState state, Ending ending, UnitTally unit, RunningTime running)
    {
        switch (ending.InMatch)
        {
            case MatchEnd.Won:
                state.Win(unit.Index, running);
                break;
            case MatchEnd.Lost:
                state.Win(RankRule.BestOther(_stage, state, unit, running), running, finished: false);
                break;
            case MatchEnd.Ranked:
                state.Close(running);
                break;
        }
    }
}
