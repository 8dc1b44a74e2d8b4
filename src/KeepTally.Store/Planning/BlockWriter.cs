using KeepTally.Core.Faults;
using KeepTally.Core.Formats;
using KeepTally.Core.Planning;
using KeepTally.Store.Database;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Planning;

/// <summary>Puts drills and circuits on a timing sheet, and takes lines off; once the practice runs, as far as nothing has begun.</summary>
public sealed class BlockWriter(TallyDb db, PlanBook plans, TimeProvider clock)
{
    private const int UsualMinutes = 60;

    /// <summary>
    /// Puts every stage of a card's newest version at the end of the sheet, the minutes shared out between them. A new
    /// practice is made for today where none is named.
    /// </summary>
    /// <returns>The practice, or why the drill could not be put there.</returns>
    public Task<Result<int>> AddAsync(DrillLine line, CancellationToken cancellationToken = default) =>
        AddAsync(
            line.Practice,
            new PlanBlock.Drill(line.Card, line.Minutes, line.Groups) { Options = line.Options },
            cancellationToken
        );

    /// <summary>Puts a line at the end of the sheet; a new practice is made for today where none is named.</summary>
    /// <returns>The practice, or why the line could not be put there.</returns>
    public async Task<Result<int>> AddAsync(int? practice, PlanBlock line, CancellationToken cancellationToken = default)
    {
        await using var transaction = await db.Database.BeginTransactionAsync(cancellationToken);
        if ((practice ?? await NewAsync(null, cancellationToken)) is not { } id)
        {
            return Result.Fail<int>(NoTeam);
        }

        if (
            await plans.EditAsync(
                id,
                open => Result.Ok(open.Plan.Inserted(open.Plan.Blocks.Count, line with { ChangeSeconds = open.Plan.WalkTo() })),
                cancellationToken
            ) is
            { IsOk: false } unchanged
        )
        {
            return Result.Fail<int>(unchanged.Faults);
        }

        await transaction.CommitAsync(cancellationToken);
        return Result.Ok(id);
    }

    /// <summary>Begins an empty timing sheet for a team today; the practice, or null where there is no such team.</summary>
    public Task<int?> BeginAsync(int team, CancellationToken cancellationToken = default) => NewAsync(team, cancellationToken);

    /// <summary>Why there is no sheet to put anything on.</summary>
    internal static Fault NoTeam { get; } = new("team", "there is no team yet", "write down the squad first");

    /// <param name="wanted">The team it is for; the first where none is named.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    private async Task<int?> NewAsync(int? wanted, CancellationToken cancellationToken)
    {
        var teams = db.Teams.Where(team => wanted == null || team.Id == wanted);
        if (await teams.OrderBy(team => team.Id).FirstOrDefaultAsync(cancellationToken) is not { } team)
        {
            return null;
        }

        var now = clock.GetLocalNow().DateTime;
        var plan = new Plan
        {
            Title = "Practice",
            Date = DateOnly.FromDateTime(now),
            Start = new TimeOnly(now.Hour, now.Minute / 5 * 5),
            Minutes = UsualMinutes,
            Players = 0,
            Blocks = [],
        };
        return (await plans.NewAsync(team.Id, plan, "", cancellationToken)).Require();
    }

    /// <summary>A drill with its clock and minutes made to go together; null where it has no clock.</summary>
    public static PlanBlock? Fitted(OpenPlan open, int index, ClockFitWay way) =>
        open.Plan.Blocks[index] is PlanBlock.Drill drill
        && open.Practice.Blocks.First(block => block.Id == drill.Key) is { CardVersion: { } card } block
        && CardReader.Read(card.Json, drill.Options).Value?.Stages[block.Stage].Clock is { } clock
            ? drill with
            {
                FitsClock = way == ClockFitWay.Rounds,
                Minutes = way == ClockFitWay.Minutes ? ClockFit.MinutesFor(clock) : drill.Minutes,
            }
            : null;
}

/// <summary>How the clock and the minutes of a block are made to go together.</summary>
public enum ClockFitWay
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
/// <param name="Card">The id of the card.</param>
/// <param name="Minutes">The minutes it is given.</param>
/// <param name="Groups">The number of groups.</param>
/// <param name="Options">The house rules chosen; what is not named stays as the card has it.</param>
public sealed record DrillLine(int? Practice, string Card, double Minutes, int Groups, IReadOnlyDictionary<string, string> Options);
