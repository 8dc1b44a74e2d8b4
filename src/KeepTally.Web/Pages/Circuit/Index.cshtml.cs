using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Formats;
using KeepTally.Core.Live;
using KeepTally.Core.Measures;
using KeepTally.Core.Text;
using KeepTally.Store.People;
using KeepTally.Store.Planning;
using KeepTally.Store.Practices;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Circuit;

/// <summary>A circuit of a practice: the grid, the groups, and a card to print for each station.</summary>
public sealed class IndexModel(PaceBook paces, CircuitWriter circuits, PracticeBook book, GroupPlan plan, RunStore runStore)
    : PageModel
{
    public required Practice Practice { get; set; }

    /// <summary>The reader's units and stride.</summary>
    public Pacing Pacing { get; private set; }

    public required Block Block { get; set; }

    public required CircuitGrid Grid { get; set; }

    /// <summary>The drill of each station.</summary>
    public IReadOnlyList<DrillCard> Cards { get; private set; } = [];

    /// <summary>Each group's letter and first names.</summary>
    public IReadOnlyList<(string Letter, string Players)> Groups { get; private set; } = [];

    /// <summary>Where goes cannot be even, in words; empty once practice has begun.</summary>
    public IReadOnlyList<string> Uneven { get; private set; } = [];

    /// <summary>The cards alone, as they are printed.</summary>
    public bool IsPrint { get; private set; }

    public async Task<IActionResult> OnGetAsync(int block, CancellationToken cancellationToken) =>
        await LoadAsync(block, cancellationToken) ? Page() : NotFound();

    public async Task<IActionResult> OnGetCardsAsync(int block, CancellationToken cancellationToken)
    {
        IsPrint = true;
        return await LoadAsync(block, cancellationToken) ? Page() : NotFound();
    }

    private async Task<bool> LoadAsync(int block, CancellationToken cancellationToken)
    {
        if (
            await circuits.PracticeOfAsync(block, cancellationToken) is not { } id
            || await book.FindAsync(id, cancellationToken) is not { } practice
            || practice.Blocks.FirstOrDefault(each => each.Id == block) is not { Circuit: { } circuit } found
        )
        {
            return false;
        }

        (Practice, Block) = (practice, found);
        (Pacing, _) = await paces.OfAsync(HttpContext.Caller()!, cancellationToken);
        var read = circuit.Stations.Select(station => CardReader.Read(station.CardVersion!.Json)).ToArray();
        if (!Array.TrueForAll(read, card => card.IsOk))
        {
            // Today says which card no longer reads.
            return false;
        }

        Cards = [.. read.Select(card => card.Require())];
        Groups = found.Run is { } run
            ? await DealtAsync(run, cancellationToken)
            : await PlannedAsync(practice, found, cancellationToken);
        Grid = CircuitGrid.Of(
            circuit,
            [.. CircuitPlans.Of(circuit, Cards).Stations.Select(station => station.Name)],
            Groups.Count > 0 ? Groups.Count : found.Groups
        );
        return true;
    }

    /// <summary>The groups as they were dealt when practice began.</summary>
    private async Task<IReadOnlyList<(string Letter, string Players)>> DealtAsync(
        Store.Tables.Run run,
        CancellationToken cancellationToken
    ) =>
        Named(
            (await runStore.OfRunsAsync([run.Id], cancellationToken))[0]
                .Sheets.Where(sheet => sheet.Row.Stop is null)
                .SelectMany(sheet => HeadReader.Read(sheet.Row.HeadJson).Require().Units)
                .Select(unit => unit.Players)
        );

    /// <summary>The groups as they would be dealt now.</summary>
    private async Task<IReadOnlyList<(string Letter, string Players)>> PlannedAsync(
        Practice practice,
        Block block,
        CancellationToken cancellationToken
    )
    {
        var dealt = (await plan.OfAsync(practice, cancellationToken: cancellationToken)).Blocks.First(each =>
            each.Block.Id == block.Id
        );
        Uneven = [.. BlockFairness.Of(dealt)];
        return Named((dealt.Groups?.Groups ?? []).Select(group => group.Players));
    }

    private static (string Letter, string Players)[] Named(IEnumerable<IReadOnlyList<Member>> groups)
    {
        var all = groups.ToArray();
        var names = CallNames.Of(all.SelectMany(group => group));
        return [.. all.Select((group, index) => (Letters.Of(index), string.Join(", ", group.Select(player => names[player.Id]))))];
    }
}
