using KeepTally.Store.Database;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Caching.Memory;

namespace KeepTally.Store.People;

/// <summary>
/// Finds the caller behind a cookie or a key, as it stands now. Each is read once and forgotten when something about
/// them changes, so that what is taken away is gone at the next request.
/// </summary>
public sealed class CallerBook(TallyDb db, IMemoryCache cache, TimeProvider clock)
{
    private static readonly TimeSpan Kept = TimeSpan.FromMinutes(10);

    /// <summary>The coach, joiner or board with this id and stamp, or null where that is no more.</summary>
    public async Task<Caller?> FindAsync(CallerKind kind, int id, string stamp, CancellationToken cancellationToken = default)
    {
        var known = await KnownAsync(kind, id, cancellationToken);
        return known is { } stands && stands.Caller.Stamp == stamp && stands.Until > clock.GetUtcNow().ToUnixTimeMilliseconds()
            ? stands.Caller
            : null;
    }

    /// <summary>The device with this key, or null.</summary>
    public async Task<Caller?> FindDeviceAsync(string key, CancellationToken cancellationToken = default)
    {
        var hash = Secrets.Hash(key);
        var found = await db
            .DeviceKeys.IgnoreQueryFilters()
            .AsNoTracking()
            .Where(each => each.Hash == hash)
            .Select(each => new
            {
                each.Id,
                each.Name,
                each.TeamId,
            })
            .SingleOrDefaultAsync(cancellationToken);
        return found is null ? null : new Caller(CallerKind.Device, found.Id, found.Name, hash, [found.TeamId]);
    }

    /// <summary>Something about them has changed.</summary>
    public void Forget(CallerKind kind, int id) => cache.Remove(Key(kind, id));

    private async Task<Standing?> KnownAsync(CallerKind kind, int id, CancellationToken cancellationToken)
    {
        var key = Key(kind, id);
        if (cache.TryGetValue(key, out Standing? known))
        {
            return known;
        }

        var found = kind switch
        {
            CallerKind.Head or CallerKind.Assistant => await CoachAsync(id, cancellationToken),
            CallerKind.Joiner => await JoinerAsync(id, cancellationToken),
            CallerKind.Board => await BoardAsync(id, cancellationToken),
            CallerKind.Device => null,
        };
        if (found is not null)
        {
            cache.Set(key, found, new MemoryCacheEntryOptions { AbsoluteExpirationRelativeToNow = Kept, Size = 1 });
        }

        return found;
    }

    private async Task<Standing?> CoachAsync(int id, CancellationToken cancellationToken)
    {
        var coach = await db
            .Users.AsNoTracking()
            .Include(each => each.Teams)
            .SingleOrDefaultAsync(each => each.Id == id, cancellationToken);
        return coach is null
            ? null
            : new Standing(
                new Caller(
                    coach.IsHead ? CallerKind.Head : CallerKind.Assistant,
                    coach.Id,
                    coach.UserName!,
                    coach.SecurityStamp!,
                    [.. coach.Teams.Select(team => team.TeamId)]
                ),
                long.MaxValue
            );
    }

    private async Task<Standing?> JoinerAsync(int id, CancellationToken cancellationToken)
    {
        var found = await (
            from joiner in db.Joiners.IgnoreQueryFilters()
            join door in db.Doors on joiner.PracticeId equals door.PracticeId
            join practice in db.Practices.IgnoreQueryFilters() on joiner.PracticeId equals practice.Id
            where joiner.Id == id
            select new
            {
                joiner,
                door,
                practice.TeamId,
            }
        )
            .AsNoTracking()
            .SingleOrDefaultAsync(cancellationToken);
        return found is null
            ? null
            : new Standing(
                new Caller(
                    CallerKind.Joiner,
                    id,
                    found.joiner.Name,
                    $"{found.joiner.At}",
                    [found.TeamId],
                    found.joiner.PracticeId,
                    await OwnSheets.OfAsync(db, found.joiner.PracticeId, found.joiner.Sheet, cancellationToken)
                ),
                found.door.Until
            );
    }

    private async Task<Standing?> BoardAsync(int practice, CancellationToken cancellationToken)
    {
        var found = await (
            from door in db.Doors.IgnoreQueryFilters()
            join each in db.Practices.IgnoreQueryFilters() on door.PracticeId equals each.Id
            where door.PracticeId == practice && door.BoardToken != ""
            select new { door.BoardToken, each.TeamId }
        ).SingleOrDefaultAsync(cancellationToken);
        return found is null
            ? null
            : new Standing(
                new Caller(CallerKind.Board, practice, "Board", found.BoardToken, [found.TeamId], practice),
                long.MaxValue
            );
    }

    private static (string, CallerKind, int) Key(CallerKind kind, int id) =>
        (nameof(CallerBook), kind == CallerKind.Head ? CallerKind.Assistant : kind, id);

    private sealed record Standing(Caller Caller, long Until);
}
