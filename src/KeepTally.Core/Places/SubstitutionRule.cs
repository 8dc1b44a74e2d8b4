using KeepTally.Core.Identity;

namespace KeepTally.Core.Places;

/// <summary>
/// The one rule by which places are repaired when a player comes, goes or changes places in mid-drill. Who comes in for
/// a player stands where they stood. Two who both stand change places. Where a player only goes, those behind move up: a
/// spot takes the head of the line that feeds it, then who waits. Who only comes takes the first spot with room, else the
/// tail of the shortest line, else waits. Where nobody is left in any spot that scores, anyone who comes to one next steps in at
/// once. Nobody is lost or doubled. Source: docs/formats.md, section 2, "sub".
/// </summary>
public static class SubstitutionRule
{
    /// <param name="before">The placement before the substitution.</param>
    /// <param name="moves">The moves of the rotation.</param>
    /// <param name="gone">Who goes, or null.</param>
    /// <param name="comes">Who comes, or null; a player who stands already changes places with who goes.</param>
    /// <param name="sideOf">The side a player is on, or null.</param>
    public static Placement Apply(
        Placement before,
        IReadOnlyList<Move> moves,
        PlayerId? gone,
        PlayerId? comes,
        Func<PlayerId, PlayerId?>? sideOf = null
    ) => Rotation.FillVital(Changed(before, moves, gone, comes, sideOf), moves);

    private static Placement Changed(
        Placement before,
        IReadOnlyList<Move> moves,
        PlayerId? gone,
        PlayerId? comes,
        Func<PlayerId, PlayerId?>? sideOf
    ) =>
        before.With(
            (standing, waiting) =>
            {
                var left = Find(standing, waiting, gone);
                var there = Find(standing, waiting, comes);
                if (left is { } one && there is { } other)
                {
                    (one.List[one.At], other.List[other.At]) = (comes!.Value, gone!.Value);
                }
                else if (left is { } place && comes is not null)
                {
                    place.List[place.At] = comes.Value;
                }
                else if (left is not null || there is null)
                {
                    left?.List.RemoveAt(left.Value.At);
                    waiting.AddRange(comes is { } newcomer ? [newcomer] : []);
                    MoveUp(before.Places, moves, standing);
                    Seat(before.Places, moves, standing, waiting, sideOf);
                }
            }
        );

    private static (List<PlayerId> List, int At)? Find(
        IReadOnlyDictionary<string, List<PlayerId>> standing,
        List<PlayerId> waiting,
        PlayerId? player
    )
    {
        return player is { } named && standing.Values.Append(waiting).FirstOrDefault(each => each.Contains(named)) is { } list
            ? (list, list.IndexOf(named))
            : null;
    }

    /// <summary>A spot with room takes the head of the line that feeds it.</summary>
    private static void MoveUp(
        IReadOnlyList<Place> places,
        IReadOnlyList<Move> moves,
        IReadOnlyDictionary<string, List<PlayerId>> standing
    )
    {
        var byId = places.ToDictionary(place => place.Id, StringComparer.Ordinal);
        foreach (var move in moves.Where(move => byId[move.From].Kind == PlaceKind.Line && byId[move.To].Kind == PlaceKind.Spot))
        {
            if (IsClosed(move.To, moves, standing))
            {
                continue;
            }

            Rotation.Feed(standing[move.From], standing[move.To], byId[move.To].Size);
        }
    }

    /// <summary>A spot that fills anew only once it is empty, and is not.</summary>
    private static bool IsClosed(string place, IReadOnlyList<Move> moves, IReadOnlyDictionary<string, List<PlayerId>> standing) =>
        standing[place].Count > 0 && moves.Any(move => move.To == place && move.When == MoveWhen.Empty);

    private static void Seat(
        IReadOnlyList<Place> places,
        IReadOnlyList<Move> moves,
        IReadOnlyDictionary<string, List<PlayerId>> standing,
        List<PlayerId> waiting,
        Func<PlayerId, PlayerId?>? sideOf
    )
    {
        foreach (var player in waiting.ToArray())
        {
            var open = places.Where(place => place.Side is null || place.Side == sideOf?.Invoke(player)?.Value).ToArray();
            var room =
                open.FirstOrDefault(place =>
                    place.Kind == PlaceKind.Spot && standing[place.Id].Count < place.Size && !IsClosed(place.Id, moves, standing)
                ) ?? open.Where(place => place.Kind == PlaceKind.Line).MinBy(place => standing[place.Id].Count);
            if (room is not null)
            {
                standing[room.Id].Add(player);
                waiting.Remove(player);
            }
        }
    }
}
