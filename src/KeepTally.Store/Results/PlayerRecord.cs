using KeepTally.Core.Cards;
using KeepTally.Core.Identity;
using KeepTally.Core.Judgement;
using KeepTally.Core.Loads;

namespace KeepTally.Store.Results;

/// <summary>The record of one player over time.</summary>
/// <param name="Drills">Drills in which players score by themselves, one for each way of scoring, the latest first.</param>
/// <param name="Practices">Practices the player was on a sheet in, the latest first.</param>
/// <param name="Loads">What counts toward the player's load, day by day, the latest first.</param>
/// <param name="Skills">What was practised, by skill, the one longest ago first.</param>
public sealed record PlayerRecord(
    IReadOnlyList<PlayerDrill> Drills,
    IReadOnlyList<PastPractice> Practices,
    IReadOnlyList<LoadDay> Loads,
    IReadOnlyList<(string Skill, int Practices, DateOnly Last)> Skills
)
{
    /// <param name="player">The id of the player.</param>
    /// <param name="sheets">Of the whole team, the oldest first.</param>
    public static PlayerRecord Of(PlayerId player, IReadOnlyList<PastSheet> sheets)
    {
        var own = sheets.Where(sheet => WasOn(player, sheet)).ToArray();
        return new PlayerRecord(
            [
                .. own.GroupBy(sheet => sheet.Scoring)
                    .SelectMany(alike => DrillPast.Of([.. alike]), (alike, way) => (Alike: alike, Way: way))
                    .OrderByDescending(each => each.Way.Days[^1].Practice.Date)
                    .SelectMany(each =>
                        each.Way.Players.Where(past => past.Id == player)
                            .Select(past => new PlayerDrill(each.Way.Card, each.Way.Stage, past, RestOf(each.Way, player))
                            {
                                Counts = PlayerCount.AllOf(player, each.Way.Stage, [.. each.Alike]),
                                Zones = PlayerZone.AllOf(player, each.Way.Stage, [.. each.Alike]),
                            })
                    ),
            ],
            [.. own.Select(sheet => sheet.Practice).Distinct().OrderByDescending(practice => practice.Date)],
            LoadDay.Of(player, own),
            [
                .. own.SelectMany(sheet => sheet.Outcome.Card.Skills, (sheet, skill) => (skill, sheet.Practice))
                    .GroupBy(each => each.skill, StringComparer.Ordinal)
                    .Select(skill =>
                        (
                            skill.Key,
                            skill.Select(each => each.Practice.Id).Distinct().Count(),
                            skill.Max(each => each.Practice.Date)
                        )
                    )
                    .OrderBy(skill => skill.Item3)
                    .ThenBy(skill => skill.Key, StringComparer.Ordinal),
            ]
        );
    }

    private static Share RestOf(DrillPast way, PlayerId player) =>
        Share.Sum(way.Players.Where(other => other.Id != player).Select(other => other.All));

    private static bool WasOn(PlayerId player, PastSheet sheet) =>
        sheet.Outcome.Report.Games.Any(game => game.Stays.Any(stay => stay.Player == player));
}

/// <summary>The results of a player in a drill, with one set of rules.</summary>
/// <param name="Card">The drill card.</param>
/// <param name="Stage">The stage of the card.</param>
/// <param name="Past">The player's figures so far.</param>
/// <param name="Rest">All goes of the others of the squad in it.</param>
public sealed record PlayerDrill(DrillCard Card, Stage Stage, PlayerPast Past, Share Rest)
{
    /// <summary>The player's zones, called moves and work at jobs, a row for each.</summary>
    public IReadOnlyList<PlayerCount> Counts { get; init; } = [];

    /// <summary>The zones the player was asked for, practice by practice; none in a drill without zones.</summary>
    public IReadOnlyList<PlayerZone> Zones { get; init; } = [];

    /// <summary>Fewer goes than this set nobody apart.</summary>
    private const int Few = 20;

    /// <summary>A smaller distance than this is nothing a coach would see.</summary>
    private const double Seen = 0.15;

    /// <summary>The player stands far from the rest, by more than chance does; null where not.</summary>
    public ShareDifference? Apart =>
        Past.All.Of >= Few
        && Rest.Of >= Few
        && new ShareDifference(Past.All, Rest) is { IsSettled: true } difference
        && Math.Abs(difference.Value) >= Seen
            ? difference
            : null;
}

/// <summary>The load of a player on a day, as far as it was tapped for that player.</summary>
/// <param name="Date">The day.</param>
/// <param name="Kind">What is counted, as <c>throw</c>.</param>
/// <param name="Count">How many.</param>
public sealed record LoadDay(DateOnly Date, string Kind, int Count)
{
    /// <summary>Day by day, the latest first. Goes of a group or a side are nobody's in particular and are not counted.</summary>
    public static IReadOnlyList<LoadDay> Of(PlayerId player, IReadOnlyList<PastSheet> sheets) =>
        [
            .. sheets
                .Where(sheet => sheet.Outcome.Card.Load is not null && sheet.Outcome.Stage.Scores == Scorer.Player)
                .SelectMany(
                    sheet => sheet.Outcome.Report.Games.SelectMany(game => game.Units.Where(unit => unit.Id == player)),
                    (sheet, unit) =>
                        (
                            sheet.Practice.Date,
                            sheet.Outcome.Card.Load!.Kind,
                            Count: LoadCount.Of(sheet.Outcome.Card.Load, sheet.Outcome.Stage, unit)
                        )
                )
                .GroupBy(each => (each.Date, each.Kind))
                .Select(day => new LoadDay(day.Key.Date, day.Key.Kind, day.Sum(each => each.Count)))
                .Where(day => day.Count > 0)
                .OrderByDescending(day => day.Date)
                .ThenBy(day => day.Kind, StringComparer.Ordinal),
        ];
}
