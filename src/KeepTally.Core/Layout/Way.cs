namespace KeepTally.Core.Layout;

/// <summary>A way from one mark to another, at a step of the rep.</summary>
/// <param name="From">The id of the mark where it begins.</param>
/// <param name="To">The id of the mark where it ends.</param>
/// <param name="As">Who or what goes.</param>
/// <param name="Step">The step it belongs to, from 1 on; nought is before the first.</param>
public sealed record Way(string From, string To, Travel As, int Step);

/// <summary>How a player or a ball gets from one mark to another.</summary>
public enum Travel
{
    /// <summary>A player runs.</summary>
    Run,

    /// <summary>The ball is passed.</summary>
    Pass,

    /// <summary>The ball is shot.</summary>
    Shot,

    /// <summary>A player runs with the ball.</summary>
    Carry,

    /// <summary>A player changes places after the rep.</summary>
    Rotate,
}
