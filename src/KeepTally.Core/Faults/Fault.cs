namespace KeepTally.Core.Faults;

/// <summary>One thing wrong with something a person wrote: where it stands, what is wrong, and how to fix it.</summary>
/// <param name="Path">The place, as <c>stages[0].until[1].lead</c> in JSON or <c>line 7</c> in a log; empty for the whole text.</param>
/// <param name="Problem">What is wrong, in one plain clause.</param>
/// <param name="Fix">What to write instead.</param>
public sealed record Fault(string Path, string Problem, string Fix)
{
    /// <summary>The number of faults listed of one text: a sender of so many has sent something else.</summary>
    public const int Most = 50;

    /// <summary>The same fault, reported for the larger thing it prevents.</summary>
    /// <param name="larger">What cannot be done for it, in one plain clause.</param>
    public Fault For(string larger) => this with { Problem = $"{larger} ({Place}{Problem})" };

    /// <summary>The same fault in a text of several lines.</summary>
    public Fault OnLine(int line) =>
        this with
        {
            Path = Path.Length == 0 || Path.StartsWith("line ", StringComparison.Ordinal) ? $"line {line}" : $"line {line}, {Path}",
        };

    /// <summary>The place, ready to stand before what is wrong there; empty for the whole.</summary>
    public string Place => Path.Length == 0 ? "" : $"{Path}: ";

    /// <summary>The problem and the fix as two sentences for the screen.</summary>
    public string Told => $"{Sentence(Problem)} {Sentence(Fix)}";

    private static string Sentence(string clause) => $"{char.ToUpperInvariant(clause[0])}{clause[1..].TrimEnd('.')}.";

    /// <summary>The fault on one line, ready to stand behind a file name.</summary>
    public override string ToString() => $"{Place}{Problem}; {Fix}";
}
