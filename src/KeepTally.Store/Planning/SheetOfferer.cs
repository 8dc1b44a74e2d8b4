using KeepTally.Core.Planning;
using KeepTally.Store.Book;
using KeepTally.Store.Database;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Planning;

/// <summary>Works out whole sheets for a practice from what is known of it.</summary>
public sealed class SheetOfferer(TallyDb db, PlanBook plans)
{
    private const int Recent = 40;

    /// <summary>Three sheets of different kinds; null where there is no such practice.</summary>
    /// <param name="practiceId">The id of the practice.</param>
    /// <param name="sport">Only drills of this sport and of any; empty for all.</param>
    /// <param name="skills">The skills that are wanted.</param>
    /// <param name="seed">The seed of the draw.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task<IReadOnlyList<OfferedSheet>?> OfferAsync(
        int practiceId,
        string sport,
        IReadOnlyList<string> skills,
        int seed,
        CancellationToken cancellationToken = default
    )
    {
        if (await plans.OpenAsync(practiceId, cancellationToken) is not { } open)
        {
            return null;
        }

        var day = open.Practice.Date.DayNumber;
        BookDrill[] drills =
        [
            .. open
                .Book.Where(entry =>
                    sport.Length == 0 || entry.Card.Sports.Contains(sport) || entry.Card.Sports.Contains(BookFilter.AnySport)
                )
                .Select(entry => new BookDrill(entry.Card, entry.LastDone is { } last ? Math.Max(0, day - last.DayNumber) : null)),
        ];
        return SheetOffers.Make(new SheetWish(await FrameAsync(open, cancellationToken), drills, skills), seed);
    }

    /// <summary>The sport of a team; where it has none, the one it practises most, by its last drills. Empty where nothing tells.</summary>
    public async Task<string> SportOfAsync(OpenPlan open, CancellationToken cancellationToken = default)
    {
        if (open.Sport.Length > 0)
        {
            return open.Sport;
        }

        var recent = await db
            .Blocks.Where(block => block.CardVersion != null)
            .Join(
                db.Practices.Where(practice => practice.TeamId == open.Practice.TeamId),
                block => block.PracticeId,
                practice => practice.Id,
                (block, practice) => new { block.Id, block.CardVersion!.CardId }
            )
            .OrderByDescending(each => each.Id)
            .Take(Recent)
            .Select(each => each.CardId)
            .ToListAsync(cancellationToken);
        return recent
                .Select(open.Shelf.Find)
                .SelectMany(card => card?.Sports ?? [])
                .Where(sport => sport != BookFilter.AnySport)
                .GroupBy(sport => sport)
                .OrderByDescending(sport => sport.Count())
                .ThenBy(sport => sport.Key, StringComparer.Ordinal)
                .FirstOrDefault()
                ?.Key
            ?? "";
    }

    /// <summary>The fixed part of a sheet: the short drill of every practice.</summary>
    private async Task<Plan> FrameAsync(OpenPlan open, CancellationToken cancellationToken)
    {
        var team = await db.Teams.AsNoTracking().SingleAsync(each => each.Id == open.Practice.TeamId, cancellationToken);
        return DailyDrill.In(open.Plan with { Blocks = [], Reserve = [] }, team, open.Shelf);
    }
}
