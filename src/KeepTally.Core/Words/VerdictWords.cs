using KeepTally.Core.Cards;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Rules.Streaks;
using KeepTally.Core.Scoring;
using KeepTally.Core.Text;

namespace KeepTally.Core.Words;

/// <summary>The verdict as one sentence, the same everywhere it is shown.</summary>
public static class VerdictWords
{
    private const int MostNamed = 3;

    /// <summary>
    /// "Plain won, 11 to 8.", "Plain won with a block, 4 to 6.", "Ada first with 11 points.", "Ada and Bea level with 4 points.",
    /// "Nobody had a go."; empty where there is nothing to compare.
    /// </summary>
    /// <param name="verdict">The verdict on the drill.</param>
    /// <param name="name">A row's name; the unit's own where it is left out.</param>
    public static string Of(Verdict verdict, Func<DrillRow, string>? name = null)
    {
        name ??= static row => row.Unit.Name;
        return verdict.Kind switch
        {
            VerdictKind.NoScores or VerdictKind.Alone => "",
            VerdictKind.NotBegun => verdict.IsOpen ? "Not started yet." : "Not reached.",
            VerdictKind.NobodyHadGo => verdict.IsOpen ? "Nobody has had a go yet." : "Nobody had a go.",
            VerdictKind.OnlyOneHadGo => $"Only {name(verdict.Top[0])} {(verdict.IsOpen ? "has had" : "had")} a go.",
            VerdictKind.ByCourt => string.Join(' ', verdict.Courts.Select(court => Court(court, name))),
            VerdictKind.Level => Level(verdict, name),
            VerdictKind.First => First(verdict, name),
            VerdictKind.Won => Won(verdict, name),
        };
    }

    private static string Court(Verdict court, Func<DrillRow, string> name) =>
        court.Ranked is [var first, ..] ? $"{first.Sheet.Name}: {Of(court, name)}" : Of(court, name);

    private static string Level(Verdict verdict, Func<DrillRow, string> name)
    {
        // A long list of names is not read out.
        var names =
            verdict.Top.Count > MostNamed
                ? Phrase.Capital(Phrase.Count(verdict.Top.Count))
                : Phrase.List([.. verdict.Top.Select(name)], "and");
        var soFar = verdict.IsOpen ? " so far" : "";
        return verdict.Stage.Play == Play.Match && verdict.Top[0].Sheet.IsSeries
            ? $"{names} level{soFar}: {Phrase.Of(verdict.Top[0].GamesWon ?? 0, "game")} each."
            : $"{names} level{soFar}{With(verdict, verdict.Top[0], verdict.Stage.Measures[0])}.";
    }

    private static string First(Verdict verdict, Func<DrillRow, string> name)
    {
        var (first, soFar) = (verdict.Top[0], verdict.IsOpen ? " so far" : "");
        if (verdict.Stage.Play == Play.Match)
        {
            return $"{name(first)} ahead{soFar}{Score(verdict)}.";
        }

        return $"{name(first)} first{soFar}{With(verdict, first, verdict.Decider)}.";
    }

    private static string Won(Verdict verdict, Func<DrillRow, string> name)
    {
        var first = verdict.Top[0];
        if (first.Sheet.IsSeries)
        {
            return Games(verdict, name);
        }

        var how =
            first.Sheet.Report.WonWith is { } id
            && verdict.Stage.Outcomes.FirstOrDefault(outcome => outcome.Id == id) is { } outcome
                ? $" with {Phrase.NameOf(outcome)}"
                : "";
        return verdict.Stage.Play == Play.Match
            ? $"{name(first)} won{how}{Score(verdict)}."
            : $"{name(first)} won{how}{With(verdict, first, verdict.Decider)}.";
    }

    /// <summary>Over several games; where they were shared, what parted the sides.</summary>
    private static string Games(Verdict verdict, Func<DrillRow, string> name)
    {
        var (first, next) = (verdict.Ranked[0], verdict.Ranked[1]);
        var soFar = verdict.IsOpen ? " so far" : "";
        return first.GamesWon > next.GamesWon
            ? $"{name(first)} won{soFar}, {Phrase.Figure(first.GamesWon ?? 0)} {Phrase.Plural(first.GamesWon ?? 0, "game")} to {Phrase.Figure(next.GamesWon ?? 0)}."
            : $"{Phrase.Capital(Phrase.Of(first.GamesWon ?? 0, "game"))} each{soFar}; {name(first)} first{With(verdict, first, verdict.Decider)}.";
    }

    /// <summary>", 11 to 8": the points of the sides of one court, the winner's first.</summary>
    private static string Score(Verdict verdict)
    {
        var court = verdict.Ranked.Where(row => row.Sheet == verdict.Top[0].Sheet).Select(row => Phrase.Figure(row.Report.Points));
        return ", " + string.Join(" to ", court);
    }

    private static string With(Verdict verdict, DrillRow row, Measure? measure)
    {
        if (measure is null || row.Report.Value(measure) is not { } value)
        {
            return "";
        }

        return measure.By == MeasureKinds.Seconds ? $" in {Phrase.Clock(row.Report.Running)}"
            : measure.By.IsReading ? $" with {measure.By.Told(value)} {Unit(verdict.Stage)}".TrimEnd()
            : measure.By == MeasureKinds.BestStreak ? $" with {Phrase.Figure(value)} {StreakWords.Kind(verdict.Stage)}"
            : $" with {measure.By.Told(value)}";
    }

    /// <summary>The unit of a stage's readings; empty where none is given.</summary>
    private static string Unit(Stage stage) => stage.Outcomes.FirstOrDefault(outcome => outcome.Reading is not null)?.Reading ?? "";
}
