namespace KeepTally.Core.Simulation.Exact;

/// <summary>Two sides race to so many points, calculated score by score.</summary>
public static class Race
{
    /// <summary>The remaining probability below which the race is no longer followed.</summary>
    private const double Rest = 1e-12;

    private const int Longest = 100_000;

    /// <summary>The chance that the first side wins, and the rallies to be expected; null where the race seldom ends.</summary>
    /// <param name="target">Points that are enough.</param>
    /// <param name="lead">Points to be ahead.</param>
    /// <param name="rallies">What a rally may give the first and the second side, and the chance of it; they add up to one.</param>
    /// <param name="head">Points the first side has at the start.</param>
    /// <param name="start">Points the second has.</param>
    public static (double FirstWins, double Rallies)? Of(
        int target,
        int lead,
        IReadOnlyList<(int First, int Second, double Chance)> rallies,
        int head = 0,
        int start = 0
    )
    {
        var open = new Dictionary<(int, int), double> { [(head, start)] = 1 };
        var (wins, played) = (0.0, 0.0);
        for (var rally = 1; rally <= Longest; rally++)
        {
            played += open.Values.Sum();
            var next = new Dictionary<(int, int), double>();
            foreach (var ((first, second), chance) in open)
            {
                foreach (var each in rallies)
                {
                    var (a, b, reached) = (first + each.First, second + each.Second, chance * each.Chance);
                    if (a >= target && a - b >= lead)
                    {
                        wins += reached;
                    }
                    else if (b < target || b - a < lead)
                    {
                        next[(a, b)] = next.GetValueOrDefault((a, b)) + reached;
                    }
                }
            }

            open = next;
            if (open.Values.Sum() < Rest)
            {
                return (wins, played);
            }
        }

        return null;
    }
}
