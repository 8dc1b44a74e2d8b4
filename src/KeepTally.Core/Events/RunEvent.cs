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

    /// <summary>How events of this kind are written. Each kind stands in a file of its own.</summary>
    internal abstract EventFormat Format { get; }
}
