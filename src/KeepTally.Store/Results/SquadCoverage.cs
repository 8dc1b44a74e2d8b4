using KeepTally.Core.Cards;
using KeepTally.Core.Identity;
using KeepTally.Core.Judgement;
using KeepTally.Core.Time;

namespace KeepTally.Store.Results;

/// <summary>The coverage of a squad over some weeks: practices by skill, and players who always have the same job or partner.</summary>
/// <param name="Weeks">The Mondays of the weeks looked at, the oldest first.</param>
/// <param name="Skills">Each skill with its practices week by week, the one longest left alone first.</param>
/// <param name="Players">In how many practices each player had each skill, in the order of the skills.</param>
/// <param name="SameJob">Who had the same job of a drill nearly all the time.</param>
/// <param name="SamePartner">Who was with the same player nearly every time.</param>
public sealed record SquadCoverage(
    IReadOnlyList<DateOnly> Weeks,
    IReadOnlyList<SkillWeeks> Skills,
    IReadOnlyList<(PlayerId Id, string Name, IReadOnlyList<int> Practices)> Players,
    IReadOnlyList<SameJob> SameJob,
    IReadOnlyList<SamePartner> SamePartner
)
{
    /// <summary>Nearly all: common practice asks for a change long before.</summary>
    private const double Nearly = 0.8;

    /// <summary>Fewer than this are no habit.</summary>
    private const int Few = 4;

    /// <param name="sheets">Of one team, the oldest first.</param>
    /// <param name="squad">Who is in the squad.</param>
    /// <param name="skills">All skills of the drill book.</param>
    /// <param name="today">The present day.</param>
    /// <param name="weeks">The number of weeks.</param>
    public static SquadCoverage Of(
        IReadOnlyList<PastSheet> sheets,
        IReadOnlyList<(PlayerId Id, string Name)> squad,
        IReadOnlyList<string> skills,
        DateOnly today,
        int weeks
    )
    {
        DateOnly[] mondays = [.. Enumerable.Range(0, weeks).Select(week => Monday(today).AddDays(-7 * (weeks - 1 - week)))];
        var within = sheets.Where(sheet => sheet.Practice.Date >= mondays[0] && sheet.Practice.Date <= today).ToArray();
        var bySkill = within
            .SelectMany(sheet => sheet.Outcome.Card.Skills, (sheet, skill) => (skill, sheet))
            .ToLookup(each => each.skill, each => each.sheet, StringComparer.Ordinal);
        SkillWeeks[] rows =
        [
            .. skills
                .Union(bySkill.Select(each => each.Key), StringComparer.Ordinal)
                .Select(skill => new SkillWeeks(
                    skill,
                    [.. mondays.Select(week => Practices(bySkill[skill].Where(sheet => Monday(sheet.Practice.Date) == week)))],
                    [.. mondays.Select(week => Ran(bySkill[skill].Where(sheet => Monday(sheet.Practice.Date) == week)))],
                    bySkill[skill].Select(sheet => (DateOnly?)sheet.Practice.Date).Max()
                ))
                .OrderBy(row => row.Last ?? DateOnly.MinValue)
                .ThenBy(row => row.Skill, StringComparer.Ordinal),
        ];
        return new SquadCoverage(
            mondays,
            rows,
            [
                .. squad.Select(player =>
                    (
                        player.Id,
                        player.Name,
                        (IReadOnlyList<int>)
                            [.. rows.Select(row => Practices(bySkill[row.Skill].Where(sheet => On(sheet).Contains(player.Id))))]
                    )
                ),
            ],
            JobsOf(within, squad),
            PartnersOf(within, squad)
        );
    }

    private static int Practices(IEnumerable<PastSheet> sheets) => sheets.Select(sheet => sheet.Practice.Id).Distinct().Count();

    /// <summary>Sheets of one run go on at the same time: the longest of them is the time it ran.</summary>
    private static Duration Ran(IEnumerable<PastSheet> sheets) =>
        sheets.GroupBy(sheet => sheet.RunId).Aggregate(Duration.Zero, (all, run) => all + run.Max(sheet => sheet.Outcome.Work.Ran));

    private static IEnumerable<PlayerId> On(PastSheet sheet) =>
        sheet.Outcome.Report.Games.SelectMany(game => game.Stays).Select(stay => stay.Player).Distinct();

    /// <summary>In a match a place is a side, and no job.</summary>
    private static IReadOnlyList<SameJob> JobsOf(
        IReadOnlyList<PastSheet> sheets,
        IReadOnlyList<(PlayerId Id, string Name)> squad
    ) =>
        [
            .. squad.SelectMany(player =>
                sheets
                    .Where(sheet => sheet.Outcome.Stage.Play != Play.Match)
                    .Where(sheet => sheet.Outcome.Stage.Places.Count(place => place.Active) > 1)
                    .SelectMany(
                        sheet => sheet.Outcome.Work.Players.Where(work => work.Player == player.Id),
                        (sheet, work) => (sheet.Outcome.Card, sheet.RunId, work.Jobs)
                    )
                    .GroupBy(each => each.Card.Id)
                    .Where(drill => drill.Select(each => each.RunId).Distinct().Count() > 1)
                    .Select(drill =>
                    {
                        var jobs = drill
                            .SelectMany(each => each.Jobs)
                            .GroupBy(job => job.Job, StringComparer.Ordinal)
                            .Select(job => (Job: job.Key, Time: job.Sum(each => each.Time.Milliseconds)))
                            .ToArray();
                        var all = jobs.Sum(job => job.Time);
                        var most = jobs.MaxBy(job => job.Time);
                        return new SameJob(player.Name, drill.First().Card.Name, most.Job, all > 0 ? (double)most.Time / all : 0);
                    })
                    .Where(same => same.Share >= Nearly)
            ),
        ];

    private static IReadOnlyList<SamePartner> PartnersOf(
        IReadOnlyList<PastSheet> sheets,
        IReadOnlyList<(PlayerId Id, string Name)> squad
    )
    {
        // A group is who was on a sheet together, where there were several; in a match who was on a side.
        PlayerId[][] groups = [.. sheets.GroupBy(sheet => sheet.RunId).SelectMany(GroupsOf).Where(group => group.Length > 1)];
        return
        [
            .. squad.SelectMany(player =>
            {
                var own = groups.Where(group => group.Contains(player.Id)).ToArray();
                return own.Length < Few
                    ? []
                    : squad
                        .Where(other => other.Id != player.Id)
                        .Select(other => new SamePartner(
                            player.Name,
                            other.Name,
                            new Share(own.Count(group => group.Contains(other.Id)), own.Length)
                        ))
                        .Where(pair => pair.Together.Value >= Nearly);
            }),
        ];
    }

    private static IEnumerable<PlayerId[]> GroupsOf(IEnumerable<PastSheet> run)
    {
        var sheets = run.ToArray();
        return sheets[0].Outcome.Stage.Play == Play.Match
                ? sheets.SelectMany(sheet =>
                    sheet
                        .Outcome.Report.Games.SelectMany(game => game.Stays)
                        .GroupBy(stay => stay.Unit)
                        .Select(side => side.Select(stay => stay.Player).Distinct().ToArray())
                )
            : sheets.Length > 1 ? sheets.Select(sheet => On(sheet).ToArray())
            : [];
    }

    private static DateOnly Monday(DateOnly day) => day.AddDays(-(((int)day.DayOfWeek + 6) % 7));
}

/// <summary>A skill over the weeks.</summary>
/// <param name="Skill">The skill.</param>
/// <param name="Practices">In how many practices it came up, week by week.</param>
/// <param name="Ran">How long drills of it ran, week by week; a drill of several skills counts for each.</param>
/// <param name="Last">When it did last; null where it did not.</param>
public sealed record SkillWeeks(string Skill, IReadOnlyList<int> Practices, IReadOnlyList<Duration> Ran, DateOnly? Last)
{
    /// <summary>The minutes that drills of it ran, week by week; any time at all is a minute at least.</summary>
    public IReadOnlyList<int> Minutes =>
        [.. Ran.Select(ran => ran == Duration.Zero ? 0 : Math.Max(1, (int)Math.Round(ran.TotalSeconds / 60)))];
}

/// <summary>A player had one job of a drill nearly all the time.</summary>
public sealed record SameJob(string Player, string Drill, string Job, double Share);

/// <summary>A player was with the same player nearly every time groups or sides were made.</summary>
public sealed record SamePartner(string Player, string Partner, Share Together);
