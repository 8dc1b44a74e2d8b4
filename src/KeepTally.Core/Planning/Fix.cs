namespace KeepTally.Core.Planning;

/// <summary>A change of the sheet that a coach can take with one press.</summary>
/// <param name="Label">What it does, in a few words.</param>
/// <param name="After">The sheet then.</param>
public sealed record Fix(string Label, Plan After);
