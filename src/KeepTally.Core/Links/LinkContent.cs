using KeepTally.Core.Formats;
using KeepTally.Core.Planning;

namespace KeepTally.Core.Links;

/// <summary>What a link carries to another club: cards, or a plan with the cards that do not come with Keep Tally.</summary>
/// <param name="Plan">The plan; null where it is cards alone.</param>
/// <param name="Cards">The cards, each with its text.</param>
/// <param name="Names">The names of the plan's other cards, by id.</param>
public sealed record LinkContent(Plan? Plan, IReadOnlyList<BookCard> Cards, IReadOnlyDictionary<string, string> Names)
{
    /// <summary>The name and version of the format.</summary>
    public const string Format = "keep-tally/link@1";

    /// <summary>A plan as another club gets it: without day and place, coaches by name, and what this club has.</summary>
    public static Plan Bare(Plan plan) =>
        plan with
        {
            Date = null,
            Place = "",
            Coaches = null,
            Equipment = null,
            Reserve = [],
            Blocks = [.. plan.Blocks.Select(block => block with { Takes = [], Key = null })],
        };
}
