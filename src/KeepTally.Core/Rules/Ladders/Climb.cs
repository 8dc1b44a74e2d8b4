using KeepTally.Core.Tallies;

namespace KeepTally.Core.Rules.Ladders;

/// <summary>How far a unit is up a ladder.</summary>
internal sealed class Climb : IRuleState
{
    internal int Rung { get; set; }

    internal int Lap { get; set; }

    /// <summary>The highest rung cleared, or -1.</summary>
    internal int Highest { get; set; } = -1;

    /// <summary>Attempts in the open window.</summary>
    internal int Taken { get; set; }

    /// <summary>Successes in the open window, or the run of them where a rung asks for so many in a row.</summary>
    internal int Made { get; set; }

    /// <summary>The open window, one bit an attempt, the first attempt lowest; enough for sixty-four.</summary>
    internal ulong Hits { get; set; }

    internal void FreshWindow() => (Taken, Made, Hits) = (0, 0, 0);

    /// <inheritdoc/>
    public IRuleState Copy() => (Climb)MemberwiseClone();
}
