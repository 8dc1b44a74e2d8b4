namespace KeepTally.Core.Identity;

/// <summary>Which device made an event, and which of that device's events it is. Unique on a sheet.</summary>
public readonly record struct EventId(DeviceId Device, int N)
{
    /// <summary>The device by which the application itself makes what the clock calls for, so that all devices make it alike.</summary>
    public static readonly DeviceId ClockDevice = new("clock");

    /// <summary>The device by which the clock of a circuit opens, stops and closes its stations.</summary>
    public static readonly DeviceId CircuitDevice = new("circuit");

    /// <summary>A sheet has a handful of devices: the number tells most events apart, and hashing stands on the path of every tap.</summary>
    public override int GetHashCode() => Device.Value is { Length: > 0 } device ? (N * 397) ^ ((device[0] * 31) + device[^1]) : N;
}
