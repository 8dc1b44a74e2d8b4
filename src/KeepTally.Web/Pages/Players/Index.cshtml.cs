using System.Globalization;
using KeepTally.Core.Judgement;
using KeepTally.Core.Loads;
using KeepTally.Core.Reports;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Rules.Zones;
using KeepTally.Core.Simulation;
using KeepTally.Core.Text;
using KeepTally.Core.Time;
using KeepTally.Core.Words;
using KeepTally.Screen.Charts;
using KeepTally.Store.Results;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using KeepTally.Web.Drawing;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Players;

/// <summary>The page of one player, about that player only: it may be given to the player and the family.</summary>
public sealed class IndexModel(SquadBook squad, PastBook past, LoadBook loads, TimeProvider clock) : PageModel
{
    /// <summary>How far back it looks.</summary>
    private const int Weeks = 52;

    private const int ParRuns = 1000;
    private const double UsualMinutes = 8;

    public required Player Player { get; set; }

    public required string TeamName { get; set; }

    public required PlayerRecord Record { get; set; }

    /// <summary>The limits of load the club goes by.</summary>
    public LoadTable Limits { get; private set; } = LoadTable.Suggested;

    public DateOnly Today { get; private set; }

    public SuccessBand Band => SuccessBand.Usual;

    public async Task<IActionResult> OnGetAsync(int id, CancellationToken cancellationToken)
    {
        if (await squad.FindAsync(id, cancellationToken) is not { } player)
        {
            return NotFound();
        }

        (Player, TeamName) = (player, (await squad.TeamAsync(player.TeamId, cancellationToken)).Name);
        Limits = await loads.TableAsync(cancellationToken);
        Today = DateOnly.FromDateTime(clock.GetLocalNow().DateTime);
        Record = PlayerRecord.Of(
            player.UnitId,
            await past.OfTeamAsync(player.TeamId, null, Today.AddDays(-7 * Weeks), cancellationToken)
        );
        return Page();
    }

    /// <summary>How old the player is at least; null where the year of birth is not written down.</summary>
    public int? Age => Player.BirthYear is { } born ? LoadLimits.AgeOn(born, Today) : null;

    /// <summary>Whether there is a published limit for anything that was counted, at this age.</summary>
    public bool HasLimits => Age is { } age && Record.Loads.Any(load => Limits.For(load.Kind, age) is not null);

    /// <summary>Where a limit was passed or rest cut short, and where rest is due today; a sentence each.</summary>
    public IReadOnlyList<string> LoadSaid =>
        [
            .. Record
                .Loads.GroupBy(load => load.Kind)
                .SelectMany(kind =>
                    Age is { } age && Limits.For(kind.Key, age) is { } limit
                        ? Said(limit, kind.Key, [.. kind.Select(load => (load.Date, load.Count))])
                        : []
                ),
        ];

    /// <summary>How often the par of a drill is met in the minutes of its card, by the player's own record; empty where none is set.</summary>
    public static string ParOf(PlayerDrill drill)
    {
        var index = drill.Card.Stages.ToList().FindIndex(stage => stage.Name == drill.Stage.Name);
        var record = drill.Past.All;
        if (
            drill.Stage.Par is not { } par
            || index < 0
            || DrillSkill.Of(drill.Stage, record.Value, null, record) is not { } skill
            || Simulator.Open(drill.Card, index, skill) is not { IsOk: true, Value: { } simulator }
        )
        {
            return "";
        }

        var given = Duration.FromMinutes(drill.Card.Minutes > 0 ? drill.Card.Minutes : UsualMinutes);
        var settings = new SimulationSettings(GoPace.Of(drill.Card, drill.Stage, drill.Card.Players.Best))
        {
            Runs = ParRuns,
            Cap = ParRuns,
            Given = given,
        };
        return SimulationWords.ParOf(par, simulator.Run(settings), given);
    }

    /// <summary>Where the player hit the zones that were asked for, with the one to ask next; null where there are none.</summary>
    public static ChartView? ZonesOf(PlayerDrill drill)
    {
        if (drill.Stage.Targets is not { } targets || drill.Zones.Count == 0)
        {
            return null;
        }

        PastPractice[] days =
        [
            .. drill.Zones.SelectMany(zone => zone.Days).Select(day => day.Practice).Distinct().OrderBy(practice => practice.Date),
        ];
        var map = LandedDrawing.Of(drill.Card.Layout, targets, [.. drill.Zones.Select(zone => (zone.Zone, zone.All, zone.Astray))]);
        return new ChartView(
            AskNext.Of([.. drill.Zones.Select(zone => (zone.Zone, zone.All))]),
            map ?? "",
            map is null ? "" : LandedDrawing.Key
        )
        {
            Table = new ChartTable(
                "Zones by practice",
                ["Zone", .. days.Select(day => day.Date.ToString("d MMM", CultureInfo.InvariantCulture)), "All"],
                [
                    .. drill.Zones.Select(zone =>
                        (IReadOnlyList<string>)
                            [
                                Phrase.Capital(Phrase.Words(zone.Zone)),
                                .. days.Select(day =>
                                    zone.Days.FirstOrDefault(each => each.Practice == day) is { Hit.Of: > 0 } on
                                        ? $"{on.Hit.Made}/{on.Hit.Of}"
                                        : "·"
                                ),
                                zone.All.Of > 0 ? $"{zone.All.Made}/{zone.All.Of}" : "·",
                            ]
                    ),
                ]
            ),
        };
    }

    /// <summary>The limit of a day for a kind at this age; null where there is none or the age is not known.</summary>
    public int? PerDayOf(string kind) => Age is { } age ? Limits.For(kind, age)?.PerDay : null;

    /// <summary>The load of a kind by day, the oldest first, against the limit of a day.</summary>
    public ChartView LoadChartOf(string kind)
    {
        var days = Record.Loads.Where(load => load.Kind == kind).OrderBy(load => load.Date).ToArray();
        var (things, most) = (Phrase.Plural(2, kind), PerDayOf(kind));
        var over = days.Count(day => day.Count > most);
        var finding =
            most is null ? $"{Phrase.Capital(things)} by day."
            : over == 0 ? $"{Phrase.Capital(things)} by day: never above the limit of {most}."
            : $"{Phrase.Capital(things)} by day: above the limit of {most} on {Phrase.Of(over, "day")}.";
        return new ChartView(
            finding,
            ColumnChart.Of(
                [.. days.Select(day => new Column(day.Date.ToString("d MMM", CultureInfo.InvariantCulture), day.Count))],
                most,
                $"{finding} The table has the figures."
            ),
            most is null ? "" : "Broken line: the limit of a day."
        );
    }

    private IEnumerable<string> Said(LoadLimit limit, string kind, IReadOnlyList<(DateOnly, int)> days)
    {
        LoadWarning?[] all = [LoadJudge.On(Today, limit, days), .. LoadJudge.OfPast(limit, days)];
        return all.OfType<LoadWarning>().Select(warning => LoadWords.Of(warning, kind));
    }

    /// <summary>The load of a kind in the seven days up to a day, that day included.</summary>
    public int InWeekTo(DateOnly day, string kind) =>
        Record.Loads.Where(load => load.Kind == kind && load.Date <= day && load.Date > day.AddDays(-7)).Sum(load => load.Count);
}
