using System.Collections.Concurrent;
using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace KeepTally.Store.People;

/// <summary>The sessions that were ended by signing out. They are kept in memory as well, since every request asks.</summary>
public sealed class SessionBook(IServiceScopeFactory scopes, TimeProvider clock)
{
    private readonly ConcurrentDictionary<string, long> _ended = new();

    /// <summary>An id for a session that begins.</summary>
    public static string NewId() => Secrets.Token();

    /// <summary>Whether a session was ended.</summary>
    public bool IsEnded(string session) => _ended.ContainsKey(session);

    /// <summary>Ends a session.</summary>
    /// <param name="session">The id of the session.</param>
    /// <param name="kept">The time after which its ticket is void by itself.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public Task EndAsync(string session, TimeSpan kept, CancellationToken cancellationToken = default) =>
        EndAsync(session, (clock.GetUtcNow() + kept).ToUnixTimeMilliseconds(), cancellationToken);

    /// <summary>Ends a session whose ticket is void by itself after a moment.</summary>
    /// <param name="session">The id of the session.</param>
    /// <param name="until">The moment, in milliseconds since 1970 in UTC.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task EndAsync(string session, long until, CancellationToken cancellationToken = default)
    {
        if (!_ended.TryAdd(session, until))
        {
            return;
        }

        await using var scope = scopes.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<TallyDb>();
        db.EndedSessions.Add(new EndedSession { Id = session, Until = until });
        try
        {
            await db.SaveChangesAsync(cancellationToken);
        }
        catch (DbUpdateException full) when (DiskSpace.IsFull(full))
        {
            // It is ended in memory: signing out works on a full disk, until the next start.
        }
    }

    /// <summary>Reads the ended sessions at the start.</summary>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task LoadAsync(CancellationToken cancellationToken = default)
    {
        await using var scope = scopes.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<TallyDb>();
        var now = clock.GetUtcNow().ToUnixTimeMilliseconds();
        foreach (
            var session in await db
                .EndedSessions.AsNoTracking()
                .Where(session => session.Until >= now)
                .ToListAsync(cancellationToken)
        )
        {
            _ended[session.Id] = session.Until;
        }
    }

    /// <summary>Removes the ended sessions whose tickets are void by now.</summary>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task TidyAsync(CancellationToken cancellationToken = default)
    {
        await using var scope = scopes.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<TallyDb>();
        var now = clock.GetUtcNow().ToUnixTimeMilliseconds();
        await db.EndedSessions.Where(session => session.Until < now).ExecuteDeleteAsync(cancellationToken);
    }
}
