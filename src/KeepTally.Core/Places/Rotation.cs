using KeepTally.Core.Identity;

namespace KeepTally.Core.Places;

/// <summary>The one rule by which places move on. Source: docs/formats.md, section 4.</summary>
public static class Rotation
{
    /// <summary>The winner, loser and actor of a rotation.</summary>
    /// <param name="Winner">The player who won the rally; null for none.</param>
    /// <param name="Loser">The player who lost the rally; null for none.</param>
    /// <param name="Actor">The player the tap was for; null for none.</param>
    /// <param name="SideOf">Where sides play, the side of a player: a tap that names a side names its players; else null.</param>
    public readonly record struct Named(
        PlayerId? Winner,
        PlayerId? Loser,
        PlayerId? Actor,
        Func<PlayerId, PlayerId?>? SideOf = null
    )
    {
        internal bool IsOne(PlayerId player, PlayerId? named) =>
            named is { } asked
            && (player == asked || (SideOf?.Invoke(player) is { } side && (side == asked || side == SideOf(asked))));
    }

    /// <summary>
    /// One rotation. Movers leave first, then arrive in the listed order, then lines feed spots. A mover whose spot
    /// has no room stays, and keeps the room where it stands.
    /// </summary>
    public static Placement Once(Placement before, IReadOnlyList<Move> moves, Named named)
    {
        var kinds = before.Places.ToDictionary(place => place.Id, StringComparer.Ordinal);
        var marked = Mark(before, moves, named, kinds);
        while (Blocked(before, marked, kinds) is { } blocked)
        {
            marked.Remove(blocked);
        }

        return before.With(
            (standing, _) =>
            {
                foreach (var mover in marked)
                {
                    standing[mover.From].Remove(mover.Player);
                }

                foreach (var mover in marked)
                {
                    standing[mover.To].Add(mover.Player);
                }

                foreach (var move in moves.Where(move => IsLine(kinds, move.From) && !IsLine(kinds, move.To)))
                {
                    if (move.When == MoveWhen.Room || standing[move.To].Count == 0)
                    {
                        Feed(standing[move.From], standing[move.To], kinds[move.To].Size);
                    }
                }
            }
        );
    }

    /// <summary>
    /// Places moved on as players see it: with fewer players than jobs one rotation may leave the job that scores to nobody, so
    /// it goes on until a player has it, once round at the most.
    /// </summary>
    /// <param name="before">The placement before the rotation.</param>
    /// <param name="moves">The moves of the rotation.</param>
    /// <param name="named">The players the moves may name.</param>
    /// <param name="isDone">A player who is done is passed over as if they stood in no line; nobody where it is left out.</param>
    public static Placement Next(Placement before, IReadOnlyList<Move> moves, Named named, Func<PlayerId, bool>? isDone = null)
    {
        var next = OutOfRest(Moved(before, moves, named), moves);
        return isDone is null ? next : PassedOver.Apply(next, moves, isDone);
    }

    /// <summary>
    /// With fewer players than places nobody rests while a spot where something is done stands empty: anyone who came to a place of rest
    /// goes on to where its moves lead.
    /// </summary>
    private static Placement OutOfRest(Placement placement, IReadOnlyList<Move> moves)
    {
        var places = placement.Places.ToDictionary(place => place.Id, StringComparer.Ordinal);
        var called = moves.Where(move =>
            move.Who is MoveWho.All or MoveWho.First
            && places[move.From] is { Kind: PlaceKind.Spot, Active: false, Scores: false }
            && places[move.To] is { Kind: PlaceKind.Spot, Active: true } spot
            && placement.At(move.From).Count > 0
            && placement.At(spot.Id).Count < spot.Size
        );
        return called.ToArray() is not { Length: > 0 } open
            ? placement
            : placement.With(
                (standing, _) =>
                {
                    foreach (var move in open)
                    {
                        Feed(standing[move.From], standing[move.To], places[move.To].Size);
                    }
                }
            );
    }

    private static Placement Moved(Placement before, IReadOnlyList<Move> moves, Named named)
    {
        var first = Once(before, moves, named);
        var reached = first;
        for (var steps = 0; steps < before.Places.Count && LacksVital(reached); steps++)
        {
            reached = Once(reached, moves, default);
        }

        return LacksVital(reached) ? first : reached;
    }

