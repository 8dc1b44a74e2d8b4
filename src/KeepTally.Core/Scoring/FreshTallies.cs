using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Rules.Endings;
using KeepTally.Core.Tallies;
using KeepTally.Core.Time;

namespace KeepTally.Core.Scoring;

/// <summary>Makes tallies at nought: of the units at the start, of who comes in, and of everyone when another game begins.</summary>
internal sealed class FreshTallies(Stage stage, LogHead head, Judges judges)
{
    /// <summary>The units of the head, nothing scored yet.</summary>
    internal ScoreState OfStart(TapAddress address, Roster roster) =>
        StateOf([.. head.Units.Select((unit, index) => Of(unit, index))], address, roster, endsChanged: false);

    /// <summary>Everyone who has carried a score, and who came in since all was done; who is not on the sheet is off.</summary>
    internal ScoreState OfNextGame(ScoreState before, TapAddress address, Roster roster, bool endsChanged)
    {
        var units = before.Units.Select(unit => Of(unit.Unit, unit.Index)).ToList();
        if (stage.Scores == Scorer.Player)
        {
            units.AddRange(roster.Everyone.Where(player => address.Units.Of(player) < 0).ToArray().Select(New));
        }

        return StateOf([.. units], address, roster, endsChanged);

        UnitTally New(PlayerId player) => OfNewcomer(player, address);
    }

    /// <summary>Players who were never on the sheet before.</summary>
    internal UnitTally OfNewcomer(PlayerId player, TapAddress address) =>
        Of(new Unit(player, head.NameOf(player), []), address.Units.Add(player));

    private UnitTally Of(Unit unit, int index) => new(index, unit, UnitTally.CountsOf(stage), judges.NewStates());

    private ScoreState StateOf(UnitTally[] units, TapAddress address, Roster roster, bool endsChanged)
    {
        var ball = stage.Ball is { } side ? address.Units.Of(new PlayerId(side)) : -1;
        var state = new ScoreState(units, stage.Play, ball, stage.Clock, TurnsEnding.Of(stage));
        if (endsChanged)
        {
            state.TurnOver();
        }

        foreach (var unit in units.Where(unit => stage.Scores == Scorer.Player && !roster.Has(unit.Unit.Id)))
        {
            state.GoOff(unit, null, RunningTime.Zero);
        }

        if (state.Turn >= 0 && !units[state.Turn].IsOn)
        {
            state.PassTurn(RunningTime.Zero, RunningTime.Zero);
        }

        return state;
    }
}
