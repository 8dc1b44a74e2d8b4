using System.Security.Cryptography;
using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Formats;
using KeepTally.Core.Planning;
using KeepTally.Core.Time;
using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Practices;

/// <summary>Begins a practice: deals out every drill's sheets, so that the whole of it can be run without the network.</summary>
public sealed class PracticeStart(TallyDb db, PracticeBook book, GroupPlan groups, RunStore runStore, PracticeClock clock)
{
    /// <summary>Begins the practice, or finds it begun; or says why it cannot be run.</summary>
    public async Task<Result<Done>> BeginAsync(int practiceId, CancellationToken cancellationToken = default)
    {
        if (await book.FindAsync(practiceId, cancellationToken) is not { } practice)
        {
            return new Fault("practice", "there is no such practice", "open one from Today");
        }

        if (practice.Blocks.Count == 0)
        {
            return new Fault("blocks", "the timing sheet is empty", "add a drill first");
        }

        if (practice.Blocks.Any(block => block.Run is not null))
        {
            return Result.Ok();
        }

        var plan = await groups.OfAsync(practice, cancellationToken: cancellationToken);
        if (FaultOf(plan) is { } fault)
        {
            return fault;
        }

        if (await book.UnderWayAsync(clock.Now - PracticeClock.LongestPractice, cancellationToken) is null)
        {
            clock.Follow();
        }

        var origin = RunOrigin.From(clock.Now);
        // Within a larger piece of work it is part of that.
        await using var transaction = db.Database.CurrentTransaction is null
            ? await db.Database.BeginTransactionAsync(cancellationToken)
            : null;
        if (await db.Runs.AnyAsync(run => run.Block!.PracticeId == practiceId, cancellationToken))
        {
            return Result.Ok();
        }

        db.Runs.AddRange(plan.Blocks.Select(dealt => Begin(dealt, origin)));
        await db.SaveChangesAsync(cancellationToken);
        if (transaction is not null)
        {
            await transaction.CommitAsync(cancellationToken);
        }

        return Result.Ok();
    }

    /// <summary>Why those who are here cannot fill the drills; null where they can.</summary>
    private static Fault? FaultOf(PlannedGroups plan) =>
        plan.Here switch
        {
            0 => new Fault("attendance", "nobody is here", "tap those who are"),
            1 => new Fault("attendance", "one player alone cannot fill these drills", "tap those who are here"),
            _ => plan.Blocks.FirstOrDefault(dealt => dealt.Sheets.Count == 0) is { } empty
                ? TroubleOf(
                    empty,
                    new Fault(
                        "blocks",
                        $"with today's limits fewer than two players are left for {empty.Block.Title}",
                        "take it off the sheet, or lift a limit"
                    )
                )
                : null,
        };

    private static Fault TroubleOf(DealtBlock empty, Fault tooFew) =>
        empty.Trouble is { } trouble ? trouble with { Problem = $"{empty.Block.Title}: {trouble.Problem}" } : tooFew;

    /// <summary>
    /// Deals out what was put on the sheet of a practice that runs already, to those who are on it now, or says
    /// why it cannot.
    /// </summary>
    public async Task<Result<Done>> DealAsync(int practiceId, CancellationToken cancellationToken = default)
    {
        var practice = (await book.FindAsync(practiceId, cancellationToken))!;
        if (practice.Blocks.TrueForAll(block => block.Run is not null))
        {
            return Result.Ok();
        }

        var runs = await runStore.OfAsync(practiceId, cancellationToken: cancellationToken);
        var now = WhoIsOn.Of(practice, runs);
        var plan = await groups.OfAsync(now, cancellationToken: cancellationToken);
        var fresh = plan.Blocks.Where(dealt => dealt.Block.Run is null).ToArray();
        if (Array.Find(fresh, dealt => dealt.Sheets.Count == 0) is { } empty)
        {
            return TroubleOf(
                empty,
                new Fault("blocks", $"fewer than two players are left for {empty.Block.Title}", "put in another drill")
            );
        }

        db.Runs.AddRange(fresh.Select(dealt => Begin(dealt, runs[0].Run.Origin)));
        await db.SaveChangesAsync(cancellationToken);
        return Result.Ok();
    }

    /// <summary>
    /// The card as it is run: a circuit's own; else the drill's, played with as many on each side as there are, its clock fitted
    /// to the minutes where the coach wants it so.
    /// </summary>
    private static string CardOf(DealtBlock dealt)
    {
        if (dealt.Sheets[0].CardJson is { } own)
        {
            return own;
        }

        var block = dealt.Block;
        var played = VersusText.Of(block.CardVersion!.Json, block.Stage, dealt.Versus);
        return block.FitsClock
            ? FittedCard.Of(played, dealt.Cards[0], block.Stage, Duration.FromMinutes(block.Minutes), dealt.MostUnits)
            : played;
    }

    private static Run Begin(DealtBlock dealt, RunOrigin origin)
    {
        // One seed for the whole drill: every sheet hears a surprise at the same moment.
        var seed = RandomNumberGenerator.GetInt32(1, int.MaxValue);
        return new Run
        {
            BlockId = dealt.Block.Id,
            CardJson = CardOf(dealt),
            Origin = origin,
            Sheets =
            [
                .. dealt.Sheets.Select(
                    (sheet, order) =>
                        new SheetRow
                        {
                            Id = Guid.CreateVersion7().ToString("N"),
                            Order = order,
                            Name = sheet.Name,
                            HeadJson = HeadReader.Write(sheet.Head with { Seed = seed }),
                            CardJson = sheet.Stop is null ? null : sheet.CardJson,
                            Round = sheet.Stop?.Round,
                            Station = sheet.Stop?.Station,
                            Group = sheet.Stop?.Group,
                        }
                ),
            ],
        };
    }
}
