namespace KeepTally.Core.Tallies;

/// <summary>What one rule remembers of one unit while a sheet is folded.</summary>
internal interface IRuleState
{
    /// <summary>The same state, that goes its own way from here.</summary>
    IRuleState Copy();
}
