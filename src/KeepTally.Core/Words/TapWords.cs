using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Floor;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Places;
using KeepTally.Core.Rules;
using KeepTally.Core.Rules.Effects;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Scoring;
using KeepTally.Core.Tallies;
using KeepTally.Core.Text;

namespace KeepTally.Core.Words;

/// <summary>
/// Why a tap did what it did, in words: "Third miss: this window is lost, start again." Told from how the sheet stood
/// before and after.
/// </summary>
public static class TapWords
{
    /// <summary>Why a tap of this sheet did what it did; empty for one that does not stand.</summary>
    public static string Explain(Sheet sheet, RunEvent.Tap tap, ScoreSnapshot before, ScoreSnapshot after)
    {
        if (sheet.ResultOf(tap.Id) is not { } result)
        {
            return "";
        }

        return result.Kind switch
        {
            EventResultKind.Late => Late(sheet, result, before),
            EventResultKind.Void => Void(sheet, tap, result),
            EventResultKind.Refused => Phrase.Sentence(result.Refusal!.Problem),
            EventResultKind.Counted => Counted(sheet, tap, result, before, after),
            EventResultKind.Taken or EventResultKind.Superseded => "",
        };
    }

    private static string Late(Sheet sheet, EventResult result, ScoreSnapshot before)
    {
        if (!before.Started)
        {
            return "Not started yet: this does not count.";
        }

        if (before.Done)
        {
            return "It is over: this came late and does not count.";
        }

        return result.Unit >= 0 && before.Units[result.Unit].Done
            ? $"{Name(sheet, result.Unit)} is done already: this does not count."
            : "The time is up: this came late and does not count.";
    }

    private static string Void(Sheet sheet, RunEvent.Tap tap, EventResult result) =>
        $"{Breached(sheet.Stage, tap, result.Breached!)}: this does not count.";

    private static string Breached(Stage stage, RunEvent.Tap tap, IBreach breach) => Phrase.Capital(breach.Words(stage, tap));

    private static string Counted(Sheet sheet, RunEvent.Tap tap, EventResult result, ScoreSnapshot before, ScoreSnapshot after)
    {
        var (was, now) = (before.Units[result.Unit], after.Units[result.Unit]);
        var outcome = sheet.Stage.Outcomes.FirstOrDefault(each => each.Id == tap.Outcome);
        var story = new TapStory(sheet.Stage, tap, was, now, result.Attempt);
        var rules = sheet.Stage.Rules.OfType<StageRule>().ToArray();
        string[] parts =
        [
            result.Breached is { } breach ? $"{Breached(sheet.Stage, tap, breach)}: this counts as a miss." : "",
            .. rules.Select(rule => rule.TellBall(story)),
            tap.Value is { } value && outcome?.Reading is { } unit ? $"{Phrase.Figure(value)} {unit} recorded." : "",
            PointsMoved(sheet, result.Unit, before, after, outcome),
            .. rules.Select(rule => rule.TellProgress(story)),
            Out(was, now),
            Finished(sheet, result.Unit, was, now, after),
            Passed(sheet, before, after),
            after.Done ? "" : Moved(sheet, result.Unit),
        ];
        var words = string.Join(' ', parts.Where(part => part.Length > 0));
        return words.Length > 0 ? words
            : result.OfJob ? $"Counted for {Name(sheet, result.Unit)}."
            : "Recorded.";
    }

    private static string PointsMoved(Sheet sheet, int unit, ScoreSnapshot before, ScoreSnapshot after, Outcome? outcome)
    {
        var parts = new List<string>();
        for (var i = 0; i < after.Units.Count; i++)
        {
            var moved = after.Units[i].Points - before.Units[i].Points;
            if (i == unit && outcome?.Does.Contains(OutcomeEffects.Reset) == true)
            {
                parts.Add($"{Name(sheet, i)} loses all points");
            }
            else if (moved != 0)
            {
                parts.Add(
                    moved > 0
                        ? $"{Phrase.Figure(moved)} to {Name(sheet, i)}, now {Now(sheet, after.Units[i].Points)}"
                        : $"{Phrase.Figure(-moved)} off {Name(sheet, i)}, now {Now(sheet, after.Units[i].Points)}"
                );
            }
        }

        return Phrase.Sentence(string.Join("; ", parts));
    }

    /// <summary>Where the pad shows another figure than points, it is said that these are points.</summary>
    private static string Now(Sheet sheet, double points) =>
        sheet.Stage.Measures[0].By is { } by && by != MeasureKinds.Points && (by.IsCount || by.IsReading)
            ? MeasureKinds.Points.Told(points)
            : Phrase.Figure(points);

    private static string Out(UnitSnapshot was, UnitSnapshot now) =>
        now.Outs > was.Outs ? $"That is the {Phrase.Ordinal(now.Outs)} out." : "";

    private static string Passed(Sheet sheet, ScoreSnapshot before, ScoreSnapshot after)
    {
        var parts = new List<string>();
        if (after.Ball is { } ball && ball != before.Ball)
        {
            parts.Add($"The ball goes to {Name(sheet, ball)}.");
        }

        if (after.Turn is { } turn && turn != before.Turn)
        {
            parts.Add($"{Name(sheet, turn)} is next.");
        }

        return string.Join(' ', parts);
    }

    /// <summary>The line of the pad after the tap, where it moved the places and another player now scores.</summary>
    private static string Moved(Sheet sheet, int unit)
    {
        var byTap =
            sheet.Stage.Rotate?.On is RotateTrigger.Tap or RotateTrigger.Success or RotateTrigger.Failure or RotateTrigger.Attempts;
        if (!byTap || sheet.Stage is not { Scores: Scorer.Player, Play: not Play.Turns })
        {
            return "";
        }

        return WhoIsNext(sheet, [sheet.Units[unit].Id]);
    }

    /// <summary>"Bea is next." where the lines of the pad are others' than before; empty where one of those stays.</summary>
    /// <param name="sheet">The sheet after the tap.</param>
    /// <param name="before">Whose lines they were.</param>
    public static string WhoIsNext(Sheet sheet, IReadOnlyCollection<PlayerId> before)
    {
        var there = ScoringSlots.At(sheet.Stage, sheet.UnitsOn, sheet.Floor);
        return there.Count == 0 || there.Any(before.Contains) ? ""
            : there.Count == 1 ? $"{sheet.CallNameOf(there[0])} is next."
            : $"{Phrase.List([.. there.Select(sheet.CallNameOf)])} are next.";
    }

    private static string Finished(Sheet sheet, int unit, UnitSnapshot was, UnitSnapshot now, ScoreSnapshot after)
    {
        if (after is { Done: true, Winner: { } winner } && after.Units.Count > 1)
        {
            return $"It is over: {Name(sheet, winner)} {(sheet.Stage.Play == Play.Match ? "wins" : "is first")}.";
        }

        if (after.Done)
        {
            return "It is over.";
        }

        if (now.Place is { } place && was.Place is null)
        {
            return $"{Name(sheet, unit)} leaves, {Phrase.Ordinal(place)}.";
        }

        return now.Done && !was.Done ? $"{Name(sheet, unit)} is done." : "";
    }

    private static string Name(Sheet sheet, int unit) => sheet.CallNameOf(sheet.Units[unit].Id);

    private static string Name(Sheet sheet, PlayerId unit) => sheet.CallNameOf(unit);
}
