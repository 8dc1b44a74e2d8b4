using System.Security.Cryptography;
using KeepTally.Core.Formats;
using KeepTally.Core.Sheets;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Practices;

/// <summary>Begins a practice: deals out every drill's sheets, so that the whole of it can be run without the network.</summary>
public sealed class PracticeStart(TallyDb db, PracticeBook book, SquadBook squad, TimeProvider clock)
{
    /// <summary>Begins the practice, or finds it begun. Null where it can be run, else why not, in words for the coach.</summary>
    public async Task<string?> BeginAsync(int practiceId, CancellationToken stop = default)
    {
        if (await book.FindAsync(practiceId, stop) is not { } practice)
        {
            return "There is no such practice.";
        }

        if (practice.Blocks.Count == 0)
        {
            return "The timing sheet is empty. Add a drill first.";
        }

        if (practice.Blocks.Any(block => block.Run is not null))
        {
            return null;
        }

        var absent = PracticeBook.Absent(practice);
        var limits = practice.Attendance.ToDictionary(each => each.PlayerId, each => each.Limits);
        var here = (await squad.ListAsync(practice.TeamId, stop))
            .Where(player => !absent.Contains(player.Id))
            .Select(player => (Member: new Member(player.UnitId, player.Name), Limits: limits.GetValueOrDefault(player.Id)))
            .ToArray();
        if (here.Length < 2)
        {
            return here.Length == 0
                ? "Nobody is here. Tap those who are."
                : "One player alone cannot fill these drills. Tap those who are here.";
        }

        var empty = practice.Blocks.FirstOrDefault(block => Allowed(block, here).Length < 2);
        if (empty is not null)
        {
            return $"With today's limits fewer than two players are left for {empty.Title}. Take it off the sheet, or lift a limit.";
        }

        var origin = clock.GetUtcNow().ToUnixTimeMilliseconds();
        await using var transaction = await db.Database.BeginTransactionAsync(stop);
        if (await db.Runs.AnyAsync(run => run.Block!.PracticeId == practiceId, stop))
        {
            return null;
        }

        db.Runs.AddRange(practice.Blocks.Select(block => Begin(block, Allowed(block, here), origin)));
        await db.SaveChangesAsync(stop);
        await transaction.CommitAsync(stop);
        return null;
    }

    /// <summary>Everyone here whom no limit keeps from the drill.</summary>
    private static Member[] Allowed(Block block, (Member Member, Limits Limits)[] here)
    {
        var card = CardReader.Read(block.CardVersion!.Json).Sure();
        return [.. here.Where(each => !LimitRule.Forbids(each.Limits, card)).Select(each => each.Member)];
    }

    private static Run Begin(Block block, Member[] here, long origin)
    {
        var card = CardReader.Read(block.CardVersion!.Json, TimingSheet.Chosen(block)).Sure();
        // One seed for the whole drill: every sheet hears a surprise at the same moment.
        var seed = RandomNumberGenerator.GetInt32(1, int.MaxValue);
        return new Run
        {
            BlockId = block.Id,
            CardJson = block.CardVersion.Json,
            Origin = origin,
            Sheets =
            [
                .. SheetDealer
                    .Deal(card, block.Stage, here, block.Groups)
                    .Select(
                        (sheet, order) =>
                            new SheetRow
                            {
                                Id = Guid.CreateVersion7().ToString("N"),
                                Order = order,
                                Name = sheet.Name,
                                HeadJson = HeadReader.Write(sheet.Head with { Seed = seed }),
                            }
                    ),
            ],
        };
    }
}
