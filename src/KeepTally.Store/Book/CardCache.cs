using KeepTally.Core.Cards;
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

    /// <summary>The card of a text that was found good before it was kept.</summary>
    public DrillCard Put(int version, int revision, string json) =>
        cache.Set(new Key(version, revision), CardReader.Read(json).Require(), new MemoryCacheEntryOptions { Size = 1 });
}
