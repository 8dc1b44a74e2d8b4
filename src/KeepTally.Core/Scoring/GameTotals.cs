using KeepTally.Core.Cards;
using KeepTally.Core.Identity;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Time;

namespace KeepTally.Core.Scoring;

/// <summary>The totals of a unit over all games of a sheet.</summary>
public static class GameTotals
{
    /// <summary>
    /// Counts and times are added up, bests are the best of all, and what tells of a moment (the rung, what is asked) is of the
    /// last game. A unit that came in later is in the later games only.
    /// </summary>
    public static UnitReport Of(Stage stage, IReadOnlyList<ScoreReport> games, PlayerId unit)
    {
        UnitReport[] own = [.. games.SelectMany(game => game.Units).Where(each => each.Id == unit)];
        return own.Length == 1
            ? own[0]
            : own[^1] with
            {
                Points = own.Sum(game => game.Points),
                Attempts = own.Sum(game => game.Attempts),
                Successes = own.Sum(game => game.Successes),
                BestStreak = own.Max(game => game.BestStreak),
                Outs = own.Sum(game => game.Outs),
                Voids = own.Sum(game => game.Voids),
                Late = own.Sum(game => game.Late),
                OwnCount = own.Any(game => game.OwnCount is not null) ? own.Sum(game => game.OwnCount ?? 0) : null,
                FirstHalf = null,
                Cleared = own.Sum(game => game.Cleared),
                Reach = own.Max(game => game.Reach),
                Place = own.Min(game => game.Place),
                Finished = own.All(game => game.Finished),
                Running = own.Aggregate(Duration.Zero, (total, game) => total + game.Running),
                Zones = Together(own.SelectMany(game => game.Zones)),
                Counts = Together(own.SelectMany(game => game.Counts)),
                Tags =
                [
                    .. own.SelectMany(game => game.Tags)
                        .GroupBy(tag => tag.Tag)
                        .Select(tag => new TagReport(tag.Key, Together(tag.SelectMany(game => game.Values)))),
                ],
                Readings = Together(stage, [.. own.Select(game => game.Readings)]),
            };
    }

    private static IReadOnlyList<KeyValuePair<string, IReadOnlyList<KeyValuePair<string, int>>>> Together(
        IEnumerable<KeyValuePair<string, IReadOnlyList<KeyValuePair<string, int>>>> rows
    ) =>
        [.. rows.GroupBy(row => row.Key).Select(row => KeyValuePair.Create(row.Key, Together(row.SelectMany(each => each.Value))))];

    private static IReadOnlyList<KeyValuePair<string, int>> Together(IEnumerable<KeyValuePair<string, int>> counts) =>
        [.. counts.GroupBy(count => count.Key).Select(count => KeyValuePair.Create(count.Key, count.Sum(each => each.Value)))];

    private static ReadingsReport Together(Stage stage, IReadOnlyList<ReadingsReport> readings)
    {
        var count = readings.Sum(each => each.Count);
        var low = stage.Measures.FirstOrDefault(measure => measure.By.IsReading)?.Better == Better.Low;
        return new ReadingsReport(
            count,
            low ? readings.Min(each => each.Best) : readings.Max(each => each.Best),
            count == 0 ? null : readings.Sum(each => each.Mean * each.Count) / count,
            readings.LastOrDefault(each => each.Last is not null)?.Last
        );
    }
}
