using KeepTally.Core.Cards;
using KeepTally.Core.Identity;
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
    public static string Line(Stage stage, ScoreReport game, Func<PlayerId, string> name)
    {
        var measure = stage.Measures[0].By;
        var figures = game.Ranking.Select(ranked =>
        {
            var unit = game.Units.First(each => each.Id == ranked.Unit);
            return $"{name(ranked.Unit)} {(unit.Value(measure) is { } value ? measure.Figure(value) : "–")}";
        });
        var ending =
            game.Units.Count < 2 ? ""
            : game.Winner is { } winner ? $": {name(winner)} {(stage.Play == Play.Match ? "won" : "first")}"
            : game.Done ? ": level"
            : ": not over";
        return string.Join(", ", figures) + ending;
    }
}
