namespace KeepTally.Core.Cards;

/// <summary>Something that can be tapped. Source: docs/formats.md, section 1, "Outcome".</summary>
/// <param name="Id">The id of the outcome.</param>
/// <param name="Label">The label of its button.</param>
/// <param name="Key">The key of a keyboard that taps it, one character, or null.</param>
/// <param name="InSentence">How the outcome stands in a sentence (<c>any other goal</c>), or null for its label with an article.</param>
/// <param name="Result">The result: made, missed or neither.</param>
/// <param name="Points">The points it gives.</param>
/// <param name="Does">The further effects.</param>
/// <param name="By">The unit it is credited to.</param>
/// <param name="Reading">The unit of the number its tap carries (<c>s</c>, <c>m</c>, <c>throws</c>), or null where it carries none.</param>
public sealed record Outcome(
    string Id,
    string Label,
    string? InSentence,
    string? Key,
    OutcomeResult Result,
    IReadOnlyList<Award> Points,
    IReadOnlyList<IEffect> Does,
    TappedBy? By,
    string? Reading
)
{
    /// <summary>The place whose player it is counted for, no matter whose go it is; null where it is of the unit tapped.</summary>
    public string? Job { get; init; }
}

/// <summary>Success and failure are attempts; neutral is not.</summary>
public enum OutcomeResult
{
    /// <summary>No attempt.</summary>
    Neutral,

    /// <summary>A successful attempt.</summary>
    Success,

    /// <summary>An attempt that did not.</summary>
    Failure,
}

/// <summary>Points for one recipient of an outcome.</summary>
public sealed record Award(Recipient To, double Points);

/// <summary>A recipient of points: the unit tapped, every other unit of the sheet, or one unit by id.</summary>
public abstract record Recipient
{
    private Recipient() { }

    /// <summary>The unit tapped.</summary>
    public sealed record Self : Recipient;

    /// <summary>Every other unit of the sheet.</summary>
    public sealed record Other : Recipient;

    /// <summary>One unit, by its id.</summary>
    public sealed record Named(string Unit) : Recipient;
}

/// <summary>In a match, who did it when the tap names nobody: the side with the ball, the next side, or one side by id.</summary>
public abstract record TappedBy
{
    private TappedBy() { }

    /// <summary>The side with the ball.</summary>
    public sealed record Ball : TappedBy;

    /// <summary>The next side after the one with the ball.</summary>
    public sealed record OffBall : TappedBy;

    /// <summary>One side, by its id.</summary>
    public sealed record Named(string Side) : TappedBy;
}
