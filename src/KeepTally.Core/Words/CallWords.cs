using KeepTally.Core.Text;
using KeepTally.Core.Time;

namespace KeepTally.Core.Words;

/// <summary>The words of a voice that calls the time left.</summary>
public static class CallWords
{
    /// <summary>Below this the number alone: a whole sentence would take longer than the second it names.</summary>
    private static readonly Duration NumberBelow = Duration.FromSeconds(15);

    /// <summary>"1 minute", "30 seconds", "5".</summary>
    public static string Of(Duration left) => left < NumberBelow ? $"{left.WholeSeconds}" : Phrase.Span(left);
}
