using System.Collections.Concurrent;
using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace KeepTally.Store.People;

/// <summary>
/// Whose each device is. It is kept in memory, since every event asks, and in the database, so that after a restart nobody is quicker
/// than the device itself.
/// </summary>
public sealed class DeviceBook(IServiceScopeFactory scopes, TimeProvider clock)
{
    /// <summary>A page that is open longer is claimed again while it is in use.</summary>
    private static readonly TimeSpan _kept = TimeSpan.FromDays(1);

    private static readonly TimeSpan _tidyEvery = TimeSpan.FromHours(1);

    private readonly ConcurrentDictionary<string, ClaimedDevice> _devices = new();
    private readonly ConcurrentQueue<ClaimedDevice> _toKeep = new();
    private long _tidied;

    /// <summary>Returns the owner of a device: the first who claims it. A claim is stored by <see cref="KeepAsync"/>.</summary>
    /// <param name="device">The id of the device. Every load of a page is a device of its own.</param>
    /// <param name="caller">Who claims it.</param>
    /// <param name="most">The number of devices that the caller may own; beyond it nothing of theirs is kept, in memory or on disk.</param>
    public string ClaimedBy(string device, string caller, int most = int.MaxValue)
    {
        var now = clock.GetUtcNow();
        if (
            _devices.TryGetValue(device, out var known)
            && known.Until >= now.ToUnixTimeMilliseconds()
            && (known.Owner != caller || known.Until >= (now + (_kept / 2)).ToUnixTimeMilliseconds())
        )
        {
            return known.Owner;
        }

        Tidy(now);
        if (most < int.MaxValue && known?.Owner != caller && _devices.Values.Count(each => each.Owner == caller) >= most)
        {
            return caller;
        }

        var claim = new ClaimedDevice
        {
            Device = device,
            Owner = caller,
            Until = (now + _kept).ToUnixTimeMilliseconds(),
        };
        var stored = _devices.AddOrUpdate(device, claim, (_, other) => ReferenceEquals(other, known) ? claim : other);
        if (ReferenceEquals(stored, claim))
        {
            _toKeep.Enqueue(claim);
        }

        return stored.Owner;
    }

    /// <summary>Devices that belong to nobody any more are forgotten, hour by hour.</summary>
    private void Tidy(DateTimeOffset now)
    {
        if (now.ToUnixTimeMilliseconds() - Interlocked.Read(ref _tidied) < _tidyEvery.TotalMilliseconds)
        {
            return;
        }

        Interlocked.Exchange(ref _tidied, now.ToUnixTimeMilliseconds());
        foreach (var old in _devices.Where(each => each.Value.Until < now.ToUnixTimeMilliseconds()))
        {
            _devices.TryRemove(old);
        }
    }

    /// <summary>Writes down what was claimed since; nothing where nothing was.</summary>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task KeepAsync(CancellationToken cancellationToken = default)
    {
        if (_toKeep.IsEmpty)
        {
            return;
        }

        await using var scope = scopes.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<TallyDb>();
        try
        {
            while (_toKeep.TryDequeue(out var claim))
            {
                await db.Database.ExecuteSqlAsync(
                    $"""
                    INSERT INTO ClaimedDevices (Device, Owner, Until) VALUES ({claim.Device}, {claim.Owner}, {claim.Until})
                    ON CONFLICT (Device) DO UPDATE SET Owner = excluded.Owner, Until = excluded.Until
                    """,
                    cancellationToken
                );
            }
        }
        catch (SqliteException full) when (DiskSpace.IsFull(full))
        {
            // It is known in memory: on a full disk a practice goes on, until the next start.
        }
    }

    /// <summary>Reads what was claimed before the start.</summary>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task LoadAsync(CancellationToken cancellationToken = default)
    {
        await using var scope = scopes.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<TallyDb>();
        var now = clock.GetUtcNow().ToUnixTimeMilliseconds();
        foreach (
            var claim in await db.ClaimedDevices.AsNoTracking().Where(claim => claim.Until >= now).ToListAsync(cancellationToken)
        )
        {
            _devices[claim.Device] = claim;
        }
    }

    /// <summary>Removes the devices that are nobody's by now.</summary>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task TidyAsync(CancellationToken cancellationToken = default)
    {
        await using var scope = scopes.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<TallyDb>();
        var now = clock.GetUtcNow().ToUnixTimeMilliseconds();
        await db.ClaimedDevices.Where(claim => claim.Until < now).ExecuteDeleteAsync(cancellationToken);
    }
}
