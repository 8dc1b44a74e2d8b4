using System.Text.RegularExpressions;
using KeepTally.Core.Tests.Shipped;
using KeepTally.Core.Words;

namespace KeepTally.Core.Tests.Words;

/// <summary>
/// The rules of every shipped card in plain words, read and approved once and held since. Where a sentence is meant to
/// change, run the tests with KEEP_WORDS=1 and read what changed before it is committed.
/// </summary>
public sealed partial class ShippedWordsTests
{
    private const string File = "Words/shipped-words.txt";

    private static string Said => string.Join("\n\n", ShippedCard.Ids.Select(id => CardWords.InFull(ShippedCard.Read(id)))) + "\n";

    public static TheoryData<string> Ids => [.. ShippedCard.Ids];

    [Fact]
    public void The_words_are_those_that_were_approved()
    {
        if (Environment.GetEnvironmentVariable("KEEP_WORDS") is { Length: > 0 } folder)
        {
            System.IO.File.WriteAllText(Path.Combine(folder, "shipped-words.txt"), Said);
        }

        Assert.Equal(
            System.IO.File.ReadAllText(Path.Combine(AppContext.BaseDirectory, File)),
            Said,
            ignoreLineEndingDifferences: true
        );
    }

    [Theory]
    [MemberData(nameof(Ids))]
    public void A_sentence_begins_with_a_capital_ends_with_a_stop_and_is_short(string id)
    {
        foreach (var stage in ShippedCard.Read(id).Stages)
        {
            var sentences = StageWords.Of(stage).SelectMany(rule => rule.Sentences).Append(StageWords.InShort(stage));
            Assert.All(
                sentences,
                sentence =>
                {
                    Assert.Matches(Whole(), sentence);
                    Assert.DoesNotMatch(Slip(), sentence);
                    Assert.InRange(sentence.Length, 5, 230);
                }
            );
        }
    }

    [GeneratedRegex(@"^[A-Z0-9].*[.?!]$")]
    private static partial Regex Whole();

    /// <summary>Slips that rules put into words fall into: doubled words and stops, a wrong article, a bare dollar, "1 points".</summary>
    [GeneratedRegex(@"\b(\w+) \1\b|\.\.|  |\ba [aeiou]|\ban [^aeiouh]|\$|\b1 \w+s\b(?<!1 is)|;\.|, ,")]
    private static partial Regex Slip();
}
