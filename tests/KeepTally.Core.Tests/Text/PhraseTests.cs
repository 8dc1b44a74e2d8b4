using KeepTally.Core.Formats;
using KeepTally.Core.Text;
using KeepTally.Core.Time;
using KeepTally.Core.Words;

namespace KeepTally.Core.Tests.Text;

public sealed class PhraseTests
{
    [Theory]
    [InlineData(1, "first")]
    [InlineData(3, "third")]
    [InlineData(12, "twelfth")]
    [InlineData(13, "13th")]
    [InlineData(21, "21st")]
    [InlineData(22, "22nd")]
    [InlineData(111, "111th")]
    public void Ordinals(int number, string words) => Assert.Equal(words, Phrase.Ordinal(number));

    [Theory]
    [InlineData(500, "0.5 seconds")]
    [InlineData(1000, "1 second")]
    [InlineData(45_000, "45 seconds")]
    [InlineData(60_000, "1 minute")]
    [InlineData(90_000, "90 seconds")]
    [InlineData(210_000, "3 minutes 30")]
    public void Spans_as_coaches_say_them(long milliseconds, string words) =>
        Assert.Equal(words, Phrase.Span(new Duration(milliseconds)));

    [Theory]
    [InlineData("Clean goal", "a clean goal")]
    [InlineData("Own goal", "an own goal")]
    [InlineData("No rebound", "no rebound")]
    [InlineData("Hands", "hands")]
    [InlineData("Pass", "a pass")]
    [InlineData("Not going", "not going")]
    [InlineData("VAR check", "a VAR check")]
    [InlineData("3 of 3", "3 of 3")]
    public void Labels_stand_in_a_sentence_with_the_article_they_need(string label, string said) =>
        Assert.Equal(said, Phrase.NameOf(Given.Card("", $$"""[{"id":"x","label":"{{label}}"}]""").Stages[0].Outcomes[0]));

    [Theory]
    [InlineData("""{"points":15}""", "done at 15 points")]
    [InlineData("""{"points":1}""", "done at 1 point")]
    [InlineData("""{"attempts":1}""", "one go each")]
    [InlineData("""{"outs":2},{"seconds":90}""", "over at two outs, or over after 90 seconds")]
    public void Endings_are_told(string until, string said) =>
        Assert.EndsWith($"; {said}.", StageWords.InShort(Given.Card($"\"until\":[{until}]").Stages[0]), StringComparison.Ordinal);

    [Fact]
    public void What_changed_between_two_forms_of_a_card_is_told()
    {
        const string Card =
            """{"format":"keep-tally/drill@1","id":"d","name":"D","intensity":2,"cues":["Up"],"stages":[{"outcomes":[{"id":"make","result":"success","points":1}],"until":[{"points":5}]}]}""";
        var now = Card.Replace("\"points\":5", "\"points\":7", StringComparison.Ordinal)
            .Replace("Up", "Down", StringComparison.Ordinal)
            .Replace("\"intensity\":2", "\"intensity\":4", StringComparison.Ordinal);

        Assert.Equal(
            [
                "No longer: Done at 5 points.",
                "Now: Done at 7 points.",
                "Effort: easy, now hard",
                "Cues, new: Down",
                "Cues, gone: Up",
            ],
            ChangeWords.Between(CardReader.Read(Card).Require(), CardReader.Read(now).Require())
        );
    }
}
