using System.Globalization;
using KeepTally.Core.Cards;
using KeepTally.Core.Clock;
using KeepTally.Core.Places;
using KeepTally.Core.Sheets;
using KeepTally.Core.Words;

namespace KeepTally.Browser;

/// <summary>Puts a sheet into the rows of its pad: whom to tap, how each stands, who is where.</summary>
internal static class PadFace
{
    internal static SheetView Of(RunSheet sheet, long at)
    {
        var live = sheet.Sheet;
        var report = live.ReportAt(at);
        IntervalKind? interval =
            live.Timeline is { } timeline && live.Sheet.Clock.IsStarted ? timeline.At(live.Sheet.Clock.At(at)).Kind : null;
        var resting = interval is IntervalKind.Change or IntervalKind.Break;
        var slots = ScoringSlots.At(live.Stage, live.UnitsOn, live.Floor, interval);
        var everyone = slots.Count > 1 && slots.Count == live.UnitsOn.Count;
        return new SheetView(
            sheet.Id,
            report.Done,
            ResultOf(live, report),
            sheet.Stop is null ? "" : OwnClock(live, at),
            sheet.Stop is { } stop ? $"Group {Letters.Of(stop.Group)}" : "",
            [.. slots.Select(unit => Row(live, report, unit, resting, everyone))],
            // On the way to the next station the places of this one are nobody's any more.
            LiveRun.HasStood(sheet)
                ? []
                : [.. PeopleOf(live, resting)]
        );
    }

    /// <summary>A station keeps its own rounds within the circuit's.</summary>
    private static string OwnClock(LiveSheet live, long at)
    {
        if (live.Timeline is not { } timeline || live.Sheet.Clock is not { IsStarted: true, IsPaused: false })
        {
            return "";
        }

        var elapsed = live.Sheet.Clock.At(at);
        var interval = timeline.At(elapsed);
        var left = interval.Kind == IntervalKind.Over ? "" : $", {ClockFace.Down(interval.End - elapsed)}";
        return interval.Kind switch
        {
            IntervalKind.CountIn => $"get ready{left}",
            IntervalKind.Work when timeline.Plan.Rounds > 1 => $"round {interval.Round} of {timeline.Plan.Rounds}{left}",
            IntervalKind.Work => $"work{left}",
            IntervalKind.Change => $"change over{left}",
            IntervalKind.Break => $"rest{left}",
            IntervalKind.Over => "time",
        };
    }

    private static string MembersOf(LiveSheet live, string unit) =>
        string.Join(", ", live.Sheet.Roll.Of(unit).Select(live.CallNameOf));

    private static RowView Row(LiveSheet live, SheetReport report, string? unit, bool resting, bool everyone)
    {
        if (unit is null)
        {
            return RowView.Nobody;
        }

        var tally = report.Units.First(each => each.Id == unit);
        var score = ScoreOf(live.Stage, tally);
        return new RowView(
            unit,
            live.Units.First(each => each.Id == unit).Name,
            Figure(score),
            live.Stage.Measures[0].By is MeasureBy.ReadingBest or MeasureBy.ReadingMean
                ? 0
                : (int)Math.Clamp(Math.Floor(score), 0, 30),
            DetailOf(live.Stage, tally),
            GateOf(live.Stage, tally),
            tally.Streak >= 2 ? $"{tally.Streak} in a row" : "",
            tally.Done,
            resting && live.Floor.Rotations > 0,
            everyone && report.Ranking.Count(each => each.Rank == 1) == 1 && report.Ranking[0].Unit == unit && tally.Attempts > 0,
            tally.Asked is { } asked ? Phrase.Words(asked) : "",
            [.. live.Barred(unit).Select(tag => $"{tag.Tag}={tag.Value}")],
            report.Turn is { } turn && turn != unit,
            report.Ball == unit && !report.Done,
            WithheldFrom(live, report, unit),
            live.Stage.Scores == Scorer.Player ? "" : MembersOf(live, unit)
        );
    }

    /// <summary>An outcome that belongs to the side with the ball is not offered to the other; nor one side's own to any other.</summary>
    private static List<string> WithheldFrom(LiveSheet live, SheetReport report, string unit) =>
        live
            .Stage.Outcomes.Where(outcome =>
                outcome.By switch
                {
                    TappedBy.Ball => report.Ball is { } ball && ball != unit,
                    TappedBy.OffBall => report.Ball == unit,
                    TappedBy.Named named => named.Side != unit,
                    _ => false,
                }
            )
            .Select(outcome => outcome.Id)
            .ToList();

