using System.Globalization;

namespace KeepTally.Store.Backups;

/// <summary>
/// The daily backups that are kept: the newest of each of the last seven days, four weeks and twelve months that have one, and
/// none that is older than a year: nothing that was erased lives on in them for longer.
/// </summary>
public static class BackupRetention
{
    public const int Days = 7;
    public const int Weeks = 4;
    public const int Months = 12;

    /// <summary>Nothing is kept for longer.</summary>
    public static readonly TimeSpan Longest = TimeSpan.FromDays(365);

    /// <summary>Returns the moments to keep, of those at which backups were made.</summary>
    /// <param name="made">The moments, in the time of the machine, in any order.</param>
    public static IReadOnlySet<DateTime> Keep(IEnumerable<DateTime> made)
    {
        DateTime[] all = [.. made.OrderDescending()];
        DateTime[] newestFirst = [.. all.Where(moment => all[0] - moment <= Longest)];
        return (IReadOnlySet<DateTime>)
            new HashSet<DateTime>([
                .. Newest(newestFirst, Days, moment => moment.Date),
                .. Newest(newestFirst, Weeks, moment => (ISOWeek.GetYear(moment), ISOWeek.GetWeekOfYear(moment))),
                .. Newest(newestFirst, Months, moment => (moment.Year, moment.Month)),
            ]);
    }

    private static IEnumerable<DateTime> Newest<TSpan>(DateTime[] newestFirst, int count, Func<DateTime, TSpan> span) =>
        newestFirst.DistinctBy(span).Take(count);
}
