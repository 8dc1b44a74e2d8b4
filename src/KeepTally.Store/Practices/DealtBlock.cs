using KeepTally.Core.Cards;
using KeepTally.Core.Dealing;
using KeepTally.Core.Faults;
using KeepTally.Core.Groups;
using KeepTally.Store.Tables;

namespace KeepTally.Store.Practices;

/// <summary>A block with the groups its players fall into, and the sheets they are dealt onto.</summary>
/// <param name="Block">The block.</param>
/// <param name="Cards">Its card; in a circuit that of each station.</param>
/// <param name="Groups">The groups, or null where none could be made.</param>
/// <param name="Sheets">The sheets of the block, in order.</param>
/// <param name="Trouble">Why none could be made; null where too few are left.</param>
/// <param name="Bound">What keeps the groups from being more, where there are as many as can be.</param>
public sealed record DealtBlock(
    Block Block,
    IReadOnlyList<DrillCard> Cards,
    DealtGroups? Groups,
    IReadOnlyList<PlannedSheet> Sheets,
    Fault? Trouble,
    GroupBound? Bound
)
{
    /// <summary>How many play on each side, where its card has more ways than one; null where it has not.</summary>
    public int? Versus { get; init; }

    /// <summary>How many units are on its largest sheet.</summary>
    public int MostUnits => Sheets.Select(sheet => sheet.Head.Units.Count).DefaultIfEmpty(0).Max();

    /// <summary>The groups were changed by hand.</summary>
    public bool IsByHand => Block.ByHandJson.Length > 0;
}
