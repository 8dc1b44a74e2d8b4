namespace KeepTally.Core.Rules.Endings;

/// <summary>A condition that ends a unit's work or, in a match, the sheet. Source: docs/formats.md, section 1, "Ending".</summary>
public abstract record Ending
{
    private Ending() { }

    /// <summary>A unit has <paramref name="AtLeast"/> points or more and leads every other by <paramref name="Lead"/>.</summary>
    public sealed record Points(double AtLeast, double Lead) : Ending;

    public sealed record Attempts(int Count) : Ending;

    public sealed record Successes(int Count) : Ending;

    public sealed record Streak(int Count) : Ending;

    public sealed record Outs(int Count) : Ending;

    public sealed record Taps(int Count) : Ending;

    /// <summary>Running time, pauses left out.</summary>
    public sealed record Time(long Milliseconds, AtTheHorn After) : Ending;
}

/// <summary>Whether the play under way at the horn still counts.</summary>
public enum AtTheHorn
{
    Cut,
    Finish,
}
