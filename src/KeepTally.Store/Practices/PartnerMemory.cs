using KeepTally.Core.Groups;
using KeepTally.Store.Book;
using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Practices;

/// <summary>How often players were together in the last practices.</summary>
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
            Partners.Add(met, Partners.Of(head));
        }

        return met;
    }
}
