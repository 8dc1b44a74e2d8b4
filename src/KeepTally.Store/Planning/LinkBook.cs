using KeepTally.Core.Faults;
using KeepTally.Core.Formats;
using KeepTally.Core.Links;
using KeepTally.Store.Book;
using KeepTally.Store.Database;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Planning;

/// <summary>Cards and plans that go to another club as a link, and those that come from one.</summary>
public sealed class LinkBook(TallyDb db, DrillBook book, CardWriter cards, PlanBook plans, TimeProvider clock)
{
    /// <summary>The content of a link to a card; null where there is no such card, or it does not read.</summary>
    public async Task<string?> OfCardAsync(string id, CancellationToken cancellationToken = default) =>
        await book.FindAsync(id, null, cancellationToken) is { } page
            ? LinkWriter.Write(new LinkContent(null, [new BookCard(page.Card, page.Shown.Json)], new Dictionary<string, string>()))
            : null;

    /// <summary>The content of a link to a plan, with the cards that do not come with Keep Tally; null where there is no such practice.</summary>
    public async Task<string?> OfPlanAsync(int practice, CancellationToken cancellationToken = default)
    {
        if (await plans.OpenAsync(practice, cancellationToken) is not { } open)
        {
            return null;
        }

        var (own, names) = (new List<BookCard>(), new Dictionary<string, string>(StringComparer.Ordinal));
        foreach (var id in open.Plan.Blocks.SelectMany(block => block.Cards).Distinct())
        {
            if (await book.FindAsync(id, null, cancellationToken) is not { } page)
            {
                continue;
            }

            if (ShippedCards.All.TryGetValue(id, out var shipped) && BookReader.Tidy(shipped) == BookReader.Tidy(page.Shown.Json))
            {
                names[id] = page.Card.Name;
            }
            else
            {
                own.Add(new BookCard(page.Card, page.Shown.Json));
            }
        }

        return LinkWriter.Write(new LinkContent(open.Plan, own, names));
    }

    /// <summary>
    /// Keeps what a link carries. A single card becomes a new version where the book has it and it is scored otherwise; the
    /// cards of a plan are added where the book does not have them, and change none that it has.
    /// </summary>
    /// <param name="team">The team that a plan is for.</param>
    /// <param name="json">The content of the link.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    /// <returns>The id of the practice that was made, or null and that of the card.</returns>
    public async Task<Result<(int? Practice, string Card)>> KeepAsync(
        int team,
        string json,
        CancellationToken cancellationToken = default
    )
    {
        var read = LinkReader.Read(json);
        if (!read.IsOk)
        {
            return Result.Fail<(int?, string)>(read.Faults);
        }

        var content = read.Value;
        if (content.Plan is not { } plan)
        {
            var taken = await cards.ImportAsync(BookReader.Write(content.Cards.Select(each => each.Json)), cancellationToken);
            return taken.IsOk ? Result.Ok<(int?, string)>((null, taken.Value[0].Id)) : Result.Fail<(int?, string)>(taken.Faults);
        }

        var known = await db.Cards.Select(card => card.Id).ToListAsync(cancellationToken);
        string[] missing = [.. content.Cards.Where(each => !known.Contains(each.Card.Id)).Select(each => each.Json)];
        if (missing.Length > 0 && await cards.ImportAsync(BookReader.Write(missing), cancellationToken) is { IsOk: false } refused)
        {
            return Result.Fail<(int?, string)>(refused.Faults);
        }

        var dated = plan with
        {
            Title = plan.Title.Length > 0 ? plan.Title : "Practice",
            Date = DateOnly.FromDateTime(clock.GetLocalNow().DateTime),
        };
        var made = await plans.NewAsync(team, dated, "", cancellationToken);
        return made.IsOk ? Result.Ok<(int?, string)>((made.Value, "")) : Result.Fail<(int?, string)>(made.Faults);
    }
}
