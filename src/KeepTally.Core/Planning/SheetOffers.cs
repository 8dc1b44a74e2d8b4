using KeepTally.Core.Chance;

namespace KeepTally.Core.Planning;

/// <summary>
/// Works out whole sheets: many are put together at random, each from what the one before makes sense of, and the best of each
/// kind is offered. The same wish and seed give the same sheets.
/// </summary>
public sealed class SheetOffers
{
    private const int Tries = 150;

    /// <summary>Two sheets that share more of their drills than this are the same again.</summary>
    private const double MostAlike = 0.6;

    private readonly SheetWish _wish;
    private readonly SheetDraft.Pool _pool;

    private SheetOffers(SheetWish wish) => (_wish, _pool) = (wish, new SheetDraft.Pool(wish));

    /// <summary>One sheet of each kind, no two alike; none where the book has nothing for this squad.</summary>
    public static IReadOnlyList<OfferedSheet> Make(SheetWish wish, int seed)
    {
        var offers = new SheetOffers(wish);
        var made = new List<SheetDraft>();
        foreach (var kind in Enum.GetValues<SheetKind>())
        {
            if (offers.Best(kind, seed, made) is { } best)
            {
                made.Add(best);
            }
        }

        return [.. made.Select(offers.Offered)];
    }

    private SheetDraft? Best(SheetKind kind, int seed, List<SheetDraft> before)
    {
        var drafts = Enumerable
            .Range(0, Tries)
            .Select(n => SheetDraft.Compose(_wish, _pool, kind, new SeededDraw(seed, ((int)kind * Tries) + n)))
            .Where(draft => draft.Own.Count > 0)
            .OrderByDescending(draft => draft.Worth)
            .ToArray();
        return drafts.FirstOrDefault(draft => before.TrueForAll(other => other.AlikeWith(draft) <= MostAlike))
            ?? drafts.FirstOrDefault(draft => before.TrueForAll(other => other.AlikeWith(draft) < 1));
    }

    private OfferedSheet Offered(SheetDraft draft) =>
        new(SheetReasons.NameOf(draft.Kind), draft.Plan, SheetReasons.Of(_wish, draft), draft.Warnings);
}

/// <summary>The kinds of suggested sheets.</summary>
internal enum SheetKind
{
    /// <summary>One drill after the other, what was wanted first.</summary>
    StepByStep,

    /// <summary>A circuit in the middle.</summary>
    WithCircuit,

    /// <summary>The skills not practised for longest, and a game at the end.</summary>
    LongestUnpractised,
}
