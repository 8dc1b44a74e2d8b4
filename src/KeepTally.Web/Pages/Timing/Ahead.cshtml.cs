using KeepTally.Core.Cards;
using KeepTally.Core.Judgement;
using KeepTally.Core.Loads;
using KeepTally.Core.Planning;
using KeepTally.Core.Simulation;
using KeepTally.Core.Time;
using KeepTally.Core.Words;
using KeepTally.Store.Planning;
using KeepTally.Store.Results;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Timing;

/// <summary>A timing sheet played ahead, drill by drill: what will be played out in the time it was given, by the squad's own record.</summary>
public sealed class AheadModel(PlanBook plans, PastBook past, LoadBook loads, SquadBook squad) : PageModel
{
    /// <summary>Fewer than for one drill: a sheet has many, and tells tenths.</summary>
    private const int Runs = 2000;

    private const int Cap = 2000;

    /// <summary>The share taken where there is no record.</summary>
    private const double Unknown = 0.5;

    public required OpenPlan Open { get; set; }

    /// <summary>The limits of load the club goes by.</summary>
    public LoadTable Limits { get; private set; } = LoadTable.Suggested;

    public IReadOnlyList<AheadLine> Lines { get; private set; } = [];

    /// <summary>The sheet as a whole, a sentence each.</summary>
    public IReadOnlyList<string> Whole { get; private set; } = [];

    /// <summary>Players for whom rest is due on the day of the practice, where it has drills that load them.</summary>
    public IReadOnlyList<(string Player, string Words)> Resting { get; private set; } = [];

    public async Task<IActionResult> OnGetAsync(int id, CancellationToken cancellationToken)
    {
        if (await plans.OpenAsync(id, cancellationToken) is not { } open)
        {
            return NotFound();
        }

        Open = open;
        var done = (await past.OfTeamAsync(open.Practice.TeamId, null, null, cancellationToken))
            .Where(sheet => sheet.Practice.Id != id)
            .ToArray();
        var sheets = done.ToLookup(sheet => sheet.Outcome.Card.Id);
        Limits = await loads.TableAsync(cancellationToken);
        Resting = RestingOn(open, done, Limits, await squad.ListAsync(open.Practice.TeamId, cancellationToken));
        var report = PlanReport.Of(open.Plan, open.Shelf);
        Lines =
        [
            .. report
                .Blocks.Where(block => block.Block is PlanBlock.Drill)
                .Select(block => LineOf((PlanBlock.Drill)block.Block, block, sheets, cancellationToken)),
        ];
        var played = Lines.Where(line => line.Lasts.Length > 0).ToArray();
        Whole = SimulationWords.OfSheet(
            SheetSimulation.Of(
                open.Practice.Minutes * 60,
                report.Total - played.Sum(line => line.Given),
                [.. played.Select(line => (line.Lasts, line.Units))]
            ),
            played
                .Select(line =>
                    ((string Name, double Share)?)(line.Name, SheetSimulation.Unfinished(line.Lasts, line.Units, line.Given))
                )
                .MaxBy(line => line!.Value.Share)
        );
        return Page();
    }

    private static IReadOnlyList<(string Player, string Words)> RestingOn(
        OpenPlan open,
        IReadOnlyList<PastSheet> done,
        LoadTable limits,
        IReadOnlyList<Player> players
    )
    {
        var day = open.Practice.Date;
        var kinds = open
            .Plan.Blocks.SelectMany(block => block.Cards)
            .Select(card => open.Shelf.Find(card)?.Load?.Kind)
            .OfType<string>()
            .Distinct()
            .ToArray();
        return
        [
            .. players
                .Where(player => player.BirthYear is not null)
                .SelectMany(
                    player => LoadDay.Of(player.UnitId, done).Where(load => kinds.Contains(load.Kind)).GroupBy(load => load.Kind),
                    (player, loads) =>
                        (
                            player.Name,
                            loads.Key,
                            Due: limits.For(loads.Key, LoadLimits.AgeOn(player.BirthYear!.Value, day)) is { } limit
                                ? LoadJudge.On(day, limit, loads.Select(load => (load.Date, load.Count)))
                                : null
                        )
                )
                .Where(each => each.Due is not null)
                .Select(each => (each.Name, LoadWords.Of(each.Due!, each.Key))),
        ];
    }

    private AheadLine LineOf(
        PlanBlock.Drill drill,
        BlockReport block,
        ILookup<string, PastSheet> sheets,
        CancellationToken cancellationToken
    )
    {
        var name = Open.Shelf.NameOf(drill);
        if (Open.Shelf.Played(drill, Open.Plan.Players) is not { } card)
        {
            return new AheadLine(name, drill.Card, default, "This card cannot be read or is not in the book.");
        }

        var index = Math.Min(drill.Stage ?? 0, card.Stages.Count - 1);
        var stage = card.Stages[index];
        var way = DrillPast.Of([.. sheets[drill.Card]]).FirstOrDefault(each => each.Stage.Name == stage.Name);
        var record = stage.Play == Play.Match ? default : way?.All ?? default;
        var skill = DrillSkill.Of(stage, record.Of > 0 ? record.Value : Unknown, way?.Counts, record.Of > 0 ? record : null);
        if (skill is null || Simulator.Open(card, index, skill) is not { IsOk: true, Value: { } simulator })
        {
            return new AheadLine(name, drill.Card, record, "This card cannot be simulated.");
        }

        var given = Duration.FromSeconds(drill.Seconds);
        var settings = new SimulationSettings(GoPace.Of(card, stage, block.GroupSizes.DefaultIfEmpty(1).Max()))
        {
            Runs = Runs,
            Cap = Cap,
            Given = given,
        };
        var within = simulator.Run(settings, cancellationToken);
        var whole = SimulationWords.Ends(stage)
            ? Simulator.Open(Untimed.Of(card, index), index, skill).Require().Run(settings with { Given = null }, cancellationToken)
            : null;
        return new AheadLine(name, drill.Card, record, SimulationWords.InTime(stage, within, whole, given))
        {
            Wait = block.Drills[0].Activity?.WaitSeconds ?? 0,
            Given = drill.Seconds,
            Units = stage is { Scores: Scorer.Player, Play: Play.Together } ? block.GroupSizes.Sum() : block.GroupSizes.Count,
            Lasts = whole is null
                ? []
                : Simulator
                    .Open(Untimed.Of(card, index), index, skill)
                    .Require()
                    .Lasts(settings with { Given = null }, cancellationToken),
        };
    }
}

/// <summary>The simulation of a drill of the timing sheet.</summary>
/// <param name="Name">The name of the drill.</param>
/// <param name="Card">The id of the card.</param>
/// <param name="Record">The squad's record in it; empty where a half was taken.</param>
/// <param name="Words">The finding, in a sentence.</param>
public sealed record AheadLine(string Name, string Card, Share Record, string Words)
{
    /// <summary>Seconds a player waits between two goes, by the timing sheet.</summary>
    public decimal Wait { get; init; }

    /// <summary>Seconds it was given.</summary>
    public double Given { get; init; }

    /// <summary>How many players, or groups or pairs of sides, have to be done before it is.</summary>
    public int Units { get; init; }

    /// <summary>How long it lasts if let run, try by try, in seconds; nothing where time alone ends it.</summary>
    public double[] Lasts { get; init; } = [];
}
