using KeepTally.Core.Dealing;

namespace KeepTally.Web.Pages.Groups;

/// <summary>A set of groups that can be changed by hand.</summary>
/// <param name="Practice">The id of the practice.</param>
/// <param name="Block">The block they are of; null for those settled for the whole practice.</param>
/// <param name="Groups">The groups as they were dealt.</param>
/// <param name="Before">How even they were before the last change, or null.</param>
/// <param name="Fixed">They follow from the settled groups and are not changed here.</param>
public sealed record Made(int Practice, int? Block, DealtGroups Groups, string? Before, bool Fixed)
{
    /// <summary>A short name of the set, the same as long as it stands.</summary>
    public string Key => Block is { } block ? $"b{block}" : "all";
}
