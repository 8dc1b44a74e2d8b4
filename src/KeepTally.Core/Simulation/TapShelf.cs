using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Simulation;

/// <summary>The taps of a simulation. They are the same in every run, so each is made once.</summary>
/// <param name="device">The device that is said to have tapped.</param>
/// <param name="columns">How many kinds of tap there are.</param>
internal sealed class TapShelf(DeviceId device, int columns)
{
    private const int First = 64;

    private readonly RunEvent.Tap?[][] _made = [.. Enumerable.Range(0, columns).Select(_ => new RunEvent.Tap?[First])];

    /// <summary>The tap of a kind in a slot of time.</summary>
    /// <param name="column">The kind, from 0: the unit with the outcome or the zone.</param>
    /// <param name="slot">The slot, from 0.</param>
    /// <param name="at">When it is tapped.</param>
    /// <param name="unit">The unit that is tapped.</param>
    /// <param name="outcome">The outcome; null where a zone is tapped.</param>
    /// <param name="zone">The zone; null where an outcome is tapped.</param>
    internal RunEvent.Tap Find(int column, int slot, Instant at, PlayerId unit, string? outcome, string? zone)
    {
        ref var row = ref _made[column];
        if (row.Length <= slot)
        {
            Array.Resize(ref row, 2 * (slot + 1));
        }

        // Two schedules may give a slot two moments.
        return row[slot] is { } made && made.At == at
            ? made
            : row[slot] = new RunEvent.Tap(new EventId(device, slot + 1), at, unit, outcome, zone, null, null);
    }
}
