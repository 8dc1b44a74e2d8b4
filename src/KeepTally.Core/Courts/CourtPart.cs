namespace KeepTally.Core.Courts;

/// <summary>How much of a court a drill takes, from its left end.</summary>
public enum CourtPart
{
    /// <summary>All of it.</summary>
    Whole,

    /// <summary>One half.</summary>
    Half,

    /// <summary>One third.</summary>
    Third,
}
