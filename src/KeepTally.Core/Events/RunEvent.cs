using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Events;

/// <summary>
/// Something that happened during a run. The kinds are a closed set. Source: docs/formats.md, section 2.
/// </summary>
/// <param name="Id">Given by the device that made it; the same id is the same event.</param>
/// <param name="At">When it happened.</param>
public abstract partial record RunEvent(EventId Id, Instant At)
{
    /// <summary>The name of its type in the format, such as "tap".</summary>
    public string Type => Format.Type;

    /// <summary>How events of this kind are written. Each kind stands in a file of its own, in Kinds.</summary>
    internal abstract EventFormat Format { get; }
}

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
