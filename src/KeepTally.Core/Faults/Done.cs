namespace KeepTally.Core.Faults;

/// <summary>The value of a change that gives nothing back: it was made. Otherwise the <see cref="Result{T}"/> says why not.</summary>
public readonly record struct Done;
