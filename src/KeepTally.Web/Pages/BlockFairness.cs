using KeepTally.Core.Words;
using KeepTally.Store.Practices;

namespace KeepTally.Web.Pages;

/// <summary>Whether everyone in the groups of a block gets as many goes as the others, in words.</summary>
public static class BlockFairness
{
    /// <summary>How often players do each job in groups of these sizes, one sentence for each size; at a circuit, what cannot be even.</summary>
    public static IEnumerable<string> Of(DealtBlock dealt)
    {
        var sentences = dealt.Block.Circuit is null
            ? Sizes(dealt.Sheets).Select(players => FairWords.Of(dealt.Cards[0].Stages[dealt.Block.Stage], players))
            : dealt
                .Sheets.Where(sheet => sheet.Stop is not null)
                .GroupBy(sheet => sheet.Stop!.Value.Station)
                .OrderBy(station => station.Key)
                .SelectMany(station => UnevenAt(dealt, station.Key, [.. station]));
        return sentences.Where(words => words.Length > 0);
    }

    private static IEnumerable<string> UnevenAt(DealtBlock dealt, int station, IReadOnlyList<PlannedSheet> sheets)
    {
        var stage = dealt.Cards[station].Stages[dealt.Block.Circuit!.Stations[station].Stage];
        return Sizes(sheets)
            .Select(players => FairWords.Unevenness(stage, players))
            .Where(words => words.Length > 0)
            .Select(words => $"{station + 1} {sheets[0].Name}. {words}");
    }

    private static IEnumerable<int> Sizes(IEnumerable<PlannedSheet> sheets) =>
        sheets.Select(sheet => sheet.Head.Units.Sum(unit => unit.People.Count())).Distinct().OrderDescending();
}
