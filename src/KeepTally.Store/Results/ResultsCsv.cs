using System.Globalization;
using CsvHelper;
using KeepTally.Core.Reports;
using KeepTally.Core.Scoring;
using KeepTally.Core.Words;
using KeepTally.Store.Files;

namespace KeepTally.Store.Results;

/// <summary>Results as CSV (RFC 4180): one row for each unit of each sheet. Source: docs/formats.md, section 8.</summary>
public static class ResultsCsv
{
    private static readonly string[] Header =
    [
        "date",
        "drill",
        "stage",
        "sheet",
        "unit",
        "name",
        "players",
        "rank",
        "points",
        "attempts",
        "successes",
        "accuracy",
        "bestStreak",
        "cleared",
        "outs",
        "voids",
        "late",
        "seconds",
        "readings",
        "readingBest",
        "readingMean",
        "done",
        "played",
        "stops",
        "stopSeconds",
        "game",
        "gamesWon",
        "habits",
        "ownCount",
        "firstHalf",
    ];

    public static string Write(DateOnly date, IReadOnlyList<DrillResult> drills)
    {
        using var text = new StringWriter(CultureInfo.InvariantCulture);
        using (var csv = new CsvWriter(text, CultureInfo.InvariantCulture))
        {
            foreach (var name in Header)
            {
                csv.WriteField(name);
            }

            csv.NextRecord();
            foreach (var drill in drills)
            {
                foreach (var row in drill.Rows)
                {
                    WriteGames(csv, date, drill, row);
                }
            }
        }

        return text.ToString();
    }

    /// <summary>A row for each game: what they hold adds up to the whole. Rank and games won are of the whole.</summary>
    private static void WriteGames(CsvWriter csv, DateOnly date, DrillResult drill, DrillRow row)
    {
        if (!row.Sheet.IsSeries)
        {
            WriteRow(csv, date, drill, row, row.Report, row.Played, null);
            return;
        }

        foreach (var (index, game) in row.Sheet.Report.Games.Index())
        {
            if (game.Units.FirstOrDefault(unit => unit.Id == row.Unit.Id) is { } report)
            {
                WriteRow(csv, date, drill, row, report, row.StaysByGame[index].Count > 0, index + 1);
            }
        }
    }

    private static void WriteRow(
        CsvWriter csv,
        DateOnly date,
        DrillResult drill,
        DrillRow row,
        UnitReport unit,
        bool played,
        int? game
    )
    {
        csv.WriteField(date.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture));
        csv.WriteField(CsvCell.Guard(drill.Card.Name));
        csv.WriteField(CsvCell.Guard(drill.Stage.Name));
        csv.WriteField(CsvCell.Guard(row.Sheet.Name));
        csv.WriteField(row.Unit.Id);
        csv.WriteField(CsvCell.Guard(row.Unit.Name));
        csv.WriteField(CsvCell.Guard(string.Join(';', PlayedWords.Of(row))));
        csv.WriteField(row.Rank);
        csv.WriteField(unit.Points);
        csv.WriteField(unit.Attempts);
        csv.WriteField(unit.Successes);
        csv.WriteField(unit.Accuracy);
        csv.WriteField(unit.BestStreak);
        csv.WriteField(unit.Cleared);
        csv.WriteField(unit.Outs);
        csv.WriteField(unit.Voids);
        csv.WriteField(unit.Late);
        csv.WriteField(unit.Running.TotalSeconds);
        csv.WriteField(unit.Readings.Count);
        csv.WriteField(unit.Readings.Best);
        csv.WriteField(unit.Readings.Mean);
        csv.WriteField(unit.Done ? "true" : "false");
        csv.WriteField(played ? "true" : "false");
        csv.WriteField(CsvCell.Guard(StopWords.Of(drill.Stops)));
        csv.WriteField(StopWords.Total(drill.Stops).TotalSeconds);
        csv.WriteField(game);
        csv.WriteField(row.GamesWon);
        csv.WriteField(CsvCell.Guard(string.Join("; ", SeenRow.Lines(drill.Habits))));
        csv.WriteField(unit.OwnCount);
        csv.WriteField(unit.FirstHalf);
        csv.NextRecord();
    }
}
