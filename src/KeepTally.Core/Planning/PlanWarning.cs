namespace KeepTally.Core.Planning;

/// <summary>Something about a sheet that a coach should look at.</summary>
/// <param name="Code">The code of the warning.</param>
/// <param name="Block">The line it is about, from 0; null for the sheet as a whole.</param>
/// <param name="Station">At a circuit, the station it is about, from 0; null for the line.</param>
/// <param name="Text">What is the matter, in a sentence.</param>
/// <param name="Item">What there is not enough of, or the id of the drill that is not known; null elsewhere.</param>
/// <param name="Needed">How many it takes, where something is short.</param>
/// <param name="Have">How many there are, where something is short.</param>
public sealed record PlanWarning(
    WarningCode Code,
    int? Block,
    string Text,
    int? Station = null,
    string? Item = null,
    int? Needed = null,
    int? Have = null
);

/// <summary>A warning of a timing sheet.</summary>
public enum WarningCode
{
    /// <summary>A drill is longer than players of this age stay with it.</summary>
    LongDrill,

    /// <summary>A group is larger than the drill or the caps allow.</summary>
    GroupTooBig,

    /// <summary>A group is smaller than the drill allows.</summary>
    GroupTooSmall,

    /// <summary>Players wait too long between goes.</summary>
    LongWait,

    /// <summary>There is not enough of something.</summary>
    ShortOf,

    /// <summary>There are not enough coaches.</summary>
    ShortOfCoaches,

    /// <summary>Players work hard for too long without a break.</summary>
    NoWater,

    /// <summary>The effort rises too much at once.</summary>
    HardJump,

    /// <summary>A card is not in the book.</summary>
    UnknownDrill,

    /// <summary>The sheet is longer than the time there is.</summary>
    OverTime,

    /// <summary>There is nothing to fall back on.</summary>
    NoReserve,
}
