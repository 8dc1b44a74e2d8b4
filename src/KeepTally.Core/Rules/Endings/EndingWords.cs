using KeepTally.Core.Cards;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Text;

namespace KeepTally.Core.Rules.Endings;

/// <summary>When it is over, and who is ahead, in words.</summary>
internal static class EndingWords
{
    /// <summary>"first to 11 with a lead of 2, or when 8 minutes are up".</summary>
    internal static string Over(Stage stage)
    {
        if (stage.Until.Count > 0)
        {
            return string.Join(", or ", stage.Until.Select(ending => One(stage, ending)));
        }

        return stage switch
        {
            { Ladder.Rungs.Count: not null } => "over when the last step is cleared",
            { Targets: not null } => "over after the last ball asked",
            { Clock: not null } => "played until the clock runs out",
            _ => "over when the coach ends it",
        };
    }

    internal static IEnumerable<string> Horn(Stage stage)
    {
        if (stage.Until.OfType<Ending.Time>().FirstOrDefault() is { } time)
        {
            yield return time.After == AtTheHorn.Cut
                ? "At the horn counting stops."
                : "The play under way at the horn still counts.";
        }
        else if (stage is { Until.Count: 0, Clock: not null, Ladder: null, Targets: null, Outcomes.Count: > 0 })
        {
            yield return "The last ball counts, until the coach ends it.";
        }
    }

    /// <summary>How units are ranked; empty where most points is all there is to say.</summary>
    internal static string Ranked(Stage stage)
    {
        var plain = stage.Measures is [{ By: MeasureBy.Points, Better: Better.High }];
        if (plain || stage.Scores == Scorer.None)
        {
            return "";
        }

        return Phrase.Sentence("ranked by " + string.Join(", then by ", stage.Measures.Select(measure => Measure(stage, measure))));
    }

    internal static string Par(Stage stage) => stage.Par is { } par ? Phrase.Sentence($"par: {Value(par.By, par.Value)}") : "";

    private static string One(Stage stage, Ending ending)
    {
        var match = stage.Play == Play.Match;
        return ending switch
        {
            Ending.Points points => (match ? "first to " : "done at ")
                + Phrase.Figure(points.AtLeast)
                + (match ? "" : Phrase.Plural(points.AtLeast, " point"))
                + (points.Lead > 0 ? $" with a lead of {Phrase.Figure(points.Lead)}" : ""),
            Ending.Attempts attempts => Phrase.Of(attempts.Count, "go") is var goes && attempts.Count != 1
                ? $"{Phrase.Count(attempts.Count)} goes {Share(match)}"
                : $"{goes} {Share(match)}",
            Ending.Successes successes => $"{(match ? "first to" : "done at")} {Phrase.Of(successes.Count, "make")}",
            Ending.Streak streak => $"{(match ? "first to" : "done at")} {Phrase.Count(streak.Count)} in a row",
            Ending.Outs outs => $"over at {Phrase.Of(outs.Count, "out")}",
            Ending.Taps taps => $"over after {Phrase.Of(taps.Count, "tap")} {Share(match)}",
            Ending.Time time when stage.Play == Play.Turns => $"a turn lasts {Phrase.Span(time.Milliseconds)}",
            Ending.Time time => $"over after {Phrase.Span(time.Milliseconds)}",
            _ => "",
        };
    }

    private static string Share(bool match) => match ? "between them" : "each";

    internal static string Measure(Stage stage, Measure measure)
    {
        var high = measure.Better == Better.High;
        return measure.By switch
        {
            MeasureBy.Points => high ? "most points" : "fewest points",
            MeasureBy.Successes => high ? "most makes" : "fewest makes",
            MeasureBy.Attempts => high ? "most goes" : "fewest goes",
            MeasureBy.Accuracy => high ? "the best share made" : "the lowest share made",
            MeasureBy.BestStreak => high ? "the longest run" : "the shortest run",
            MeasureBy.Cleared => high ? "most steps cleared" : "fewest steps cleared",
            MeasureBy.Seconds => high ? "the longest time" : "the quickest time",
            MeasureBy.Outs => high ? "most outs" : "fewest outs",
            MeasureBy.Place => high ? "who left last" : "who left first",
            MeasureBy.ReadingBest => Reading(stage, high, "single go", "in one go"),
            MeasureBy.ReadingMean => Reading(stage, high, "average", "on average"),
            MeasureBy.Late => high ? "most late taps" : "fewest late taps",
            MeasureBy.Voids => high ? "most that did not count" : "fewest that did not count",
        };
    }

    private static string Reading(Stage stage, bool high, string of, string counted) =>
        (stage.Outcomes.Select(outcome => outcome.Reading).FirstOrDefault(reading => reading is not null), high) switch
        {
            ("s", false) => $"the quickest {of}",
            ("s" or "m", true) => $"the longest {of}",
            ("m", false) => $"the shortest {of}",
            ("km/h", true) => $"the fastest {of}",
            ("km/h", false) => $"the slowest {of}",
            (null, true) => $"the highest {of}",
            (null, false) => $"the lowest {of}",
            (var unit, true) => $"the most {unit} {counted}",
            (var unit, false) => $"the fewest {unit} {counted}",
        };

    private static string Value(MeasureBy by, double value) =>
        by switch
        {
            MeasureBy.Points => $"{Phrase.Figure(value)} {Phrase.Plural(value, "point")}",
            MeasureBy.Successes => $"{Phrase.Figure(value)} {Phrase.Plural(value, "make")}",
            MeasureBy.Attempts => $"{Phrase.Figure(value)} goes",
            MeasureBy.Accuracy => $"{Phrase.Figure(value * 100)} in a hundred made",
            MeasureBy.BestStreak => $"{Phrase.Figure(value)} in a row",
            MeasureBy.Cleared => $"{Phrase.Figure(value)} {Phrase.Plural(value, "step")} cleared",
            MeasureBy.Seconds => Phrase.Span((long)(value * 1000)),
            MeasureBy.Outs => $"{Phrase.Figure(value)} {Phrase.Plural(value, "out")}",
            MeasureBy.Place => $"{Phrase.Ordinal((int)value)} place",
            MeasureBy.ReadingBest or MeasureBy.ReadingMean => Phrase.Figure(value),
            MeasureBy.Late => $"{Phrase.Figure(value)} late",
            MeasureBy.Voids => $"{Phrase.Figure(value)} that do not count",
        };
}
