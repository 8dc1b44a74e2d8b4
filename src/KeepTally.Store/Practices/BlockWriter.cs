using System.Text.Json;
using KeepTally.Core.Dealing;
using KeepTally.Core.Faults;
using KeepTally.Core.Formats;
using KeepTally.Core.Planning;
using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Practices;

/// <summary>Puts drills on the timing sheet of a practice that has not begun, and takes them off.</summary>
public sealed class BlockWriter(TallyDb db, TimeProvider clock)
{
    private const int WalkSeconds = 60;
    private const int UsualMinutes = 60;

    /// <summary>Practices that have not begun, from today on.</summary>
    public async Task<IReadOnlyList<Practice>> OpenAsync(CancellationToken cancellationToken = default)
    {
        var today = DateOnly.FromDateTime(clock.GetLocalNow().DateTime);
        return await db
            .Practices.AsNoTracking()
            .Include(practice => practice.Attendance)
            .Include(practice => practice.Team)
            .Where(practice => practice.Date >= today && !practice.Blocks.Any(block => block.Run != null))
            .OrderBy(practice => practice.Date)
            .ThenBy(practice => practice.Start)
            .ToListAsync(cancellationToken);
    }

    /// <summary>
    /// Puts every stage of a card's newest version at the end of the sheet, the minutes shared out between them. A new
    /// practice is made for today where none is named.
    /// </summary>
    /// <returns>The practice, or why the drill could not be put there.</returns>
    public async Task<Result<int>> AddAsync(DrillLine line, CancellationToken cancellationToken = default)
    {
        var version = await db
            .CardVersions.Where(card => card.CardId == line.Card)
            .OrderByDescending(card => card.Version)
            .FirstOrDefaultAsync(cancellationToken);
        if (version is null)
        {
            return Result.Fail<int>(new Fault("card", "there is no such card", "choose another"));
        }

        var read = CardReader.Read(version.Json, line.Options);
        if (!read.IsOk)
        {
            return Result.Fail<int>(read.Faults[0].For("the card does not read with these house rules"));
        }

        var unfit = Enumerable.Range(0, read.Value.Stages.Count).Select(stage => StageDealer.Unfit(read.Value, stage));
        if (unfit.FirstOrDefault(fault => fault is not null) is { } why)
        {
            return Result.Fail<int>(why.For("this card cannot be run yet"));
        }

        var practice = await OpenOrNewAsync(line.Practice, cancellationToken);
        if (practice is null)
        {
            return Result.Fail<int>(NoSheet(line.Practice));
        }

        var order = NextOrder(practice);
        for (var stage = 0; stage < read.Value.Stages.Count; stage++)
        {
            practice.Blocks.Add(
                new Block
                {
                    Order = order + stage,
                    CardVersionId = version.Id,
                    Stage = stage,
                    Part = read.Value.Stages.Count > 1 ? read.Value.Stages[stage].Name : "",
                    Minutes = Math.Round(line.Minutes / read.Value.Stages.Count, 1),
                    Groups = line.Groups,
                    ChangeSeconds = WalkTo(practice),
                    OptionsJson = JsonSerializer.Serialize(line.Options),
                }
            );
        }

        await db.SaveChangesAsync(cancellationToken);
        return Result.Ok(practice.Id);
    }

    /// <summary>Takes a block off; false where it is not there or its practice has begun.</summary>
    public async Task<bool> RemoveAsync(int blockId, CancellationToken cancellationToken = default) =>
        await db
            .Blocks.Where(block =>
                block.Id == blockId && !db.Blocks.Any(other => other.PracticeId == block.PracticeId && other.Run != null)
            )
            .ExecuteDeleteAsync(cancellationToken) > 0;

