using KeepTally.Core.Clock;
using KeepTally.Core.Floor;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Live;

/// <summary>
/// The ball that was in play when the clock passed a round on without a change-over. For a few seconds it can still be counted for
/// the players who had the round.
/// </summary>
/// <param name="At">The last moment of that round: what is tapped then is theirs.</param>
/// <param name="Units">Who was tapped then, in the order of the pad.</param>
public sealed record LastBall(Instant At, IReadOnlyList<PlayerId> Units)
{
    /// <summary>How long after the horn it is offered.</summary>
    public static readonly Duration Window = Duration.FromSeconds(3);

    /// <summary>Returns it for a sheet; null outside of the window, after a change-over, and where the same players go on.</summary>
    internal static LastBall? Of(Sheet live, Instant at)
    {
        var clock = live.Score.Clock;
        if (live.Timeline is not { } timeline || clock is not { IsStarted: true, IsPaused: false } || live.Score.IsDoneAt(at))
        {
            return null;
        }

        var elapsed = clock.At(at);
        var now = timeline.At(elapsed);
        if (now.Kind != IntervalKind.Work || now.Round < 2 || elapsed - now.Start > Window)
        {
            return null;
        }

        var moment = clock.InstantOf(now.Start) - Duration.Millisecond;
        if (timeline.At(clock.At(moment)).Kind != IntervalKind.Work)
        {
            return null;
        }

        var before = Sheet.Open(live.Card, live.Head).Require();
        before.AddAll([.. live.Log.Events.Where(said => said.At <= moment)]);
        var had = Tapped(before);
        return had.SequenceEqual(Tapped(live)) ? null : new LastBall(moment, had);
    }

    /// <summary>Returns the unit that had the round before the unit that is tapped now.</summary>
    internal PlayerId? InPlaceOf(Sheet live, PlayerId? unit)
    {
        var now = Tapped(live);
        var place = now.ToList().FindIndex(each => each == unit);
        return Units.Count == 1 ? Units[0]
            : place >= 0 && place < Units.Count ? Units[place]
            : null;
    }

    private static IReadOnlyList<PlayerId> Tapped(Sheet sheet) =>
        sheet.Score.Turn is { } turn ? [turn] : ScoringSlots.At(sheet.Stage, sheet.UnitsOn, sheet.Floor);
}
