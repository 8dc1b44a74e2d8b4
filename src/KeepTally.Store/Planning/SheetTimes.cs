using KeepTally.Core.Planning;
using KeepTally.Core.Time;
using KeepTally.Store.Tables;

namespace KeepTally.Store.Planning;

/// <summary>When the lines of a timing sheet are due while its practice runs.</summary>
public static class SheetTimes
{
    /// <summary>
    /// What the times of a sheet are counted from: when it was planned to begin. One begun more than an hour off its time is held
    /// against when it began.
    /// </summary>
    public static DateTimeOffset BeginOf(Practice practice, RunOrigin origin, TimeZoneInfo zone)
    {
        var wall = practice.Date.ToDateTime(practice.Start);
        var planned = new DateTimeOffset(wall, zone.GetUtcOffset(wall));
        var began = DateTimeOffset.FromUnixTimeMilliseconds(origin.UnixMilliseconds);
        return Math.Abs((began - planned).TotalHours) > 1 ? began : planned;
    }

    /// <summary>When each line is to begin, by its block, and what is left over at the end; what comes before a line, as a walk, is over by then.</summary>
    public static (IReadOnlyDictionary<int, Instant> Due, Duration Spare) Of(Practice practice, RunOrigin origin, TimeZoneInfo zone)
    {
        var begin = origin.InstantAt(BeginOf(practice, origin, zone));
        var (at, due) = (0.0, new Dictionary<int, Instant>());
        foreach (var line in PlanRows.Of(practice, [], [], CardShelf.Of([])).Blocks)
        {
            at += line.ChangeSeconds;
            due[line.Key!.Value] = begin + Duration.FromSeconds(at);
            at += line.Seconds;
        }

        return (due, Duration.FromSeconds((practice.Minutes * 60) - at));
    }
}
