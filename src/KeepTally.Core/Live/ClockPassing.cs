using KeepTally.Core.Cards;
using KeepTally.Core.Clock;
using KeepTally.Core.Events;
using KeepTally.Core.Floor;
using KeepTally.Core.Identity;
using KeepTally.Core.Places;
using KeepTally.Core.Scoring;
using KeepTally.Core.Time;

namespace KeepTally.Core.Live;

/// <summary>
/// The one rule by which the clock passes a round on: when the next work begins the turn passes, or places move on. Until then
/// the last ball belongs to the unit that had the round. Source: docs/formats.md, section 3.
/// </summary>
internal sealed class ClockPassing(Stage stage, Timeline? timeline)
{
    /// <summary>Returns the clock events due by a moment that the log does not have yet.</summary>
    internal IEnumerable<RunEvent> Due(Score score, EventLog log, ClockTime elapsed)
    {
        foreach (var (round, moment) in timeline?.RoundsOver(elapsed) ?? [])
        {
            var number = round + score.RoundsBefore;
            if (MovesAfter(round) && IsMissing(2 * number, out var moves))
            {
                yield return new RunEvent.Rotate(moves, score.Clock.InstantOf(moment), null, null, null);
            }

            if (stage.Play == Play.Turns && IsMissing((2 * number) + 1, out var passes))
            {
                yield return new RunEvent.Turn(passes, score.Clock.InstantOf(moment), null);
            }
        }

        bool IsMissing(int n, out EventId id)
        {
            id = new EventId(EventId.ClockDevice, n);
            return !log.Holds(id);
        }
    }

    /// <summary>Returns the change at the end of the rest under way, unless it was made by hand already.</summary>
    internal ClockPass AfterRest(Score score, FloorState floor, Instant at)
    {
        if (IntervalAt(score, at) is not { Kind: IntervalKind.Change or IntervalKind.Break } rest)
        {
            return default;
        }

        var turns = stage.Play == Play.Turns && !score.IsTurnedSince(rest.Round);
        var byTurn = turns && stage.Rotate?.On == RotateTrigger.Turn && floor.MovesOnNextCount;
        return new ClockPass(byTurn || (MovesAfter(rest.Round) && !score.IsMovedSince(rest.Round)), turns);
    }

    /// <summary>Whether places will move on again: where the clock moves them, only while a round is left after which it does.</summary>
    internal bool WillMove(Score score, Instant at) =>
        stage.Moves.Count > 0
        && stage.Rotate?.On switch
        {
            RotateTrigger.Round when timeline is not null && !FloorState.AsksWhoWon(stage) => RoundsLeft(score, at)
                .Any(round => MovesAfter(round) && !score.IsMovedSince(round)),
            RotateTrigger.Turn => score.NextTurn is not null && (timeline is null || RoundsLeft(score, at).Any()),
            _ => true,
        };

    private IEnumerable<int> RoundsLeft(Score score, Instant at)
    {
        var round = IntervalAt(score, at)?.Round ?? 1;
        return Enumerable.Range(round, Math.Max(0, timeline!.Plan.Rounds - round));
    }

    private Interval? IntervalAt(Score score, Instant at) =>
        timeline is not null && score.Clock.IsStarted ? timeline.At(score.Clock.At(at)) : null;

    private bool MovesAfter(int round) =>
        stage.Rotate is { On: RotateTrigger.Round } rotate && !FloorState.AsksWhoWon(stage) && round % rotate.Every == 0;
}

/// <summary>A change that the clock makes when a rest is over.</summary>
/// <param name="Moves">Places move on.</param>
/// <param name="Turns">The turn passes.</param>
public readonly record struct ClockPass(bool Moves, bool Turns);
