using KeepTally.Core.Cards;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Scoring;
using KeepTally.Core.Text;

namespace KeepTally.Core.Words;

/// <summary>Several games on one sheet in words.</summary>
public static class GameWords
{
    /// <summary>"Game 2. Won so far: Plain 1, Striped 0. Ends changed."; empty in the first game.</summary>
    public static string Standing(Score score)
    {
        var earlier = score.EarlierGames;
        if (earlier.Count == 0)
        {
            return "";
        }

        var won = score
            .Units.Select(unit => (unit.Name, Won: earlier.Count(game => game.Winner == unit.Id)))
            .Where(unit => score.Stage.Play == Play.Match || unit.Won > 0)
            .Select(unit => $"{unit.Name} {unit.Won}")
            .ToArray();
        var level = earlier.Count(game => game.Winner is null);
        return $"Game {earlier.Count + 1}."
            + (won.Length > 0 && earlier.Count > level ? $" Won so far: {string.Join(", ", won)}." : "")
            + (level > 0 && score.Units.Count > 1 ? $" {Phrase.Capital(Phrase.Of(level, "game"))} level." : "")
            + (score.EndsChanged ? " Ends changed." : "");
    }

    /// <summary>"Plain 11, Striped 8: Plain won": one game, the first in rank first; one still being played is not over.</summary>
    public static string Line(Stage stage, DrillSheet sheet, ScoreReport game)
    {
        var verdict = Verdict.OfSheet(stage, sheet with { Report = game with { Earlier = [] } }, open: !game.Done);
        var measure = stage.Measures[0];
        var figures = verdict.Ranked.Select(row =>
            $"{row.Unit.Name} {(row.Report.Value(measure) is { } value ? measure.By.Figure(value) : "–")}"
        );
        var ending = verdict switch
        {
            { IsOpen: true } => "not over",
            { First: { } first, Kind: VerdictKind.Won } => $"{first.Unit.Name} won",
            { First: { } first } => $"{first.Unit.Name} first",
            { Kind: VerdictKind.Level } => "level",
            { Kind: VerdictKind.NobodyHadGo } => "nobody had a go",
            _ => "",
        };
        return string.Join(": ", new[] { string.Join(", ", figures), ending }.Where(part => part.Length > 0));
    }
}
