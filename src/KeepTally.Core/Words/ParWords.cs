using KeepTally.Core.Cards;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Scoring;
using KeepTally.Core.Text;

namespace KeepTally.Core.Words;

/// <summary>How a unit stands to the par of its stage, in a few words.</summary>
public static class ParWords
{
    /// <summary>The par is met.</summary>
    public const string Met = "par met";

    /// <summary>"par met", "3 to par", "over par"; empty where no par is set, it had no go, or its time says nothing because it did not finish.</summary>
    public static string Of(Stage stage, UnitReport unit)
    {
        if (stage.Par is not { } par || !unit.HadGo)
        {
            return "";
        }

        // A time that still runs is told against the par; one that was cut short is not.
        if ((unit.Done ? ParJudge.ValueOf(stage, unit) : unit.Value(par.By)) is not { } value)
        {
            return "";
        }

        return ParJudge.BetterOf(stage, par.By) == Better.High
            ? value >= par.Value
                ? Met
                : unit.Done
                    ? "below par"
                    : par.By.IsCount
                        ? $"{Phrase.Figure(par.Value - value)} to par"
                        : $"par {par.By.Figure(par.Value)}"
            : value > par.Value
                ? "over par"
                : unit.Done || par.By.IsReading
                    ? Met
                    : $"par {par.By.Figure(par.Value)}";
    }
}
