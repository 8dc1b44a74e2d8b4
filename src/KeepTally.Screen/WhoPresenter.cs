using KeepTally.Core.Dealing;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Text;
using KeepTally.Core.Time;
using KeepTally.Core.Words;
using KeepTally.Screen.Views;

namespace KeepTally.Screen;

/// <summary>Puts into words who is on the drill under way, group by group, and who may come in.</summary>
public static class WhoPresenter
{
    public static WhoView Of(LivePractice practice, Instant at)
    {
        var left = practice.Left;
        if (left.Count == 0)
        {
            return new WhoView([], []);
        }

        var lanes = left[0].LanesAt(at);
        var on = lanes.SelectMany(Everyone).ToHashSet();
        var bench = left.SelectMany(run => run.Sheets)
            .SelectMany(each => OffOf(each.Sheet).Concat(each.Sheet.Score.Roster.Everyone))
            .Distinct()
            .Where(player => !on.Contains(player))
            .Select(player => new BenchView(
                player.Value,
                left.Select(run => run.NameOf(player)).FirstOrDefault(name => name != player.Value, player.Value),
                left.Select(run => run.CallNameOf(player)).FirstOrDefault(name => name != player.Value, player.Value),
                lanes.Any(lane => lane[0].Sheet.MayCome(player)) ? "" : WhyNot(practice, lanes, player)
            ))
            .OrderBy(player => player.Name, StringComparer.Ordinal);
        return new WhoView(
            [
                .. lanes.SelectMany(
                    (lane, index) => GroupsOf(left[0], lane, at, lanes.Count > 1 ? $"Group {Letters.Of(index)}" : "")
                ),
            ],
            [.. bench]
        );
    }

    /// <summary>Why a player may not come in: what the coach has said of today, and nothing more.</summary>
    private static string WhyNot(LivePractice practice, IReadOnlyList<IReadOnlyList<RunSheet>> lanes, PlayerId player)
    {
        var limits = practice.Limits.GetValueOrDefault(player);
        var forbidden = lanes.Aggregate(
            Restrictions.None,
            (all, lane) => all | Participation.Forbidden(limits, lane[0].Sheet.Card)
        );
        return forbidden switch
        {
            Restrictions.NoThrowing => "not in this drill: no throwing today",
            Restrictions.NoContact => "not in this drill: no contact today",
            Restrictions.NoThrowing | Restrictions.NoContact => "not in this drill: no throwing and no contact today",
            _ => "not in this drill",
        };
    }

    /// <summary>Everyone on the sheets of a lane: at a circuit, who goes along without doing this station's drill too.</summary>
    private static IEnumerable<PlayerId> Everyone(IReadOnlyList<RunSheet> lane) =>
        lane.SelectMany(each => each.Sheet.Score.Roster.Everyone).Distinct();

    private static IEnumerable<GroupView> GroupsOf(LiveRun run, IReadOnlyList<RunSheet> lane, Instant at, string name)
    {
        var each = lane[0];
        var live = each.Sheet;
        if (each.Stop is not null)
        {
            return [Group(run, each, at, name, Everyone(lane))];
        }

        return live.Units.Any(unit => unit.Players.Count > 0)
            ? live.Units.Select(unit =>
                Group(
                    run,
                    each,
                    at,
                    name.Length == 0 || live.Units.Count == 1 ? unit.Name : $"{name}, {unit.Name}",
                    live.Score.Roster.Of(unit.Id)
                )
            )
            : [Group(run, each, at, name.Length == 0 ? "Everyone" : name, live.Score.Roster.Everyone)];
    }

    private static GroupView Group(LiveRun run, RunSheet each, Instant at, string name, IEnumerable<PlayerId> players) =>
        new(
            each.Id.Value,
            name,
            [
                .. players.Select(player => new OnView(
                    player.Value,
                    run.NameOf(player),
                    run.CallNameOf(player),
                    GoesOf(each.Sheet, player, at)
                )),
            ]
        );

    private static string GoesOf(Sheet live, PlayerId player, Instant at) =>
        !live.Score.Roster.Has(player) ? "not at this station"
        : live.Stage.Moves.Count == 0 ? ""
        : JobWords.Of(live, live.JobsOf(player, at));

    private static IEnumerable<PlayerId> OffOf(Sheet sheet) =>
        (sheet.Head.Bench ?? [])
            .Concat(sheet.Head.Units.SelectMany(unit => unit.People))
            .Select(player => player.Id)
            .Where(sheet.MayCome);
}