    /// <summary>The figure beside the name: what the stage ranks by where that is a count or a reading, else the points.</summary>
    private static double ScoreOf(Stage stage, UnitReport unit) =>
        stage.Measures[0].By
            is MeasureBy.Cleared
                or MeasureBy.Successes
                or MeasureBy.BestStreak
                or MeasureBy.ReadingBest
                or MeasureBy.ReadingMean
            ? unit.Value(stage.Measures[0].By) ?? 0
            : unit.Points;

    private static string ResultOf(LiveSheet live, SheetReport report)
    {
        if (!report.Done || report.Units.Count < 2)
        {
            return "";
        }

        if (report.Winner is not { } winner)
        {
            return "Level at the top";
        }

        var name = live.Units.First(each => each.Id == winner).Name;
        var points = report.Ranking.Select(each => Figure(report.Units.First(unit => unit.Id == each.Unit).Points));
        return live.Stage.Play == Play.Match ? $"{name} win, {string.Join(" to ", points)}" : $"{name} first";
    }

    private static string DetailOf(Stage stage, UnitReport unit)
    {
        if (stage.Ladder is { } ladder)
        {
            return unit.Done && unit.Lap >= ladder.Laps
                ? $"All {unit.Cleared} done, {ClockFace.Up(unit.Running)}"
                : $"{RungName(ladder, unit.Rung)} · {WindowWords(ladder, unit)}";
        }

        if (stage.Targets is { } targets)
        {
            var answered = unit.Zones.Sum(asked => asked.Value.Sum(landed => landed.Value));
            return $"{unit.Counts[^2].Value} of {answered}" + (unit.Done ? "" : $", {targets.Asked - answered} to go");
        }

        var countsMisses = stage.Outcomes.Any(outcome => outcome.Result == OutcomeResult.Failure);
        return countsMisses && unit.Attempts > 0 ? $"{unit.Successes} of {unit.Attempts}" : "";
    }

    private static string RungName(Ladder ladder, int rung) =>
        ladder.Rungs switch
        {
            Rungs.Named named => char.ToUpperInvariant(named.Names[rung][0]) + named.Names[rung][1..],
            Rungs.Distances distances => $"{Figure(distances.At(rung))} {distances.Unit}",
            _ => "",
        };

    private static string WindowWords(Ladder ladder, UnitReport unit) =>
        ladder.Pass switch
        {
            Pass.Window window => $"{unit.Window.Made} of {window.Successes}",
            Pass.Makes makes => $"{unit.Window.Made} of {makes.Successes}",
            Pass.InARow run => $"{unit.Window.Made} of {run.Streak} in a row",
            _ => "",
        };

    private static string GateOf(Stage stage, UnitReport unit) =>
        stage.Ladder?.Pass switch
        {
            Pass.Window window when !unit.Done => string.Concat(unit.Window.Hits.Select(hit => hit ? 'h' : 'm'))
                .PadRight(Math.Min(window.Of, 20), '-'),
            Pass.InARow run when !unit.Done => new string('h', unit.Window.Made).PadRight(Math.Min(run.Streak, 20), '-'),
            _ => "",
        };

    /// <summary>Everyone on the floor with the place now and the place next; while places move on, where from and where to.</summary>
    private static IEnumerable<PersonView> PeopleOf(LiveSheet live, bool resting)
    {
        if (live.Stage.Places.Count == 0)
        {
            yield break;
        }

        var moving = resting && live.Floor.Rotations > 0;
        var from = moving ? live.Floor.Before : live.Floor.Now;
        var next = live.Floor.NextPlaces();
        foreach (var player in live.Sheet.Roll.Everyone.OrderBy(player => OrderOf(from, player)))
        {
            yield return new PersonView(
                live.CallNameOf(player),
                from.Of(player)?.Name ?? "waiting",
                (moving ? live.Floor.Now.Of(player) : next.GetValueOrDefault(player))?.Name ?? "waiting",
                moving
            );
        }
    }

    private static int OrderOf(Placement placement, string player) =>
        placement.Of(player) is { } place ? placement.Places.ToList().IndexOf(place) : int.MaxValue;

    private static string Figure(double number) => number.ToString("0.##", CultureInfo.InvariantCulture);
}
