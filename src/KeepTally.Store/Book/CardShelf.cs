using System.Collections.Concurrent;
using KeepTally.Core.Cards;
using KeepTally.Core.Formats;

namespace KeepTally.Store.Book;

/// <summary>
/// Cards that were read lately, so that browsing the book reads no text twice. The text of a version changes only with
/// the revision of its card.
/// </summary>
public sealed class CardShelf
{
    private const int Kept = 20_000;
    private readonly ConcurrentDictionary<(int Version, int Revision), DrillCard> _read = new();

    public DrillCard? Find(int version, int revision) => _read.GetValueOrDefault((version, revision));

    /// <summary>The card of a text that was found good before it was kept.</summary>
    public DrillCard Put(int version, int revision, string json)
    {
        if (_read.Count >= Kept)
        {
            _read.Clear();
        }

        return _read.GetOrAdd((version, revision), static (_, text) => CardReader.Read(text).Sure(), json);
    }
}
