using KeepTally.Core.Cards;
using KeepTally.Core.Rules.Endings;
using KeepTally.Core.Rules.Ladders;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Rules.Zones;
using KeepTally.Core.Simulation;
using KeepTally.Core.Simulation.Exact;
using KeepTally.Core.Text;
using KeepTally.Core.Time;

namespace KeepTally.Core.Words;

/// <summary>The forecast of a drill in sentences.</summary>
public static class SimulationWords
{
    /// <summary>"7 of 10 runs"; "in hardly any run" and "in nearly every run" where tenths would claim too much.</summary>
    public static string Tries(double share) =>
        share <= 0 ? "in no run"
        : share >= 1 ? "in every run"
        : share < 0.05 ? "in hardly any run"
        : share > 0.95 ? "in nearly every run"
        : $"in {Phrase.Figure(Math.Round(10 * share, MidpointRounding.AwayFromZero))} of 10 runs";

    /// <summary>The expected results, one sentence each.</summary>
    /// <param name="stage">The stage of the card.</param>
    /// <param name="fit">The simulation.</param>
    /// <param name="given">The time there is for it; null where it does not matter.</param>
    public static IReadOnlyList<string> Of(Stage stage, SimulationReport fit, Duration? given)
    {
        var words = new List<string>();
        var match = stage.Play == Play.Match;
        if (Ends(stage))
        {
            words.Add(
                given is { } time
                    ? $"It finishes within {Phrase.Span(time)} {Tries(fit.PlayedOut)}."
                    : $"It finishes {Tries(fit.PlayedOut)}."
            );
        }

        words.Add(Lasts(fit));
        words.Add(
            $"{(match ? "Rallies" : "Goes")}: about {Figure(fit.Reps.Mean)}, in most runs {Phrase.Figure(fit.Reps.Tenth)} to {Phrase.Figure(fit.Reps.NineTenths)}."
        );
        if (match)
        {
            words.AddRange(fit.Units.Select(Wins));
            return words;
        }

        var one = fit.Units[0];
        if (stage.Ladder is not null)
        {
            words.Add(Steps(one));
        }

        if (HasPoints(one))
        {
            words.Add(Points(one));
            if (one.Apart > 0)
            {
                words.Add(
                    $"Among {Phrase.Count(UnitSimulation.Alike)} equal players or groups, the best and the last end {Figure(one.Apart)} {Phrase.Plural(one.Apart, "point")} apart on average, by luck alone."
                );
            }
        }

        if (stage.Par is { } par)
        {
            words.Add($"The par of {par.By.Told(par.Value)} is met {Tries(one.ParMet)}.");
        }

        return words;
    }

    /// <summary>How long a run lasts.</summary>
    public static string Lasts(SimulationReport fit) =>
        $"Usually it lasts {Clock(fit.Seconds.Half)}: one run in ten is over by {Clock(fit.Seconds.Tenth)}, nine in ten by {Clock(fit.Seconds.NineTenths)}.";

    /// <summary>The steps of a ladder that a unit clears.</summary>
    public static string Steps(UnitSimulation unit) =>
        $"Steps cleared: about {Figure(unit.Cleared.Mean)}, in most runs {Phrase.Figure(unit.Cleared.Tenth)} to {Phrase.Figure(unit.Cleared.NineTenths)}.";

    /// <summary>The points that a unit ends with.</summary>
    public static string Points(UnitSimulation unit) =>
        $"Points: about {Figure(unit.Points.Mean)}. With exactly this skill, luck alone puts 8 of 10 runs between {Phrase.Figure(unit.Points.Tenth)} and {Phrase.Figure(unit.Points.NineTenths)}.";

    /// <summary>Whether a unit ever ends with points other than none.</summary>
    public static bool HasPoints(UnitSimulation unit) => unit.Points.Deviation > 0 || unit.Points.Mean != 0;

    /// <summary>How often a side wins.</summary>
    public static string Wins(UnitSimulation unit) => $"{Phrase.Capital(Phrase.Words(unit.Unit.Value))} wins {Tries(unit.Wins)}.";

