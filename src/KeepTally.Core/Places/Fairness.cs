using KeepTally.Core.Identity;

namespace KeepTally.Core.Places;

/// <summary>How often each player comes to each job as the places move on.</summary>
/// <param name="Rotations">
/// How many rotations it takes until everybody stands again as at the start; null where that is not so by the end of what
/// was counted.
/// </param>
/// <param name="Goes">For each player, how many goes at each job.</param>
public sealed record Fairness(int? Rotations, IReadOnlyDictionary<PlayerId, IReadOnlyDictionary<string, int>> Goes)
{
    private const int Patience = 2000;

    /// <summary>Moves that ask who won, lost or did it depend on the play; for those nothing can be told beforehand.</summary>
    public static bool CanTell(IReadOnlyList<Move> moves) =>
        moves.Count > 0 && moves.All(move => move.Who is MoveWho.All or MoveWho.First);

    /// <summary>Over one full cycle of the places.</summary>
    public static Fairness Of(Placement start, IReadOnlyList<Move> moves, RotateOn? rotate = null) =>
        Count(start, moves, rotate, Patience);

    /// <summary>Over so many goes, the first where everybody stands at the start; a cycle that closes earlier goes on.</summary>
    public static Fairness Over(int goes, Placement start, IReadOnlyList<Move> moves, RotateOn? rotate = null) =>
        Count(start, moves, rotate, goes, goOn: true);

    private static Fairness Count(Placement start, IReadOnlyList<Move> moves, RotateOn? rotate, int most, bool goOn = false)
    {
        var goes = start
            .Places.SelectMany(place => start.At(place.Id))
            .Concat(start.Waiting)
            .ToDictionary(player => player, _ => new Dictionary<string, int>(StringComparer.Ordinal));
        var standing = start;
        int? cycle = null;
        for (var go = 1; go <= most && (goOn || cycle is null); go++)
        {
            foreach (var place in standing.Places)
            {
                foreach (var player in standing.At(place.Id))
                {
                    goes[player][place.Name] = goes[player].GetValueOrDefault(place.Name) + 1;
                }
            }

            standing = Rotation.Next(standing, Rotation.Way(moves, rotate, go - 1), default);
            if (Same(standing, start) && (rotate?.TurnRound is not { } turn || go % (2 * turn) == 0))
            {
                cycle ??= go;
            }
        }

        return new Fairness(cycle, Kept(goes));
    }

    /// <summary>How many goes at a job the players have: the fewest, the most, how many have the most, and how many any.</summary>
    public (int Fewest, int Most, int HaveMost, int HaveAny) At(string job)
    {
        var counts = Goes.Values.Select(each => each.GetValueOrDefault(job)).ToArray();
        return (counts.Min(), counts.Max(), counts.Count(count => count == counts.Max()), counts.Count(count => count > 0));
    }

    private static bool Same(Placement one, Placement other) =>
        one.Places.All(place => one.At(place.Id).SequenceEqual(other.At(place.Id)));

    private static Dictionary<PlayerId, IReadOnlyDictionary<string, int>> Kept(
        Dictionary<PlayerId, Dictionary<string, int>> goes
    ) => goes.ToDictionary(each => each.Key, each => (IReadOnlyDictionary<string, int>)each.Value);
}
