using KeepTally.Core.Cards;
using KeepTally.Core.Identity;
using KeepTally.Core.Loads;
using KeepTally.Core.Time;

namespace KeepTally.Core.Live;

/// <summary>Counts what players have thrown (or jumped, or hit) while practice runs, and tells who comes near the day's limit.</summary>
public sealed class LoadWatch(LivePractice practice)
{
    /// <summary>From this share of the limit on it is told.</summary>
    private const double Near = 0.9;

    private readonly Dictionary<(SheetId Sheet, PlayerId Player), (int Version, int Count)> _counted = [];

    /// <summary>Returns the players near the limit, over it, or due a rest, with their count today.</summary>
    public IReadOnlyList<(LoadAllowance Allowance, int Count)> At(Instant at) =>
        practice.Loads.Count == 0
            ? []
            :
            [
                .. practice
                    .Loads.Select(allowance => (Allowance: allowance, Count: allowance.Before + Of(allowance, at)))
                    .Where(each =>
                        each.Allowance.Rests ? each.Count > each.Allowance.Before : each.Count >= Near * each.Allowance.Most
                    ),
            ];

    private int Of(LoadAllowance allowance, Instant at)
    {
        var sum = 0;
        foreach (var run in practice.Runs)
        {
            foreach (var each in run.Sheets)
            {
                if (each.Sheet.Card.Load is { } load && load.Kind == allowance.Kind && each.Sheet.Stage.Scores == Scorer.Player)
                {
                    sum += On(each, load, allowance.Player, at);
                }
            }
        }

        return sum;
    }

    private int On(RunSheet each, Load load, PlayerId player, Instant at)
    {
        var (key, version) = ((each.Id, player), each.Sheet.Version);
        if (_counted.TryGetValue(key, out var known) && known.Version == version)
        {
            return known.Count;
        }

        var count = each
            .Sheet.ReportAt(at)
            .Games.SelectMany(game => game.Units)
            .Where(unit => unit.Id == player)
            .Sum(unit => LoadCount.Of(load, each.Sheet.Stage, unit));
        _counted[key] = (version, count);
        return count;
    }
}