    /// <summary>How long it would take if time did not end it; nothing where only time does.</summary>
    /// <param name="stage">The stage of the card.</param>
    /// <param name="whole">The simulation without a limit of time; null where time alone ends it.</param>
    /// <param name="exact">What can be calculated without playing; null where nothing can.</param>
    public static IReadOnlyList<string> LetRun(Stage stage, SimulationReport? whole, ExactAnswer? exact)
    {
        if (whole is null)
        {
            return [];
        }

        var calculated = exact is null
            ? ""
            : $" Calculated exactly, that is {Figure(exact.Reps)} {(stage.Play == Play.Match ? "rallies" : "goes")} on average; simulated, {Figure(whole.Reps.Mean)}.";
        return whole.Finished < 0.5
            ? ["Without a time limit it would hardly ever end."]
            :
            [
                $"Without a time limit it usually takes {Clock(whole.Seconds.Half)}; one run in ten takes {Clock(whole.Seconds.NineTenths)} or longer.{calculated}",
            ];
    }

    /// <summary>A drill on a timing sheet in one sentence: what it needs against what it was given.</summary>
    /// <param name="stage">The stage of the card.</param>
    /// <param name="within">As it is played in the time it was given.</param>
    /// <param name="whole">As it is played until it ends; null where only the time ends it.</param>
    /// <param name="given">The time given.</param>
    public static string InTime(Stage stage, SimulationReport within, SimulationReport? whole, Duration given)
    {
        if (whole is null || !Ends(stage))
        {
            var goes =
                stage.Play == Play.Match ? "rallies"
                : stage.Scores == Scorer.Player ? "goes each"
                : "goes of a group";
            return $"About {Figure(within.Reps.Mean)} {goes} in {Phrase.Span(given)}.";
        }

        var lasts =
            whole.Seconds.Half > given.TotalSeconds
                ? $"usually takes {Clock(whole.Seconds.Half)}"
                : $"is usually over after {Clock(whole.Seconds.Half)}";
        return $"It {lasts} and has {Clock(given.TotalSeconds)}: it finishes {Tries(within.PlayedOut)}.";
    }

    /// <summary>How often a player meets the par in the time there is: "the par of 12 is met in 7 of 10 runs of 8 minutes".</summary>
    public static string ParOf(Par par, SimulationReport fit, Duration given) =>
        $"With this record, the par of {par.By.Told(par.Value)} is met {Tries(fit.Units[0].ParMet)} of {Phrase.Span(given)}.";

    /// <summary>A whole timing sheet, if each drill is let run till the last is done.</summary>
    /// <param name="sheet">The simulation of the sheet.</param>
    /// <param name="unfinished">The drill likeliest not to be played out in what it was given, and how often it is not; null where none is.</param>
    public static IReadOnlyList<string> OfSheet(SheetSimulation sheet, (string Name, double Share)? unfinished)
    {
        var given = Phrase.Span(Duration.FromSeconds(sheet.Given));
        var words = new List<string>
        {
            double.IsFinite(sheet.Half)
                ? $"With no time limit on any drill, the practice fits into {given} {Tries(sheet.OnTime)}. Usually it takes {Clock(sheet.Half)}."
                : $"With no time limit on any drill, the practice fits into {given} {Tries(sheet.OnTime)}. Usually one of the drills would hardly ever end.",
        };
        if (unfinished is { Share: > 0 } most)
        {
            words.Add(
                $"In the planned minutes, {most.Name} is the drill most likely to be left unfinished by a player or a group."
            );
        }

        return words;
    }

    /// <summary>Its own rules end it, whatever the time.</summary>
    public static bool Ends(Stage stage) =>
        stage.Until.Any(ending => ending is not TimeEnding) || stage.Ladder?.Rungs.Count is not null || stage.Targets is not null;

    /// <summary>The start that would make a match even; empty where it is even, or where none can be found.</summary>
    public static string Even(EvenStart? start) =>
        start is null
            ? ""
            : $"A start of {Phrase.Of(start.Points, "point")} for {Phrase.Words(start.Side.Value)} would make it even: with it, {Phrase.Words(start.Side.Value)} wins {Tries(start.Chance)}.";

    private static string Clock(double seconds) => Phrase.Clock(Duration.FromSeconds(Math.Round(seconds)));

    private static string Figure(double value) =>
        Phrase.Figure(Math.Round(value, value < 20 ? 1 : 0, MidpointRounding.AwayFromZero));
}
