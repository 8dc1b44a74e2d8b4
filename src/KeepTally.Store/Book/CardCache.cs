using KeepTally.Core.Cards;
using KeepTally.Core.Faults;
using KeepTally.Core.Formats;
using Microsoft.Extensions.Caching.Memory;

namespace KeepTally.Store.Book;

/// <summary>
/// Cards that were read lately, so that browsing the book reads no text twice. The text of a version changes only with
/// the revision of its card.
/// </summary>
public sealed class CardCache(IMemoryCache cache)
{
    private readonly record struct Key(int Version, int Revision);

    public DrillCard? Find(int version, int revision) => cache.Get<DrillCard>(new Key(version, revision));

    /// <summary>The card of a text, kept for the next time; or why it no longer reads.</summary>
    public Result<DrillCard> Put(int version, int revision, string json)
    {
        var read = CardReader.Read(json);
        if (read.IsOk)
        {
            cache.Set(new Key(version, revision), read.Value, new MemoryCacheEntryOptions { Size = 1 });
        }

        return read;
    }
}
