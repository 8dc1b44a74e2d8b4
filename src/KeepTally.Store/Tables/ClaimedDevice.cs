namespace KeepTally.Store.Tables;

/// <summary>A device that listened or sent in a practice, and whose it is: nobody else sends under its id.</summary>
public sealed class ClaimedDevice
{
    /// <summary>The id of the device, as its events carry it.</summary>
    public required string Device { get; init; }

    /// <summary>Whose it is: the kind of caller and their id, as "coach/5".</summary>
    public required string Owner { get; init; }

    /// <summary>The moment after which it is nobody's again: milliseconds since 1970 in UTC.</summary>
    public long Until { get; init; }
}
