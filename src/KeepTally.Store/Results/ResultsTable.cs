using System.Globalization;
using KeepTally.Core.Identity;
using KeepTally.Core.Reports;
using KeepTally.Core.Scoring;
using KeepTally.Core.Words;
using KeepTally.Store.Files;

namespace KeepTally.Store.Results;

/// <summary>Results as a table: one row for each unit of each sheet, or for each of its games. Source: docs/formats.md, section 8.</summary>
public static class ResultsTable
{
    private static readonly Column[] Fixed =
    [
        new("Date", line => line.Date.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture)),
        new("Drill", line => (line.Drill.Card.Name)),
        new("Part", line => (line.Drill.Stage.Name)),
        new("Group", line => (line.Row.Sheet.Name)),
        new("Id", line => line.Row.Unit.Id.Value),
        new("Number", line => line.Number),
        new("Name", line => (line.Row.Unit.Name)),
        new("Players", line => (string.Join(';', PlayedWords.Of(line.Row)))),
        new("Rank", line => line.Row.Rank),
        new("Points", line => line.Unit.Points),
        new("Tries", line => line.Unit.Attempts),
        new("Made", line => line.Unit.Successes),
        new("Share made", line => line.Unit.Accuracy),
        new("Best run", line => line.Unit.BestStreak),
        new("Steps cleared", line => line.Unit.Cleared),
        new("Outs", line => line.Unit.Outs),
        new("Void", line => line.Unit.Voids),
        new("Late", line => line.Unit.Late),
        new("Seconds", line => line.Unit.Running.TotalSeconds),
        new("Readings", line => line.Unit.Readings.Count),
        new("Best reading", line => line.Unit.Readings.Best),
        new("Average reading", line => line.Unit.Readings.Mean),
        new("Done", line => line.Unit.Done ? "yes" : "no"),
        new("Played", line => line.Played ? "yes" : "no"),
        new("Teaching stops", line => (StopWords.Of(line.Drill.Stops))),
        new("Seconds stopped", line => StopWords.Total(line.Drill.Stops).TotalSeconds),
        new("Game", line => line.Game),
        new("Games won", line => line.Row.GamesWon),
        new("Habits", line => (string.Join("; ", SeenRow.Lines(line.Drill.Habits)))),
        new("Own count", line => line.Unit.OwnCount),
        new("First half", line => line.Unit.FirstHalf),
    ];

    /// <param name="practices">The results of practices, each with its day.</param>
    /// <param name="numbers">Shirt numbers of players who have one.</param>
    public static SheetTable Of(
        IReadOnlyList<(DateOnly Date, IReadOnlyList<DrillResult> Drills)> practices,
        IReadOnlyDictionary<PlayerId, int>? numbers = null
    )
    {
        Column[] columns = [.. Fixed, .. TallyColumns.Of([.. practices.SelectMany(practice => practice.Drills)])];
        return new SheetTable(
            "Results",
            [.. columns.Select(column => column.Heading)],
            [
                .. practices
                    .SelectMany(practice =>
                        practice.Drills.SelectMany(drill =>
                            drill.Rows.SelectMany(row => LinesOf(practice.Date, drill, row, numbers))
                        )
                    )
                    .Select(line => (IReadOnlyList<object?>)[.. columns.Select(column => column.Value(line))]),
            ]
        );
    }

    /// <summary>A line for each game: what they hold adds up to the whole. Rank and games won are of the whole.</summary>
    private static IEnumerable<Line> LinesOf(
        DateOnly date,
        DrillResult drill,
        DrillRow row,
        IReadOnlyDictionary<PlayerId, int>? numbers
    )
    {
        int? number = numbers is not null && numbers.TryGetValue(row.Unit.Id, out var shirt) ? shirt : null;
        if (!row.Sheet.IsSeries)
        {
            yield return new Line(date, drill, row, row.Report, row.Played, null, number);
            yield break;
        }

        foreach (var (index, game) in row.Sheet.Report.Games.Index())
        {
            if (game.Units.FirstOrDefault(unit => unit.Id == row.Unit.Id) is { } report)
            {
                yield return new Line(date, drill, row, report, row.StaysByGame[index].Count > 0, index + 1, number);
            }
        }
    }

    /// <summary>A column: its heading, and what it holds of a line.</summary>
    internal sealed record Column(string Heading, Func<Line, object?> Value);

    /// <summary>A unit in one game, or in the only one.</summary>
    internal sealed record Line(
        DateOnly Date,
        DrillResult Drill,
        DrillRow Row,
        UnitReport Unit,
        bool Played,
        int? Game,
        int? Number
    );
}
