using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Identity;
using KeepTally.Store.People;
using Microsoft.Extensions.Caching.Memory;
using EventId = KeepTally.Core.Events.EventId;

namespace KeepTally.Web.Api;

/// <summary>
/// Whose device an id is: it belongs to the first caller who listens or sends under it. A helper who joined by a code sends under
/// no other one's. A coach may: who signs in on a phone sends what was tapped there before.
/// </summary>
internal sealed class DeviceOwners(IMemoryCache cache)
{
    private static readonly TimeSpan Kept = TimeSpan.FromHours(12);

    /// <summary>Ids that the server gives itself: devices with a key.</summary>
    private const string KeyMark = "key-";

    /// <summary>Binds a device to the caller, unless it is bound already.</summary>
    internal void Claim(Caller caller, string device) => OwnerOf(caller, device);

    /// <summary>Why a caller may not send an event; null where they may.</summary>
    internal Fault? Check(Caller caller, RunEvent runEvent)
    {
        var device = runEvent.Id.Device;
        if (device == EventId.ClockDevice || device == EventId.CircuitDevice)
        {
            return null;
        }

        if (device.Value.StartsWith(KeyMark, StringComparison.Ordinal) && caller.Kind != CallerKind.Device)
        {
            return Foreign(device);
        }

        return OwnerOf(caller, device.Value) != Name(caller) && caller.Kind == CallerKind.Joiner ? Foreign(device) : null;
    }

    private string OwnerOf(Caller caller, string device) =>
        cache.GetOrCreate(
            (nameof(DeviceOwners), device),
            entry =>
            {
                entry.SlidingExpiration = Kept;
                entry.Size = 1;
                return Name(caller);
            }
        )!;

    /// <summary>A coach, a key, or all who joined by the code of a practice: one of them may have joined twice.</summary>
    private static string Name(Caller caller) =>
        caller.Kind switch
        {
            CallerKind.Head or CallerKind.Assistant => $"coach/{caller.Id}",
            CallerKind.Joiner => $"code/{caller.Practice}",
            CallerKind.Board or CallerKind.Device => $"{caller.Kind}/{caller.Id}",
        };

    private static Fault Foreign(DeviceId device) =>
        new("device", $"\"{device}\" is another device", "reload the page, so that this device gets an id of its own");
}
