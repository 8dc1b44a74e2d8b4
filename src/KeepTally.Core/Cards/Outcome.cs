namespace KeepTally.Core.Cards;

/// <summary>Something that can be tapped. Source: docs/formats.md, section 1, "Outcome".</summary>
/// <param name="Key">The key of a keyboard that taps it, one character, or null.</param>
/// <param name="InSentence">How the outcome stands in a sentence (<c>any other goal</c>), or null for its label with an article.</param>
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
);

/// <summary>Success and failure are attempts; neutral is not.</summary>
public enum OutcomeResult
{
    Neutral,
    Success,
    Failure,
}

/// <summary>Points for one recipient of an outcome.</summary>
public sealed record Award(Recipient To, double Points);

/// <summary>Who gets points: the unit tapped, every other unit of the sheet, or one unit by id.</summary>
public abstract record Recipient
{
    private Recipient() { }

    public sealed record Self : Recipient;

    public sealed record Other : Recipient;

    public sealed record Named(string Unit) : Recipient;
}

/// <summary>In a match, who did it when the tap names nobody: the side with the ball, the next side, or one side by id.</summary>
public abstract record TappedBy
{
    private TappedBy() { }

    public sealed record Ball : TappedBy;

    public sealed record OffBall : TappedBy;

    public sealed record Named(string Side) : TappedBy;
}
