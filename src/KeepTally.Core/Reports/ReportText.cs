using System.Globalization;
using KeepTally.Core.Judgement;
using KeepTally.Core.Text;
using KeepTally.Core.Time;
using KeepTally.Core.Words;

namespace KeepTally.Core.Reports;

/// <summary>The report of a practice in words, line by line, for a page and for a terminal.</summary>
public static class ReportText
{
    /// <summary>The whole report as plain text.</summary>
    public static IEnumerable<string> Of(PracticeReport report)
    {
        yield return report.Title;
        yield return $"{report.Team}, {report.Date.ToString("dddd d MMMM yyyy", CultureInfo.InvariantCulture)}";
        yield return "";
        foreach (var line in Whole(report))
        {
            yield return line;
        }

        foreach (var drill in report.Drills)
        {
            yield return "";
            yield return NameOf(drill);
            foreach (var line in Of(drill))
            {
                yield return $"  {line}";
            }
        }

        yield return "";
        yield return "Players";
        foreach (var player in report.Players)
        {
            yield return $"  {player.Name}: {Of(player)}";
        }

        foreach (var (head, lines) in new[] { ("Counted all practice long", report.Habits), ("Notes", Notes(report)) })
        {
            if (lines.Count > 0)
            {
                yield return "";
                yield return head;
                foreach (var line in lines)
                {
                    yield return $"  {line}";
                }
            }
        }
    }

    /// <summary>The practice as a whole, a sentence each.</summary>
    public static IEnumerable<string> Whole(PracticeReport report)
    {
        if (report.Took == Duration.Zero)
        {
            yield return "Nothing was run.";
            yield break;
        }

        var breaks = report.Breaks > Duration.Zero ? $", including {Phrase.Clock(report.Breaks)} of breaks" : "";
        if (report.StillOn)
        {
            yield return "Practice is still on. These are the results so far.";
        }

        var took = $"{(report.StillOn ? "So far" : "Ran")} {Phrase.Clock(report.Took)}{breaks}";
        yield return report.Planned is { } planned
            ? $"{took}; {Phrase.Clock(planned)} was planned for the drills that were started."
            : $"{took}.";
        if (report.Goes.Of > 0)
        {
            yield return $"{Phrase.Capital(Goes(report.Goes.Of))}: {Made(report.Goes)}.";
        }

        if (report.Loads.Count > 0)
        {
            yield return $"{Phrase.Capital(Phrase.List([.. report.Loads.OrderBy(load => load.Key, StringComparer.Ordinal).Select(Load)]))} counted for players.";
        }

        if (report.BusyShare is { } busy)
        {
            yield return $"Players were busy for {Phrase.Percent(busy)} of the running work.";
        }

        if (report.Stops.Count > 0)
        {
            yield return $"Teaching stops: {StopWords.Of(report.Stops)}; {Phrase.Clock(StopWords.Total(report.Stops))} in all.";
        }
    }

    /// <summary>"75 % made (30 of 40)".</summary>
    private static string Made(Share goes) => $"{Phrase.Percent(goes.Value)} made ({ShareWords.Plain(goes)})";

    /// <summary>The name of a drill in a report.</summary>
    public static string NameOf(DrillResult drill) => drill.Title;

    /// <summary>A drill, a sentence each.</summary>
    public static IEnumerable<string> Of(DrillResult drill)
    {
        if (!drill.Begun)
        {
            yield return NotBegun(drill);
            yield break;
        }

        if (Minutes(drill) is { Length: > 0 } minutes)
        {
            yield return minutes;
        }

        if (drill.Goes.Of > 0)
        {
            yield return $"{Phrase.Capital(Goes(drill.Goes.Of))}: {Made(drill.Goes)}.";
        }

        foreach (var line in Came(drill))
        {
            yield return line;
        }
    }

    /// <summary>Of a drill that was not started: that it was not reached, or may be yet.</summary>
    public static string NotBegun(DrillResult drill) => drill.StillOn ? "Not started yet." : "Not reached.";

    /// <summary>"Ran 3:50 of 4:00 planned. Players were busy for 75 % of the running work."; empty where neither is known.</summary>
    public static string Minutes(DrillResult drill)
    {
        string[] parts =
        [
            !drill.IsFirst || !drill.Begun ? ""
            : drill.StillOn ? $"Still running: {Phrase.Clock(drill.Took)} so far."
            : drill.Planned is { } planned ? $"Ran {Phrase.Clock(drill.Took)} of {Phrase.Clock(planned)} planned."
            : $"Ran {Phrase.Clock(drill.Took)}.",
            drill.BusyShare is { } busy ? $"Players were busy for {Phrase.Percent(busy)} of the running work." : "",
        ];
        return string.Join(' ', parts.Where(part => part.Length > 0));
    }

