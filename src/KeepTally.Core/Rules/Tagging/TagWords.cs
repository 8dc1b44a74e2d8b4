using KeepTally.Core.Cards;
using KeepTally.Core.Text;

namespace KeepTally.Core.Rules.Tagging;

/// <summary>Tags and their values as they stand in a sentence.</summary>
internal static class TagWords
{
    /// <summary>A tag by its label; by its id where the stage does not list it.</summary>
    internal static string Label(Stage stage, string tag) =>
        Phrase.Small(stage.Tags.FirstOrDefault(kind => kind.Id == tag)?.Label ?? Phrase.Words(tag));

    /// <summary>A value of a tag in its words; by its id where the stage does not list it.</summary>
    internal static string Value(Stage stage, string tag, string value) =>
        Phrase.Small(
            stage.Tags.FirstOrDefault(kind => kind.Id == tag)?.Values.FirstOrDefault(each => each.Key == value).Value
                ?? Phrase.Words(value)
        );
}
