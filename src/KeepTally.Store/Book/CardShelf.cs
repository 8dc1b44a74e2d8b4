using System.Collections.Concurrent;
using KeepTally.Core.Cards;
using KeepTally.Core.Formats;

namespace KeepTally.Store.Book;

/// <summary>Cards that were read lately, so that browsing the book does not read every text again.</summary>
public sealed class CardShelf
{
    private const int Kept = 5000;
    private readonly ConcurrentDictionary<string, DrillCard> _read = new(StringComparer.Ordinal);

    /// <summary>The card of a text that was found good before it was kept.</summary>
    public DrillCard Of(string json)
    {
        if (_read.Count >= Kept)
        {
            _read.Clear();
        }

        return _read.GetOrAdd(json, static text => CardReader.Read(text).Sure());
    }
}
