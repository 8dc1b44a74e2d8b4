namespace KeepTally.Core.Tallies;

/// <summary>The state of one rule for one unit while a sheet is folded.</summary>
internal interface IRuleState
{
    /// <summary>The same state, that goes its own way from here.</summary>
    IRuleState Copy();
}
