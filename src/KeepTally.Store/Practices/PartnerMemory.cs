using KeepTally.Core.Events;
using KeepTally.Core.Groups;
using KeepTally.Store.Book;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Practices;

/// <summary>Who was with whom in the last practices.</summary>
public sealed class PartnerMemory(TallyDb db, TextCache texts)
{
    /// <summary>Partners of so many practices back are remembered.</summary>
    private const int Remembered = 3;

    /// <summary>How often pairs were in one group in the last practices of the team.</summary>
    public async Task<Dictionary<Pair, int>> BeforeAsync(Practice practice, CancellationToken cancellationToken = default)
    {
        var last = await db
            .Practices.Where(each => each.TeamId == practice.TeamId && each.Id != practice.Id && each.Date <= practice.Date)
            .Where(each => each.Blocks.Any(block => block.Run != null))
            .OrderByDescending(each => each.Date)
            .ThenByDescending(each => each.Id)
            .Take(Remembered)
            .Select(each => each.Id)
            .ToListAsync(cancellationToken);
        var heads = await db
            .Sheets.Where(sheet => last.Contains(sheet.Run!.Block!.PracticeId) && (sheet.Round == null || sheet.Round == 1))
            .Select(sheet => sheet.HeadJson)
            .ToListAsync(cancellationToken);
        var met = new Dictionary<Pair, int>();
        foreach (var head in heads.Select(texts.Head))
        {
            Add(met, GroupsOf(head));
        }

        return met;
    }

    /// <summary>Remembers that everyone in a group was with everyone else of it.</summary>
    internal static void Add(Dictionary<Pair, int> met, IEnumerable<IReadOnlyList<string>> groups)
    {
        foreach (var group in groups)
        {
            foreach (var pair in group.SelectMany((one, i) => group.Skip(i + 1).Select(other => new Pair(one, other))))
            {
                met[pair] = met.GetValueOrDefault(pair) + 1;
            }
        }
    }

    /// <summary>Who scores alone was together with everyone on the sheet; who scores with others, with those.</summary>
    private static IEnumerable<IReadOnlyList<string>> GroupsOf(LogHead head) =>
        head.Units.Any(unit => unit.Players.Count > 0)
            ? head.Units.Select(unit => unit.Players.Select(player => player.Id).ToArray())
            : [head.Units.Select(unit => unit.Id).ToArray()];
}