    /// <summary>The results of a drill besides goes: verdict, par, readings, errors in order of harm, steps of a ladder.</summary>
    public static IEnumerable<string> Came(DrillResult drill)
    {
        if (VerdictWords.Of(drill.Verdict) is { Length: > 0 } best)
        {
            yield return best;
        }

        if (drill.Par.Of > 0)
        {
            yield return $"The par was met by {ShareWords.Plain(drill.Par)}.";
        }

        if (Readings(drill) is { Length: > 0 } readings)
        {
            yield return readings;
        }

        if (drill.Errors.Count > 0)
        {
            yield return $"Errors, the worst first: {string.Join(", ", drill.Errors.Select(Of))}.";
        }

        foreach (var rung in drill.Rungs)
        {
            yield return Of(rung);
        }
    }

    /// <summary>A step of a ladder: "12 ft: 14 goes, cleared twice (on average 7 goes, 1:10)".</summary>
    public static string Of(RungWork rung) =>
        $"{Phrase.Capital(rung.Name)}: {Goes(rung.Goes)}, "
        + (
            rung.Cleared == 0
                ? "never cleared."
                : $"cleared {Phrase.Times(rung.Cleared)} (on average {Phrase.Figure(Math.Round((double)rung.Goes / rung.Cleared, 1))} goes, {Phrase.Clock(rung.Time / rung.Cleared)})."
        );

    /// <summary>A player: "24 goes, 13 made; 20 throws; busy 6:10 of 8:00".</summary>
    public static string Of(PlayerTotal player)
    {
        string[] parts =
        [
            player.Own.Of > 0 ? $"{Goes(player.Own.Of)}, {Phrase.Figure(player.Own.Made)} made" : "",
            string.Join(
                ", ",
                player.Loads.OrderBy(load => load.Key, StringComparer.Ordinal).Where(load => load.Value > 0).Select(Load)
            ),
            player.There > Duration.Zero ? $"busy {Phrase.Clock(player.Busy)} of {Phrase.Clock(player.There)}" : "",
            player.Games.Of > 0 ? $"won {ShareWords.Plain(player.Games)} {Phrase.Plural(player.Games.Of, "game")}" : "",
        ];
        return string.Join("; ", parts.Where(part => part.Length > 0)) is { Length: > 0 } told ? told : "took part";
    }

    /// <summary>The notes, those about the practice first.</summary>
    public static IReadOnlyList<string> Notes(PracticeReport report) =>
        [
            .. report.Notes.Select(note => note.Text),
            .. report
                .Drills.Where(drill => drill.IsFirst)
                .SelectMany(drill =>
                    drill
                        .Notes.Where(note => !note.OfPractice)
                        .Select(note => $"{drill.Title}{(note.Player is { } player ? $", {player}" : "")}: {note.Text}")
                ),
        ];

    /// <summary>The readings: best, mean and spread; empty where there were none.</summary>
    public static string Readings(DrillResult drill)
    {
        var read = drill.Rows.Select(row => row.Report.Readings).Where(each => each.Count > 0).ToArray();
        if (read.Length == 0)
        {
            return "";
        }

        var unit = drill.Stage.Outcomes.FirstOrDefault(outcome => outcome.Reading is not null)?.Reading ?? "";
        var mean = read.Sum(each => each.Mean!.Value * each.Count) / read.Sum(each => each.Count);
        var bests = read.Select(each => each.Best!.Value).ToArray();
        var (low, high) = (bests.Min(), bests.Max());
        var spread = read.Length > 1 ? $"; the bests of players lie between {Phrase.Figure(low)} and {Phrase.Figure(high)}" : "";
        return $"Read {Phrase.Times(read.Sum(each => each.Count))}, on average {Phrase.Figure(Math.Round(mean, 2))} {unit}{spread}.";
    }

    /// <summary>A kind of error: "wide twice (4 points)".</summary>
    public static string Of(ErrorRow error) =>
        $"{Phrase.Small(error.Label)} {Phrase.Times(error.Count)}"
        + (error.Cost > 0 ? $" ({Phrase.Figure(error.Cost)} {Phrase.Plural(error.Cost, "point")})" : "");

    private static string Goes(int count) => Phrase.Of(count, "go");

    private static string Load(KeyValuePair<string, int> load) => Phrase.Of(load.Value, load.Key);
}
