using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Groups;
using KeepTally.Core.Live;
using KeepTally.Store.Tables;

namespace KeepTally.Store.Practices;

/// <summary>A block with the groups its players fall into, and the sheets they are dealt onto.</summary>
/// <param name="Cards">Its card; in a circuit that of each station.</param>
/// <param name="Groups">The groups, or null where none could be made.</param>
/// <param name="Trouble">Why none could be made, in words for the coach; null where too few are left.</param>
/// <param name="Bound">What keeps the groups from being more, where there are as many as can be.</param>
public sealed record DealtBlock(
    Block Block,
    IReadOnlyList<DrillCard> Cards,
    DealtGroups? Groups,
    IReadOnlyList<DealtSheet> Sheets,
    string? Trouble,
    GroupBound? Bound
)
{
    /// <summary>The groups were changed by hand.</summary>
    public bool IsByHand => Block.ByHandJson.Length > 0;
}

/// <summary>A sheet to be kept: what stands on it, and in a circuit its own card and where on the way round it is.</summary>
public sealed record DealtSheet(string Name, LogHead Head, string? CardJson = null, CircuitStop? Stop = null);

/// <summary>Groups as they stand, and how even they are.</summary>
/// <param name="Broken">Kept pairs that do not hold, in words for the coach.</param>
public sealed record DealtGroups(IReadOnlyList<DealtGroup> Groups, Evenness Evenness, IReadOnlyList<string> Broken);

/// <summary>A group by the name it is called by.</summary>
public sealed record DealtGroup(string Name, IReadOnlyList<Member> Players);
