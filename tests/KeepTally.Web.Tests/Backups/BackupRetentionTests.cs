using System.Globalization;
using CsCheck;
using KeepTally.Store.Backups;

namespace KeepTally.Web.Tests.Backups;

/// <summary>The daily backups that are kept.</summary>
public sealed class BackupRetentionTests
{
    private static readonly DateTime Start = new(2025, 1, 1, 3, 0, 0);

    private static readonly Gen<DateTime[]> Moments = Gen.Int[0, 700 * 24]
        .Array[0, 300]
        .Select(hours => hours.Select(hour => Start.AddHours(hour)).ToArray());

    [Fact]
    public void A_year_of_days_leaves_seven_days_four_weeks_and_twelve_months()
    {
        // Worked by hand: the last backup is of Thursday, 31 December 2026.
        var made = Enumerable.Range(0, 500).Select(day => new DateTime(2026, 12, 31, 3, 0, 0).AddDays(-day));

        var kept = BackupRetention.Keep(made).Select(moment => moment.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture)).Order();

        Assert.Equal(
            [
                "2026-01-31",
                "2026-02-28",
                "2026-03-31",
                "2026-04-30",
                "2026-05-31",
                "2026-06-30",
                "2026-07-31",
                "2026-08-31",
                "2026-09-30",
                "2026-10-31",
                "2026-11-30",
                "2026-12-13",
                "2026-12-20",
                "2026-12-25",
                "2026-12-26",
                "2026-12-27",
                "2026-12-28",
                "2026-12-29",
                "2026-12-30",
                "2026-12-31",
            ],
            kept
        );
    }

    [Fact]
    public void Whatever_was_made_the_newest_is_kept_and_never_more_than_a_day_a_week_and_a_month_each() =>
        Moments.Sample(made =>
        {
            var kept = BackupRetention.Keep(made);
            Assert.True(kept.Count <= BackupRetention.Days + BackupRetention.Weeks + BackupRetention.Months);
            Assert.Subset(made.ToHashSet(), kept.ToHashSet());
            Assert.True(made.Length == 0 || kept.Contains(made.Max()));
            Assert.All(kept, moment => Assert.True(made.Max() - moment <= BackupRetention.Longest));
            Assert.Equal(kept.Order(), BackupRetention.Keep(kept).Order());
        });

    [Fact]
    public void Day_after_day_the_kept_ones_lose_nothing_that_is_still_to_be_kept() =>
        Gen.Int[30, 420]
            .Sample(
                days =>
                {
                    var shelf = new HashSet<DateTime>();
                    for (var day = 0; day < days; day++)
                    {
                        shelf.Add(Start.AddDays(day));
                        shelf = [.. BackupRetention.Keep(shelf)];
                    }

                    Assert.Equal(
                        BackupRetention.Keep(Enumerable.Range(0, days).Select(day => Start.AddDays(day))).Order(),
                        shelf.Order()
                    );
                },
                iter: 20
            );
}
