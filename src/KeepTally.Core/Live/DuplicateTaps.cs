using KeepTally.Core.Events;
using KeepTally.Core.Time;

namespace KeepTally.Core.Live;

/// <summary>
/// The same tap from two devices at nearly the same moment. Both count, since both may have happened; but often two people
/// have seen one thing, and then one of the taps is taken back.
/// </summary>
public static class DuplicateTaps
{
    /// <summary>Two people who tap the same thing are seldom further apart.</summary>
    private static readonly Duration Close = Duration.FromSeconds(3);

    /// <summary>How long a duplicate is asked about; after that both stay.</summary>
    private static readonly Duration Asked = Duration.FromSeconds(60);

    private const int LookedBack = 40;

    /// <summary>The latest two such taps of a sheet that both stand, the earlier first; null where there are none.</summary>
    public static (RunEvent.Tap First, RunEvent.Tap Second)? In(Sheet sheet, Instant at)
    {
        var events = sheet.Log.Events;
        var oldest = Math.Max(0, sheet.Log.Count - LookedBack);
        for (var i = sheet.Log.Count - 1; i > oldest && at - events[i].At < Asked; i--)
        {
            if (!sheet.Log.StandsAt(i) || sheet.Log.ReadAt(i) is not RunEvent.Tap second)
            {
                continue;
            }

            for (var j = i - 1; j >= oldest && second.At - events[j].At <= Close; j--)
            {
                // The device first: it is cheap to ask, and most often one device says it all.
                if (
                    events[j].Id.Device != second.Id.Device
                    && sheet.Log.StandsAt(j)
                    && sheet.Log.ReadAt(j) is RunEvent.Tap first
                    && IsSame(first, second)
                )
                {
                    return (first, second);
                }
            }
        }

        return null;
    }

    private static bool IsSame(RunEvent.Tap one, RunEvent.Tap other) =>
        one.Id.Device != other.Id.Device
        && one.Unit == other.Unit
        && one.Outcome == other.Outcome
        && one.Zone == other.Zone
        && one.Value == other.Value;
}
