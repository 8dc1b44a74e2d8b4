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
    public async Task EndAsync(string session, TimeSpan kept, CancellationToken cancellationToken = default)
    {
        var until = (clock.GetUtcNow() + kept).ToUnixTimeMilliseconds();
        if (!_ended.TryAdd(session, until))
        {
            return;
        }

        await using var scope = scopes.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<TallyDb>();
        db.EndedSessions.Add(new EndedSession { Id = session, Until = until });
        await db.SaveChangesAsync(cancellationToken);
    }

    /// <summary>Reads the ended sessions at the start, and removes those whose tickets are void by now.</summary>
    public async Task LoadAsync(CancellationToken cancellationToken = default)
    {
        await using var scope = scopes.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<TallyDb>();
        var now = clock.GetUtcNow().ToUnixTimeMilliseconds();
        await db.EndedSessions.Where(session => session.Until < now).ExecuteDeleteAsync(cancellationToken);
        foreach (var session in await db.EndedSessions.AsNoTracking().ToListAsync(cancellationToken))
        {
            _ended[session.Id] = session.Until;
        }
    }
}
