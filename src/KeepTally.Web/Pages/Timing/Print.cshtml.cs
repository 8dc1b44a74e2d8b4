using System.Globalization;
using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Live;
using KeepTally.Core.Measures;
using KeepTally.Store.Planning;
using KeepTally.Store.Practices;
using KeepTally.Store.Squads;
using KeepTally.Web.Drawing;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Timing;

/// <summary>The sheet on one page, large, for a clipboard; behind it each drill with its set-up, its rules and who is in which group.</summary>
public sealed class PrintModel(PlanBook plans, GroupPlan groups, SquadBook squad) : PageModel
{
    public required SheetViewModel Sheet { get; set; }

    /// <summary>The groups of each line by its key, a line of text each: "A: Ada, Bea, Cleo". None once the practice has begun.</summary>
    public ILookup<int, string> Groups { get; private set; } =
        Array.Empty<(int, string)>().ToLookup(each => each.Item1, each => each.Item2);

    /// <summary>The drills of the practice with the line they are done in, circuits station by station; each card once.</summary>
    public IReadOnlyList<(SheetLine Line, DrillCard Card)> Drills =>
        [
            .. Sheet
                .Lines.SelectMany(line => line.Report.Drills, (line, drill) => (line, drill.Card))
                .Where(each => each.Card is not null)
                .Select(each => (each.line, each.Card!))
                .DistinctBy(each => each.Item2.Id),
        ];

    /// <summary>The groups in which a card is played, with the time where it stands in several lines; a circuit's are beside its first station.</summary>
    public IEnumerable<string> GroupsOf(DrillCard card)
    {
        SheetLine[] lines =
        [
            .. Sheet.Lines.Where(line =>
                line.Report.Drills.FirstOrDefault(drill => drill.Card is not null)?.Card!.Id == card.Id && Groups.Contains(line.Key)
            ),
        ];
        return lines.SelectMany(line =>
            Groups[line.Key]
                .Select(group =>
                    lines.Length == 1 ? group : string.Create(CultureInfo.InvariantCulture, $"{line.At:HH:mm} {group}")
                )
        );
    }

    public async Task<IActionResult> OnGetAsync(int id, CancellationToken cancellationToken)
    {
        if (await plans.OpenAsync(id, cancellationToken) is not { } open)
        {
            return NotFound();
        }

        Sheet = SheetViewModel.Of(open);
        // Once it has begun, players may be in other groups than they were planned.
        if (!open.IsRunning)
        {
            var players = await squad.ListAsync(open.Practice.TeamId, cancellationToken);
            var names = CallNames.Of(players.Select(player => new Member(player.UnitId, player.Name)));
            Groups = (await groups.OfAsync(open.Practice, players, cancellationToken))
                .Blocks.SelectMany(
                    block => block.Groups?.Groups ?? [],
                    (block, group) =>
                        (
                            block.Block.Id,
                            $"{group.Name}: {string.Join(", ", group.Players.Select(player => names.GetValueOrDefault(player.Id, player.Name)))}"
                        )
                )
                .ToLookup(each => each.Item1, each => each.Item2);
        }

        return Page();
    }

    /// <summary>The set-up of a card as SVG; null where it is not drawn.</summary>
    public static string? PictureOf(DrillCard card, int index) =>
        card.Layout?.By(Stride.Usual) is { } scene ? new RepDrawing(scene, $"print-{index}", Pacing.Usual).Rep().ToString() : null;
}
