using KeepTally.Core.Cards;
using KeepTally.Core.Formats;
using KeepTally.Core.Words;
using KeepTally.Store.Practices;
using KeepTally.Store.Tables;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Circuit;

/// <summary>A circuit of a practice: the grid, the groups, and a card to print for each station.</summary>
public sealed class IndexModel(CircuitSheet circuits, PracticeBook book, GroupPlan plan, LiveRecord record) : PageModel
{
    public required Practice Practice { get; set; }

    public required Block Block { get; set; }

    public required CircuitGrid Grid { get; set; }

    /// <summary>The drill of each station.</summary>
    public IReadOnlyList<DrillCard> Cards { get; private set; } = [];

    /// <summary>Each group's letter and first names.</summary>
    public IReadOnlyList<(string Letter, string Players)> Groups { get; private set; } = [];

    /// <summary>The cards alone, as they are printed.</summary>
    public bool IsPrint { get; private set; }

    public async Task<IActionResult> OnGetAsync(int block, CancellationToken stop) =>
        await LoadAsync(block, stop) ? Page() : NotFound();

    public async Task<IActionResult> OnGetCardsAsync(int block, CancellationToken stop)
    {
        IsPrint = true;
        return await LoadAsync(block, stop) ? Page() : NotFound();
    }

    private async Task<bool> LoadAsync(int block, CancellationToken stop)
    {
        if (
            await circuits.PracticeOfAsync(block, stop) is not { } id
            || await book.FindAsync(id, stop) is not { } practice
            || practice.Blocks.FirstOrDefault(each => each.Id == block) is not { Circuit: { } circuit } found
        )
        {
            return false;
        }

        (Practice, Block) = (practice, found);
        Cards = [.. circuit.Stations.Select(station => CardReader.Read(station.CardVersion!.Json).Sure())];
        Groups = await GroupsAsync(practice, found, stop);
        Grid = CircuitGrid.Of(
            circuit,
            [.. circuit.Stations.Zip(Cards, CircuitDealer.NameOf)],
            Groups.Count > 0 ? Groups.Count : found.Groups
        );
        return true;
    }

    /// <summary>As they would be dealt now; once practice has begun, as they were.</summary>
    private async Task<IReadOnlyList<(string Letter, string Players)>> GroupsAsync(
        Practice practice,
        Block block,
        CancellationToken stop
    )
    {
        IEnumerable<IEnumerable<string>> groups = block.Run is { } run
            ? (await record.OfRunsAsync([run.Id], stop))[0]
                .Sheets.Where(sheet => sheet.Row.Stop is null)
                .SelectMany(sheet => HeadReader.Read(sheet.Row.HeadJson).Sure().Units)
                .Select(unit => unit.Players.Select(player => player.Name))
            : (await plan.OfAsync(practice, stop))
                .Blocks.Where(each => each.Block.Id == block.Id)
                .SelectMany(each => each.Groups?.Groups ?? [])
                .Select(group => group.Players.Select(player => player.Name));
        return
        [
            .. groups.Select((names, index) => (Letters.Of(index), string.Join(", ", names.Select(name => name.Split(' ')[0])))),
        ];
    }
}
