using KeepTally.Core.Faults;
using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.People;

/// <summary>The keys of devices.</summary>
public sealed class KeyBook(TallyDb db, TimeProvider clock)
{
    private const int LongestName = 60;

    public Task<List<DeviceKey>> ListAsync(CancellationToken cancellationToken = default) =>
        db.DeviceKeys.AsNoTracking().OrderBy(key => key.Id).ToListAsync(cancellationToken);

    /// <summary>Makes a key for a device of a team; the key itself, which is shown once and not kept.</summary>
    public async Task<Result<string>> AddAsync(int team, string name, CancellationToken cancellationToken = default)
    {
        var clean = name.Trim();
        if (clean.Length is 0 or > LongestName)
        {
            return Result.Fail<string>(new Fault("device", "the device needs a name", $"write one of 1 to {LongestName} letters"));
        }

        if (!await db.Teams.AnyAsync(each => each.Id == team, cancellationToken))
        {
            return Result.Fail<string>(new Fault("team", "there is no such team", "choose another"));
        }

        var key = Secrets.Token();
        db.DeviceKeys.Add(
            new DeviceKey
            {
                TeamId = team,
                Name = clean,
                Hash = Secrets.Hash(key),
                At = clock.GetUtcNow().ToUnixTimeMilliseconds(),
            }
        );
        await db.SaveChangesAsync(cancellationToken);
        return Result.Ok(key);
    }

    /// <summary>Takes a key away; false where there is none with that id.</summary>
    public async Task<bool> RemoveAsync(int id, CancellationToken cancellationToken = default) =>
        await db.DeviceKeys.Where(key => key.Id == id).ExecuteDeleteAsync(cancellationToken) > 0;
}
