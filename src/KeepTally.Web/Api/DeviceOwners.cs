using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Identity;
using KeepTally.Store.People;
using EventId = KeepTally.Core.Identity.EventId;

namespace KeepTally.Web.Api;

/// <summary>
/// Whose device an id is: it belongs to the first caller who listens or sends under it. A helper who joined by a code sends under
/// no other one's. A coach may: who signs in on a phone sends what was tapped there before.
/// </summary>
internal sealed class DeviceOwners(DeviceBook devices)
{
    /// <summary>Ids that the server gives itself: devices with a key.</summary>
    private const string KeyMark = "key-";

    /// <summary>All who joined by one code load a page so often at most; who makes up ids without end fills neither memory nor disk.</summary>
    private const int MostOfOneCode = 500;

    /// <summary>Binds a device to the caller, unless it is bound already.</summary>
    internal Task ClaimAsync(Caller caller, string device, CancellationToken cancellationToken)
    {
        OwnerOf(caller, device);
        return KeepAsync(cancellationToken);
    }

    /// <summary>Why a caller may not send an event; null where they may. Whose the device is by this is to be kept.</summary>
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

        var owner = OwnerOf(caller, device.Value);
        return owner != Name(caller) && caller.Kind == CallerKind.Joiner ? Foreign(device) : null;
    }

    /// <summary>Writes down whose devices were found to be whose.</summary>
    internal Task KeepAsync(CancellationToken cancellationToken) => devices.KeepAsync(cancellationToken);

    private string OwnerOf(Caller caller, string device) =>
        devices.ClaimedBy(device, Name(caller), caller.Kind == CallerKind.Joiner ? MostOfOneCode : int.MaxValue);

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
