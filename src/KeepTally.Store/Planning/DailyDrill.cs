using KeepTally.Core.Faults;
using KeepTally.Core.Planning;
using KeepTally.Store.Book;
using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Planning;

/// <summary>The short drill that stands at the beginning of every practice of a team.</summary>
public sealed class DailyDrill(TallyDb db, DrillBook book, PlanBook plans, TimeProvider clock)
{
    /// <summary>
    /// Settles which drill it is, or with none that there is no such drill, and puts it first in every practice to come that has
    /// not begun and does not have it. Says why it cannot be done.
    /// </summary>
    public async Task<Result<Done>> SettleAsync(
        int team,
        string card,
        double minutes,
        CancellationToken cancellationToken = default
    )
    {
        if (card.Length > 0 && (await book.ListAsync(cancellationToken: cancellationToken)).All(entry => entry.Id != card))
        {
            return new Fault("card", $"there is no drill \"{card}\" in the book", "choose another");
        }

        if (minutes is < 1 or > 20 || minutes * 2 % 1 != 0)
        {
            return new Fault("minutes", "the drill of every practice is a short one", "write 1 to 20 minutes, to the half minute");
        }

        if (await db.Teams.SingleOrDefaultAsync(each => each.Id == team, cancellationToken) is not { } found)
        {
            return BlockWriter.NoTeam;
        }

        (found.DailyCard, found.DailyMinutes) = (card, minutes);
        await db.SaveChangesAsync(cancellationToken);
        var today = DateOnly.FromDateTime(clock.GetLocalNow().DateTime);
        var open = await db
            .Practices.Where(practice => practice.TeamId == team && practice.Date >= today)
            .Where(practice => !practice.Blocks.Any(block => block.Run != null))
            .Select(practice => practice.Id)
            .ToListAsync(cancellationToken);
        foreach (var practice in open)
        {
            if (
                await plans.EditAsync(practice, sheet => Result.Ok(In(sheet.Plan, found, sheet.Shelf)), cancellationToken) is
                { IsOk: false } unchanged
            )
            {
                return unchanged;
            }
        }

        return Result.Ok();
    }

    /// <summary>The same sheet with the short drill first, unless it has it already.</summary>
    internal static Plan In(Plan plan, Team team, CardShelf shelf)
    {
        if (team.DailyCard.Length == 0 || plan.Blocks.Any(block => block.Cards.Contains(team.DailyCard)))
        {
            return plan;
        }

        var groups = shelf.Find(team.DailyCard) is { } card && plan.Players > 0 ? SuggestedCount.OrUsual(plan, card) : 1;
        return (plan with { Blocks = [new PlanBlock.Drill(team.DailyCard, team.DailyMinutes, groups)] }).Followed(plan.Blocks);
    }
}
