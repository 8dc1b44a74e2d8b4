using KeepTally.Core.Cards;

namespace KeepTally.Core.Reports;

/// <summary>A kind of error, how often it was made, and what it cost.</summary>
/// <param name="Label">The label of the outcome.</param>
/// <param name="Count">The number counted.</param>
/// <param name="Ends">Each of them puts a unit out or ends the game.</param>
/// <param name="Cost">Points lost or given away by all of them.</param>
public sealed record ErrorRow(string Label, int Count, bool Ends, double Cost)
{
    private static readonly HashSet<string> Ending = ["out", "lose"];

    /// <summary>Errors in order of harm: what ends a player's game first, then what cost most points, then what was made most often.</summary>
    /// <param name="stage">The stage of the card.</param>
    /// <param name="counts">How often each outcome was tapped.</param>
    /// <param name="costs">What outcomes cost in all whose cost does not stand on the card; null where there are none.</param>
    public static IReadOnlyList<ErrorRow> Of(
        Stage stage,
        IReadOnlyDictionary<string, int> counts,
        IReadOnlyDictionary<string, double>? costs = null
    ) =>
        [
            .. stage
                .Outcomes.Where(outcome =>
                    outcome.Result == OutcomeResult.Failure || CostOf(outcome) > 0 || costs?.GetValueOrDefault(outcome.Id) > 0
                )
                .Select(outcome => (Outcome: outcome, Count: counts.GetValueOrDefault(outcome.Id)))
                .Where(each => each.Count > 0)
                .Select(each => new ErrorRow(
                    each.Outcome.Label,
                    each.Count,
                    each.Outcome.Does.Any(effect => Ending.Contains(effect.Word)),
                    costs is not null && costs.TryGetValue(each.Outcome.Id, out var cost)
                        ? cost
                        : Math.Max(0, CostOf(each.Outcome)) * each.Count
                ))
                .OrderByDescending(row => row.Ends)
                .ThenByDescending(row => row.Cost)
                .ThenByDescending(row => row.Count)
                .ThenBy(row => row.Label, StringComparer.Ordinal),
        ];

    /// <summary>Points that the unit tapped loses, and points that go to another player.</summary>
    private static double CostOf(Outcome outcome) =>
        outcome.Points.Sum(award => award.To is Recipient.Self ? -award.Points : Math.Max(0, award.Points));
}
