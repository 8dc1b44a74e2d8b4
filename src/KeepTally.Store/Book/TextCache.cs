using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Formats;
using Microsoft.Extensions.Caching.Memory;

namespace KeepTally.Store.Book;

/// <summary>
/// Cards and heads that were read lately, by their very text: the same text always means the same, so nothing here can grow
/// old. A practice has a card in every run and a head on every sheet, and each page would read them all again.
/// </summary>
public sealed class TextCache(IMemoryCache cache)
{
    private static readonly MemoryCacheEntryOptions Lately = new() { SlidingExpiration = TimeSpan.FromHours(1), Size = 1 };

    private readonly record struct CardKey(string Text, string Chosen);

    private readonly record struct HeadKey(string Text);

    /// <summary>The card of a text that was found good before it was kept.</summary>
    /// <exception cref="InvalidOperationException">The text does not read.</exception>
    public DrillCard Card(string text, IReadOnlyDictionary<string, string> chosen) => Read(text, chosen).Require();

    /// <summary>The card of a text with its own house rules, or why it no longer reads.</summary>
    public Result<DrillCard> Read(string text) => Read(text, new Dictionary<string, string>());

    /// <summary>The same with house rules chosen.</summary>
    public Result<DrillCard> Read(string text, IReadOnlyDictionary<string, string> chosen)
    {
        var key = new CardKey(
            text,
            string.Join(
                '\n',
                chosen.OrderBy(option => option.Key, StringComparer.Ordinal).Select(option => $"{option.Key}={option.Value}")
            )
        );
        return cache.TryGetValue(key, out Result<DrillCard>? card) ? card! : cache.Set(key, CardReader.Read(text, chosen), Lately);
    }

    /// <summary>The head of a log, of a text that was found good before it was kept.</summary>
    public LogHead Head(string text)
    {
        var key = new HeadKey(text);
        return cache.TryGetValue(key, out LogHead? head) ? head! : cache.Set(key, HeadReader.Read(text).Require(), Lately);
    }
}