    /// <summary>
    /// Where a player went and nobody is left in any spot that scores, anyone who comes to one next steps in at once; the others
    /// stay where they are.
    /// </summary>
    internal static Placement FillVital(Placement placement, IReadOnlyList<Move> moves)
    {
        if (!LacksVital(placement) || placement.Everyone.Count == 0)
        {
            return placement;
        }

        var spots = placement.Places.Where(IsVital).ToArray();
        var next = Next(placement, moves, default);
        var (spot, player) = spots
            .SelectMany(place => next.At(place.Id).Select(comes => (place.Id, comes)))
            .FirstOrDefault((spots[0].Id, placement.Everyone[0]));
        return placement.With(
            (standing, waiting) =>
            {
                foreach (var list in standing.Values.Append(waiting))
                {
                    list.Remove(player);
                }

                standing[spot].Add(player);
            }
        );
    }

    private static bool IsVital(Place place) => place is { Scores: true, Kind: PlaceKind.Spot };

    /// <summary>Nobody stands in any spot that scores.</summary>
    private static bool LacksVital(Placement placement)
    {
        var spots = placement.Places.Where(IsVital).ToArray();
        return spots.Length > 0 && Array.TrueForAll(spots, place => placement.At(place.Id).Count == 0);
    }

    /// <summary>
    /// The moves of a rotation after so many: the card's own, or each the other way round where the card turns the
    /// direction round after a number of rotations.
    /// </summary>
    public static IReadOnlyList<Move> Way(IReadOnlyList<Move> moves, RotateOn? rotate, int rotations) =>
        rotate?.TurnRound is { } after && rotations / after % 2 == 1
            ? [.. moves.Select(move => move with { From = move.To, To = move.From })]
            : moves;

    private sealed record Mover(PlayerId Player, string From, string To);

    private static List<Mover> Mark(Placement before, IReadOnlyList<Move> moves, Named named, Dictionary<string, Place> kinds)
    {
        var marked = new List<Mover>();
        foreach (var move in moves)
        {
            var here = before.At(move.From);
            var movers = (IsLine(kinds, move.From), IsLine(kinds, move.To)) switch
            {
                (true, false) => [],
                (true, true) => here.Take(1),
                _ => move.Who switch
                {
                    MoveWho.All => here,
                    MoveWho.First => here.Take(1),
                    MoveWho.Winner => here.Where(player => named.IsOne(player, named.Winner)),
                    MoveWho.Loser => here.Where(player => named.IsOne(player, named.Loser)),
                    MoveWho.Actor => here.Where(player => named.IsOne(player, named.Actor)),
                },
            };
            marked.AddRange(
                movers
                    .Where(player => marked.TrueForAll(mover => mover.Player != player))
                    .Select(player => new Mover(player, move.From, move.To))
                    .ToArray()
            );
        }

        return marked;
    }

    /// <summary>The first mover who would arrive at a full spot, counting everyone who stays and everyone listed earlier.</summary>
    private static Mover? Blocked(Placement before, List<Mover> marked, Dictionary<string, Place> kinds)
    {
        var arrived = new Dictionary<string, int>(StringComparer.Ordinal);
        foreach (var mover in marked.Where(mover => !IsLine(kinds, mover.To)))
        {
            var staying = before.At(mover.To).Count(player => marked.TrueForAll(other => other.Player != player));
            var already = arrived.GetValueOrDefault(mover.To);
            if (staying + already >= kinds[mover.To].Size)
            {
                return mover;
            }

            arrived[mover.To] = already + 1;
        }

        return null;
    }

    /// <summary>The heads of a line go to a spot while it has room.</summary>
    internal static void Feed(List<PlayerId> line, List<PlayerId> spot, int size)
    {
        while (line.Count > 0 && spot.Count < size)
        {
            spot.Add(line[0]);
            line.RemoveAt(0);
        }
    }

    private static bool IsLine(Dictionary<string, Place> kinds, string place) => kinds[place].Kind == PlaceKind.Line;
}
