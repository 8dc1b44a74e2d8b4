using KeepTally.Core.Chance;

namespace KeepTally.Core.Cards;

/// <summary>In which order moves are called for.</summary>
public enum AskOrder
{
    /// <summary>One after the other, as they are listed.</summary>
    Turn,

    /// <summary>Nobody can foresee which comes next.</summary>
    Random,
}

/// <summary>Moves that the coach calls for, one after another: step in, fade; left, right. Source: docs/formats.md, section 1, "Stage".</summary>
/// <param name="Moves">What is called; at least two.</param>
/// <param name="AtRandom">In an order nobody can foresee, the same for the same seed; else in turn.</param>
public sealed record Asks(IReadOnlyList<string> Moves, bool AtRandom)
{
    /// <summary>Returns the move called for after a number of goes.</summary>
    /// <param name="goes">The number of goes of the unit so far.</param>
    /// <param name="seed">The seed of the run.</param>
    /// <param name="whom">Whose calls they are, so that pairs and groups are not called alike: sheet and unit by their ids, <c>sheet/unit</c>.</param>
    public string After(int goes, int seed, string whom) =>
        AtRandom
            ? Moves[(int)new SeededDraw(unchecked(seed + (long)StableHash.Of(whom)), goes).Below(Moves.Count)]
            : Moves[goes % Moves.Count];
}