    /// <summary>
    /// Makes the clock and the minutes of a block go together, or lets the clock run as the card has it; false where the block is
    /// not there, has no clock, or its practice has begun.
    /// </summary>
    public async Task<bool> FitAsync(int blockId, FitWay way, CancellationToken cancellationToken = default)
    {
        if (
            await db
                .Blocks.Include(block => block.CardVersion)
                .SingleOrDefaultAsync(
                    block =>
                        block.Id == blockId && !db.Blocks.Any(other => other.PracticeId == block.PracticeId && other.Run != null),
                    cancellationToken
                )
                is not { Circuit: null } block
            || CardReader.Read(block.CardVersion!.Json, Chosen(block)).Value?.Stages[block.Stage].Clock is not { } clock
        )
        {
            return false;
        }

        block.FitsClock = way == FitWay.Rounds;
        block.Minutes = way == FitWay.Minutes ? ClockFit.MinutesFor(clock) : block.Minutes;
        await db.SaveChangesAsync(cancellationToken);
        return true;
    }

    /// <summary>The house rules chosen for a block.</summary>
    public static IReadOnlyDictionary<string, string> Chosen(Block block) =>
        JsonSerializer.Deserialize<Dictionary<string, string>>(block.OptionsJson)!;

    internal async Task<Practice?> OpenOrNewAsync(int? practice, CancellationToken cancellationToken) =>
        practice is { } id ? await OpenSheetAsync(id, cancellationToken) : await NewAsync(null, cancellationToken);

    /// <summary>Why there is no sheet to put anything on.</summary>
    internal static Fault NoSheet(int? practice) =>
        practice is null
            ? new Fault("team", "there is no team yet", "write down the squad first")
            : new Fault("practice", "that practice has begun; its sheet stands", "choose another practice");

    internal static int NextOrder(Practice practice) =>
        practice.Blocks.Count == 0 ? 0 : practice.Blocks.Max(block => block.Order) + 1;

    /// <summary>The first block is walked to before practice begins.</summary>
    internal static int WalkTo(Practice practice) => practice.Blocks.Count == 0 ? 0 : WalkSeconds;

    private async Task<Practice?> OpenSheetAsync(int id, CancellationToken cancellationToken) =>
        await db
            .Practices.Include(practice => practice.Blocks)
            .SingleOrDefaultAsync(
                practice => practice.Id == id && !practice.Blocks.Any(block => block.Run != null),
                cancellationToken
            );

    /// <summary>Begins an empty timing sheet for a team today; the practice, or null where there is no such team.</summary>
    public async Task<int?> BeginAsync(int team, CancellationToken cancellationToken = default)
    {
        var practice = await NewAsync(team, cancellationToken);
        await db.SaveChangesAsync(cancellationToken);
        return practice?.Id;
    }

    /// <param name="wanted">The team it is for; the first where none is named.</param>
    private async Task<Practice?> NewAsync(int? wanted, CancellationToken cancellationToken)
    {
        var teams = db.Teams.Where(team => wanted == null || team.Id == wanted);
        if (await teams.OrderBy(team => team.Id).FirstOrDefaultAsync(cancellationToken) is not { } team)
        {
            return null;
        }

        var now = clock.GetLocalNow().DateTime;
        var practice = new Practice
        {
            TeamId = team.Id,
            Title = "Practice",
            Date = DateOnly.FromDateTime(now),
            Start = new TimeOnly(now.Hour, now.Minute / 5 * 5),
            Minutes = UsualMinutes,
        };
        db.Practices.Add(practice);
        return practice;
    }
}

/// <summary>How the clock and the minutes of a block are made to go together.</summary>
public enum FitWay
{
    /// <summary>The rounds, or the one work interval, are fitted to the minutes.</summary>
    Rounds,

    /// <summary>The minutes are fitted to the rounds.</summary>
    Minutes,

    /// <summary>The clock runs as the card has it.</summary>
    Card,
}

/// <summary>A drill to put on a timing sheet.</summary>
/// <param name="Practice">The practice, or null for a new one today.</param>
/// <param name="Options">The house rules chosen; what is not named stays as the card has it.</param>
public sealed record DrillLine(int? Practice, string Card, double Minutes, int Groups, IReadOnlyDictionary<string, string> Options);
