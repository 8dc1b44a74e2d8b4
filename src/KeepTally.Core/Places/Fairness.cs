namespace KeepTally.Core.Places;

/// <summary>
/// How often each player comes to each job, over one full cycle of the places: until everybody stands again as at the
/// start.
/// </summary>
/// <param name="Rotations">How many rotations the cycle has; null where it did not close within the patience.</param>
/// <param name="Goes">For each player, how many turns at each job.</param>
public sealed record Fairness(int? Rotations, IReadOnlyDictionary<string, IReadOnlyDictionary<string, int>> Goes)
{
    private const int Patience = 2000;

    /// <summary>Moves that ask who won, lost or did it depend on the play; for those nothing can be told beforehand.</summary>
    public static bool CanTell(IReadOnlyList<Move> moves) =>
        moves.Count > 0 && moves.All(move => move.Who is MoveWho.All or MoveWho.First);

    public static Fairness Of(Placement start, IReadOnlyList<Move> moves, RotateOn? rotate = null)
    {
        var goes = start
            .Places.SelectMany(place => start.At(place.Id))
            .Concat(start.Waiting)
            .ToDictionary(player => player, _ => new Dictionary<string, int>(StringComparer.Ordinal), StringComparer.Ordinal);
        var standing = start;
        for (var round = 1; round <= Patience; round++)
        {
            foreach (var place in standing.Places)
            {
                foreach (var player in standing.At(place.Id))
                {
                    goes[player][place.Name] = goes[player].GetValueOrDefault(place.Name) + 1;
                }
            }

            standing = Rotation.Once(standing, Rotation.Way(moves, rotate, round - 1), default);
            if (Same(standing, start) && (rotate?.TurnRound is not { } turn || round % (2 * turn) == 0))
            {
                return new Fairness(round, Kept(goes));
            }
        }

        return new Fairness(null, Kept(goes));
    }

    /// <summary>How many turns at a job the players have: the fewest, the most, and how many players have the most.</summary>
    public (int Fewest, int Most, int HaveMost) At(string job)
    {
        var counts = Goes.Values.Select(each => each.GetValueOrDefault(job)).ToArray();
        return (counts.Min(), counts.Max(), counts.Count(count => count == counts.Max()));
    }

    private static bool Same(Placement one, Placement other) =>
        one.Places.All(place => one.At(place.Id).SequenceEqual(other.At(place.Id)));

    private static Dictionary<string, IReadOnlyDictionary<string, int>> Kept(Dictionary<string, Dictionary<string, int>> goes) =>
        goes.ToDictionary(each => each.Key, each => (IReadOnlyDictionary<string, int>)each.Value, StringComparer.Ordinal);
}
