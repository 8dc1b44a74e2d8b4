using KeepTally.Core.Cards;
using KeepTally.Core.Identity;
using KeepTally.Core.Judgement;
using KeepTally.Core.Rules.Zones;
using KeepTally.Core.Scoring;

namespace KeepTally.Store.Results;

/// <summary>A zone that a player was asked for in a drill, practice by practice.</summary>
/// <param name="Zone">The id of the zone.</param>
/// <param name="Days">How often it was hit of how often it was asked, the oldest practice first; a practice without it is left out.</param>
/// <param name="Astray">How often it was hit when another was asked for.</param>
public sealed record PlayerZone(string Zone, IReadOnlyList<(PastPractice Practice, Share Hit)> Days, int Astray)
{
    /// <summary>All practices together.</summary>
    public Share All => Share.Sum(Days.Select(day => day.Hit));

    /// <summary>Every zone of a stage, in the order of the card; none where the player was never asked for any.</summary>
    /// <param name="player">The id of the player.</param>
    /// <param name="stage">The stage of the card.</param>
    /// <param name="sheets">Of one way of scoring, the oldest first.</param>
    internal static IReadOnlyList<PlayerZone> AllOf(PlayerId player, Stage stage, IReadOnlyList<PastSheet> sheets)
    {
        if (stage.Targets is not { } targets)
        {
            return [];
        }

        var landed = sheets
            .Where(sheet => sheet.Outcome.Report.Games.Any(game => game.Units.Any(unit => unit.Id == player)))
            .SelectMany(
                sheet => GameTotals.Of(stage, sheet.Outcome.Report.Games, player).Zones,
                (sheet, asked) => (sheet.Practice, Asked: asked.Key, In: asked.Value)
            )
            .ToArray();
        return landed.Length == 0
            ? []
            :
            [
                .. targets.Names.Select(zone => new PlayerZone(
                    zone,
                    [
                        .. landed
                            .Where(row => row.Asked == zone)
                            .GroupBy(row => row.Practice)
                            .OrderBy(day => day.Key.Date)
                            .Select(day =>
                                (
                                    day.Key,
                                    Share.Sum(day.Select(row => new Share(Hits(row.In, zone), row.In.Sum(each => each.Value))))
                                )
                            ),
                    ],
                    landed.Where(row => row.Asked != zone).Sum(row => Hits(row.In, zone))
                )),
            ];
    }

    private static int Hits(IReadOnlyList<KeyValuePair<string, int>> landed, string zone) =>
        landed.Where(each => each.Key == zone).Sum(each => each.Value);
}
