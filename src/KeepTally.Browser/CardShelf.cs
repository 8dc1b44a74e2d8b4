using KeepTally.Core.Cards;
using KeepTally.Core.Faults;
using KeepTally.Core.Formats;

namespace KeepTally.Browser;

/// <summary>
/// Cards while a practice is opened, each read once however many sheets are kept by it under the same house rules: reading is
/// most of what a phone does before a practice stands.
/// </summary>
internal sealed class CardShelf
{
    private readonly Dictionary<(string Text, string Options), Result<DrillCard>> _read = [];

    /// <param name="text">The JSON of the card.</param>
    /// <param name="options">House rules chosen in place of the card's own.</param>
    internal Result<DrillCard> Read(string text, IReadOnlyDictionary<string, string> options)
    {
        var key = (text, string.Join('\n', options.OrderBy(option => option.Key, StringComparer.Ordinal)));
        if (!_read.TryGetValue(key, out var card))
        {
            card = CardReader.Read(text, options);
            _read.Add(key, card);
        }

        return card;
    }
}
