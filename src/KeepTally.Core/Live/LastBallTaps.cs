using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Live;

/// <summary>Counting the last ball of a round that the clock has passed on.</summary>
public sealed partial class LivePractice
{
    /// <summary>Returns the last balls that can be counted at a moment, by the sheets of the drill under way.</summary>
    public IReadOnlyList<(RunSheet Sheet, LastBall Ball)> LastBallsAt(Instant at) =>
        Current >= Runs.Count
            ? []
            :
            [
                .. Now.OpenAt(at)
                    .Select(sheet => (sheet, Ball: sheet.Sheet.LastBallAt(at)))
                    .Where(each => each.Ball is not null)
                    .Select(each => (each.sheet, each.Ball!)),
            ];

    /// <summary>
    /// Counts a tap as the last ball of the round before; on a sheet on which the same players go on it is a tap like any other.
    /// </summary>
    /// <param name="sheet">The id of the sheet.</param>
    /// <param name="command">The tap as the coach made it.</param>
    /// <param name="asked">When the coach asked for it, within the window after the horn.</param>
    public Result<IReadOnlyList<SheetEvent>> TapLastBall(SheetId sheet, TapCommand command, Instant asked)
    {
        return Find(sheet) is { } live && live.LastBallAt(asked) is { } ball
                ? Tap(sheet, command with { Unit = ball.InPlaceOf(live, command.Unit) }, null, ball.At)
            : LastBallsAt(asked).Count > 0 ? Tap(sheet, command, asked)
            : Refused(
                new Fault(
                    "at",
                    "the last ball of the round can no longer be counted",
                    "tap it again for the player, and change it under Taps"
                )
            );
    }

    /// <summary>Moves this device's tap since the horn to the round before; nothing where it made none.</summary>
    public IReadOnlyList<SheetEvent> MoveToLastBall(Instant now)
    {
        foreach (var (sheet, ball) in LastBallsAt(now))
        {
            var log = sheet.Sheet.Log;
            if (
                Enumerable.Range(0, log.Count).Where(log.StandsAt).Select(log.ReadAt).OfType<RunEvent.Tap>().LastOrDefault()
                    is not { } last
                || last.At <= ball.At
                || last.Id.Device != device
            )
            {
                continue;
            }

            var command = new TapCommand(last.Unit, last.Outcome, last.Zone, last.Tags, last.Value, last.Laps);
            if (TapLastBall(sheet.Id, command, now) is { IsOk: true } moved)
            {
                return [.. Undo(sheet.Id, sheet.Sheet, last.Id, now), .. moved.Value];
            }
        }

        return [];
    }
}
