using KeepTally.Core.Dealing;
using KeepTally.Core.Text;
using KeepTally.Core.Words;
using KeepTally.Store.Practices;
using KeepTally.Store.Tables;

namespace KeepTally.Web.Pages;

/// <summary>How players fall into groups in a block of the timing sheet, in words.</summary>
public static class BlockWords
{
    /// <param name="block">The block.</param>
    /// <param name="dealt">The block as it would be dealt now, or null once practice has begun.</param>
    public static string Groups(Block block, DealtBlock? dealt)
    {
        if (dealt is { Cards.Count: 0, Trouble: { } unreadable })
        {
            return unreadable.Problem;
        }

        var sizes = (dealt?.Groups?.Groups ?? []).Select(group => group.Players.Count).ToArray();
        var groups = sizes.Length > 0 ? Sizes(sizes, SidesOf(dealt!)) : Wished(block);
        if (dealt?.Versus is { } number)
        {
            groups += $", {VersusWords.Of(number)}";
        }

        return block.Circuit is { } circuit ? $"{groups}, {Phrase.Figure(circuit.MinutesEach)} min at each station" : groups;
    }

    private static int SidesOf(DealtBlock dealt) =>
        dealt.Block.Circuit is null ? StageDealer.SidesOf(dealt.Cards[0].Stages[dealt.Block.Stage]) : 1;

    /// <summary>In a match those on a court are together, whatever their side.</summary>
    private static string Sizes(int[] sizes, int sides)
    {
        var together = sizes.Chunk(sides).Select(court => court.Sum()).ToArray();
        var alike = together.GroupBy(size => size).OrderByDescending(size => size.Key).ToArray();
        return together.Length == 1 ? $"all {together[0]} together"
            : alike.Length == 1 ? $"{together.Length} groups of {together[0]}"
            : Phrase.List([.. alike.Select(size => $"{size.Count()} of {size.Key}")]);
    }

    private static string Wished(Block block) =>
        block.GroupsBy switch
        {
            GroupsBy.Number when block.Groups == 1 => "all together",
            GroupsBy.Number => $"{block.Groups} groups",
            GroupsBy.Size => $"groups of {block.Groups}",
            GroupsBy.Most => "as many groups as can be",
        };
}
