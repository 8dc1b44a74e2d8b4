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

    /// <summary>Every load of a page is a device of its own; who makes up ids without end fills neither memory nor disk.</summary>
    private const int MostOfOne = 500;

    private readonly ConcurrentDictionary<string, ClaimedDevice> _devices = new();
    private readonly ConcurrentDictionary<string, int> _counts = new();
    private readonly ConcurrentQueue<ClaimedDevice> _toKeep = new();

    /// <summary>Whose a device is: the first who claims it. What is claimed is to be kept by <see cref="KeepAsync"/>.</summary>
    /// <param name="device">The id of the device.</param>
    /// <param name="caller">Who claims it.</param>
    public string ClaimedBy(string device, string caller)
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

        if (known?.Owner != caller && _counts.GetValueOrDefault(caller) >= MostOfOne)
        {
            return caller;
        }

        var claim = new ClaimedDevice
        {
            Device = device,
            Owner = caller,
            Until = (now + _kept).ToUnixTimeMilliseconds(),
        };
        if (known is null ? !_devices.TryAdd(device, claim) : !_devices.TryUpdate(device, claim, known))
        {
            return _devices.TryGetValue(device, out var quicker) ? quicker.Owner : caller;
        }

        Count(claim);
        _toKeep.Enqueue(claim);
        return caller;
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
            Count(claim);
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

    private void Count(ClaimedDevice claim) => _counts.AddOrUpdate(claim.Owner, 1, (_, count) => count + 1);
}
