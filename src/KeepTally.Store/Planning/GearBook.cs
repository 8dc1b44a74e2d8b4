using KeepTally.Core.Faults;
using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Planning;

/// <summary>The equipment of the club.</summary>
public sealed class GearBook(TallyDb db)
{
    /// <summary>The longest name of a thing.</summary>
    public const int LongestItem = 60;

    /// <summary>The most there can be of it.</summary>
    public const int Most = 9999;

    /// <summary>Everything, by name; nothing where nobody has written it down.</summary>
    public Task<List<Gear>> ListAsync(CancellationToken cancellationToken = default) =>
        db.Gear.AsNoTracking().OrderBy(each => each.Item).ToListAsync(cancellationToken);

    /// <summary>Writes down how many there are of a thing; with none it is removed. Says what is wrong with either.</summary>
    public async Task<Result<Done>> SetAsync(string item, int? count, CancellationToken cancellationToken = default)
    {
        var name = item.Trim();
        if (name.Length is 0 or > LongestItem)
        {
            return new Fault("item", "say what it is", $"write 1 to {LongestItem} characters, as the cards call it");
        }

        if (count is < 0 or > Most)
        {
            return new Fault("count", $"{count} is out of range", $"write a number from 0 to {Most}, or nothing");
        }

        await db.Gear.Where(each => each.Item == name).ExecuteDeleteAsync(cancellationToken);
        if (count is { } many)
        {
            db.Gear.Add(new Gear { Item = name, Count = many });
            await db.SaveChangesAsync(cancellationToken);
        }

        return Result.Ok();
    }
}
