using KeepTally.Core.Identity;

namespace KeepTally.Core.Places;

/// <summary>
/// Where places turn, a player who is done is passed over: a spot that scores is theirs who still have something to do, and goes to
/// others only when all are done. Source: docs/formats.md, section 4.
/// </summary>
internal static class PassedOver
{
    /// <summary>Everyone who is done gives a spot that scores to the next who is not, and goes where that spot's moves lead.</summary>
    internal static Placement Apply(Placement placement, IReadOnlyList<Move> moves, Func<PlayerId, bool> isDone)
    {
        var spots = placement.Places.Where(place => place is { Scores: true, Kind: PlaceKind.Spot }).ToArray();
        if (!spots.Any(spot => placement.At(spot.Id).Any(isDone)))
        {
            return placement;
        }

        return placement.With(
            (standing, waiting) =>
            {
                var kinds = placement.Places.ToDictionary(place => place.Id, StringComparer.Ordinal);
                foreach (var spot in spots)
                {
                    foreach (var done in standing[spot.Id].Where(isDone).ToArray())
                    {
                        if (NextFor(spot, spots, kinds, moves, standing, waiting, isDone) is { } next)
                        {
                            Exchange(spot, done, next, kinds, moves, standing);
                        }
                    }
                }
            }
        );
    }

    /// <summary>Returns the next player for a spot who is not done: from the lines that feed it, then from any line, from waiting, and last from the other spots.</summary>
    private static (List<PlayerId> List, PlayerId Player)? NextFor(
        Place spot,
        Place[] scoring,
        Dictionary<string, Place> kinds,
        IReadOnlyList<Move> moves,
        IReadOnlyDictionary<string, List<PlayerId>> standing,
        List<PlayerId> waiting,
        Func<PlayerId, bool> isDone
    )
    {
        var feeding = moves.Where(move => move.To == spot.Id && kinds[move.From].Kind == PlaceKind.Line).Select(move => move.From);
        var lines = kinds.Values.Where(place => place.Kind == PlaceKind.Line).Select(place => place.Id);
        var others = kinds
            .Values.Where(place => place.Kind == PlaceKind.Spot && !scoring.Contains(place))
            .Select(place => place.Id);
        var mine = (string place) => kinds[place].Side is null || kinds[place].Side == spot.Side;
        foreach (
            var list in feeding
                .Concat(lines.Where(mine))
                .Select(place => standing[place])
                .Concat(spot.Side is null ? [waiting] : [])
                .Concat(others.Where(mine).Select(place => standing[place]))
        )
        {
            foreach (var player in list)
            {
                if (!isDone(player))
                {
                    return (list, player);
                }
            }
        }

        return null;
    }

    private static void Exchange(
        Place spot,
        PlayerId done,
        (List<PlayerId> List, PlayerId Player) next,
        Dictionary<string, Place> kinds,
        IReadOnlyList<Move> moves,
        IReadOnlyDictionary<string, List<PlayerId>> standing
    )
    {
        var at = next.List.IndexOf(next.Player);
        standing[spot.Id][standing[spot.Id].IndexOf(done)] = next.Player;
        if (moves.FirstOrDefault(move => move.From == spot.Id && kinds[move.To].Kind == PlaceKind.Line) is { } away)
        {
            next.List.RemoveAt(at);
            standing[away.To].Add(done);
        }
        else
        {
            next.List[at] = done;
        }
    }
}
