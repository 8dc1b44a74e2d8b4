using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Live;

/// <summary>A player goes off, a player comes in, one replaces another, or two change places.</summary>
/// <param name="Off">Who goes off, or null.</param>
/// <param name="In">Who comes in, or null; a player who is on already changes places with <paramref name="Off"/>.</param>
/// <param name="Sheet">The sheet to come in on where nobody goes off for it; null for the one with the fewest players.</param>
public sealed record RosterChange(PlayerId? Off, PlayerId? In, SheetId? Sheet = null)
{
    /// <summary>
    /// What it takes on the sheets of the drills left. Who comes or goes does so for the rest of the practice; a change of
    /// places is for the drill under way. Nobody comes in where they are not on the bench of the sheet.
    /// </summary>
    internal IReadOnlyList<(SheetId Sheet, PlayerId? Out, PlayerId? In)> Over(IReadOnlyList<LiveRun> left, Instant at)
    {
        if (left.Count == 0)
        {
            return [];
        }

        var lanes = left[0].LanesAt(at);
        if (LaneOf(lanes, Off) is { } one && LaneOf(lanes, In) is { } other)
        {
            return one == other ? Entries(one, Off, In) : [.. Entries(one, Off, In), .. Entries(other, In, Off)];
        }

        return [.. left.SelectMany((run, index) => InRun(run.LanesAt(at), index == 0 ? Sheet : null))];
    }

    private (SheetId Sheet, PlayerId? Out, PlayerId? In)[] InRun(IReadOnlyList<IReadOnlyList<RunSheet>> lanes, SheetId? wished)
    {
        if (LaneOf(lanes, Off) is { } leaves)
        {
            return Entries(leaves, Off, LaneOf(lanes, In) is null ? In : null);
        }

        if (In is not { } player || LaneOf(lanes, player) is not null)
        {
            return [];
        }

        var open = lanes.Where(lane => lane.Any(each => each.Sheet.MayCome(player))).ToArray();
        return open.Length == 0
            ? []
            : Entries(
                open.FirstOrDefault(
                    lane => lane.Any(each => each.Id == wished),
                    open.MinBy(lane => lane[0].Sheet.Score.Roster.Count)!
                ),
                null,
                player
            );
    }

    /// <summary>On every sheet of a lane; who may not come in on one of them is left out of it.</summary>
    private static (SheetId Sheet, PlayerId? Out, PlayerId? In)[] Entries(
        IReadOnlyList<RunSheet> lane,
        PlayerId? gone,
        PlayerId? comes
    ) =>
        [
            .. lane.Select(each =>
                    (
                        each.Id,
                        Out: gone is { } leaving && each.Sheet.Score.Roster.Has(leaving) ? gone : null,
                        In: comes is { } coming && (each.Sheet.Score.Roster.Has(coming) || each.Sheet.MayCome(coming))
                            ? comes
                            : null
                    )
                )
                .Where(each => each.Out is not null || each.In is not null),
        ];

    private static IReadOnlyList<RunSheet>? LaneOf(IReadOnlyList<IReadOnlyList<RunSheet>> lanes, PlayerId? player) =>
        player is { } named ? lanes.FirstOrDefault(lane => lane.Any(each => each.Sheet.Score.Roster.Has(named))) : null;
}
