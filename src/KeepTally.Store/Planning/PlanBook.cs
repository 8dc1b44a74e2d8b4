using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Planning;
using KeepTally.Store.Book;
using KeepTally.Store.Database;
using KeepTally.Store.Practices;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Planning;

/// <summary>
/// The timing sheets of practices. A sheet is a value: every edit makes another, and what differs is written. Once a practice
/// runs, what has begun stands, and what is changed is dealt out at once.
/// </summary>
public sealed class PlanBook(
    TallyDb db,
    DrillBook book,
    TextCache texts,
    PracticeBook practices,
    SquadBook squad,
    GearBook gear,
    PlanRowWriter writer,
    PracticeStart start,
    TimeProvider clock
)
{
    /// <summary>Opens the sheet of a practice; null where there is none.</summary>
    public async Task<OpenPlan?> OpenAsync(int practiceId, CancellationToken cancellationToken = default) =>
        await practices.FindAsync(practiceId, cancellationToken) is { } practice
            ? await OpenAsync(practice, cancellationToken)
            : null;

    /// <summary>Opens the sheet of a practice that was read already.</summary>
    public async Task<OpenPlan> OpenAsync(Practice practice, CancellationToken cancellationToken = default) =>
        await OpenAsync(practice, await book.ForTeamAsync(practice.TeamId, cancellationToken), cancellationToken);

    /// <summary>Opens it only to be read: what is put forward is not in the order of when it was last done.</summary>
    /// <param name="practice">The practice.</param>
    /// <param name="players">Its squad, where it was read already; null to read it.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task<OpenPlan> ReadAsync(
        Practice practice,
        IReadOnlyList<Player>? players = null,
        CancellationToken cancellationToken = default
    ) =>
        await OpenAsync(
            practice,
            await book.CardsAsync(cancellationToken),
            players ?? await squad.ListAsync(practice.TeamId, cancellationToken),
            await gear.ListAsync(cancellationToken),
            cancellationToken
        );

    private async Task<OpenPlan> OpenAsync(
        Practice practice,
        IReadOnlyList<BookEntry> entries,
        CancellationToken cancellationToken
    ) =>
        await OpenAsync(
            practice,
            entries,
            await squad.ListAsync(practice.TeamId, cancellationToken),
            await gear.ListAsync(cancellationToken),
            cancellationToken
        );

    private async Task<OpenPlan> OpenAsync(
        Practice practice,
        IReadOnlyList<BookEntry> entries,
        IReadOnlyList<Player> players,
        IReadOnlyList<Gear> things,
        CancellationToken cancellationToken
    )
    {
        var shelf = PlanShelf.Of(practice, entries, texts);
        var plan = PlanRows.Of(practice, players, things, shelf);
        var sports = plan
            .Blocks.SelectMany(block => block.Cards)
            .Select(shelf.Find)
            .SelectMany(card => card?.Sports ?? [])
            .ToHashSet();
        var own = practice.Team!.Sport;
        if (own.Length > 0)
        {
            sports.Add(own);
        }

        return new OpenPlan(practice, plan, shelf, entries, await BegunAsync(practice, cancellationToken))
        {
            Squad = players,
            Gear = things,
            Sport = own,
            Spares = SpareDrills.Of(plan, entries, sports),
        };
    }

    /// <summary>
    /// The same sheet as it stands after an edit; what an edit cannot change, the book, the squad, who is there and the equipment,
    /// is not read again. Null where the practice is no more.
    /// </summary>
    public async Task<OpenPlan?> RefreshAsync(OpenPlan open, CancellationToken cancellationToken = default)
    {
        var id = open.Practice.Id;
        if (await PracticeRows.Whole(db).SingleOrDefaultAsync(each => each.Id == id, cancellationToken) is not { } practice)
        {
            return null;
        }

        practice.Attendance.AddRange(open.Practice.Attendance);
        return await OpenAsync(practice, open.Book, open.Squad, open.Gear, cancellationToken);
    }

    /// <summary>The version of a plan, which grows with every change; null where there is no such practice.</summary>
    public Task<int?> VersionAsync(int practiceId, CancellationToken cancellationToken = default) =>
        practices.SheetVersionAsync(practiceId, cancellationToken);

    /// <summary>Changes the sheet of a practice, or says why not.</summary>
    /// <param name="practiceId">The id of the practice.</param>
    /// <param name="edit">The sheet as it is to be; it may say why it cannot.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task<Result<Done>> EditAsync(
        int practiceId,
        Func<OpenPlan, Result<Plan>> edit,
        CancellationToken cancellationToken = default
    )
    {
        if (await OpenAsync(practiceId, cancellationToken) is not { } open)
        {
            return new Fault("practice", "there is no such practice", "open one from the plan");
        }

        var edited = await EditAsync(open, edit, cancellationToken);
        return edited.IsOk ? Result.Ok() : Result.Fail<Done>(edited.Faults);
    }

    /// <summary>Changes a sheet that was just opened; its version then, or why it could not be changed.</summary>
    /// <param name="open">The sheet as it was opened for this edit.</param>
    /// <param name="edit">The sheet as it is to be; it may say why it cannot.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task<Result<int>> EditAsync(
        OpenPlan open,
        Func<OpenPlan, Result<Plan>> edit,
        CancellationToken cancellationToken = default
    )
    {
        var edited = edit(open);
        if (!edited.IsOk)
        {
            return Result.Fail<int>(edited.Faults);
        }

        if (Touched(open, edited.Value) is { } begun)
        {
            return Result.Fail<int>(begun);
        }

        await using var transaction = db.Database.CurrentTransaction is null
            ? await db.Database.BeginTransactionAsync(cancellationToken)
            : null;
        var written = await writer.WriteAsync(open, edited.Value, cancellationToken);
        if (!written.IsOk)
        {
            return written;
        }

        if (open.IsRunning && (await start.DealAsync(open.Practice.Id, cancellationToken)).FirstFault is { } undealt)
        {
            return Result.Fail<int>(undealt);
        }

        if (transaction is not null)
        {
            await transaction.CommitAsync(cancellationToken);
        }

        return written;
    }

    /// <summary>Makes a practice of a team, with a sheet of its own and the short drill of every practice; its id.</summary>
    public async Task<Result<int>> NewAsync(int team, Plan plan, string series, CancellationToken cancellationToken = default)
    {
        if (await db.Teams.AsNoTracking().SingleOrDefaultAsync(each => each.Id == team, cancellationToken) is not { } found)
        {
            return Result.Fail<int>(new Fault("team", "there is no such team", "write down the squad first"));
        }

        var practice = new Practice
        {
            TeamId = team,
            Title = plan.Title,
            Date = plan.Date ?? DateOnly.FromDateTime(clock.GetLocalNow().DateTime),
            Start = plan.Start,
            Minutes = (int)Math.Ceiling(plan.Minutes),
            Place = plan.Place,
            Series = series,
        };
        // All of it or nothing: a sheet that cannot be written leaves no empty practice behind.
        await using var transaction = db.Database.CurrentTransaction is null
            ? await db.Database.BeginTransactionAsync(cancellationToken)
            : null;
        db.Practices.Add(practice);
        await db.SaveChangesAsync(cancellationToken);
        if (
            await EditAsync(
                practice.Id,
                open => Result.Ok(DailyDrill.In(Taken(open.Plan, plan), found, open.Shelf)),
                cancellationToken
            ) is
            { IsOk: false } unwritten
        )
        {
            return Result.Fail<int>(unwritten.Faults);
        }

        if (transaction is not null)
        {
            await transaction.CommitAsync(cancellationToken);
        }

        return Result.Ok(practice.Id);
    }

    /// <summary>Deletes a practice that has not begun, or says why it cannot.</summary>
    public async Task<Result<Done>> DeleteAsync(int practiceId, CancellationToken cancellationToken = default) =>
        await db
            .Practices.Where(practice => practice.Id == practiceId && !practice.Blocks.Any(block => block.Run != null))
            .ExecuteDeleteAsync(cancellationToken) > 0
            ? Result.Ok()
            : new Fault("practice", "practice has started, so its plan stays", "delete it with its results once it is over");

    /// <summary>
    /// A drill that was removed the sheet and is done all the same, as by a device that had not heard, stands on it again; the version of
    /// the sheet then, or null where nothing was to be done.
    /// </summary>
    public async Task<int?> ReturnAsync(string sheet, int practiceId, CancellationToken cancellationToken = default)
    {
        var returned = await db
            .Blocks.Where(block => block.Dropped && block.Run!.Sheets.Any(each => each.Id == sheet))
            .ExecuteUpdateAsync(set => set.SetProperty(block => block.Dropped, false), cancellationToken);
        if (returned == 0)
        {
            return null;
        }

        await db
            .Practices.Where(practice => practice.Id == practiceId)
            .ExecuteUpdateAsync(
                set => set.SetProperty(each => each.SheetVersion, each => each.SheetVersion + 1),
                cancellationToken
            );
        return await practices.SheetVersionAsync(practiceId, cancellationToken);
    }

    /// <summary>The part of a sheet that a new one copies: everything but players and equipment.</summary>
    private static Plan Taken(Plan fresh, Plan from) =>
        fresh with
        {
            Blocks = [.. from.Blocks.Select(block => block with { Key = null })],
            Reserve = from.Reserve,
            Caps = from.Caps,
            Coaches = from.Coaches,
        };

    private async Task<IReadOnlySet<int>> BegunAsync(Practice practice, CancellationToken cancellationToken) =>
        practice.Blocks.Exists(block => block.Run is not null)
            ? (
                await db
                    .Blocks.Where(block => block.PracticeId == practice.Id)
                    .Where(block =>
                        block.Run!.Sheets.Any(sheet =>
                            db.Events.Any(row =>
                                row.SheetId == sheet.Id
                                && (row.Type == RunEvent.Start.TypeName || row.Type == RunEvent.End.TypeName)
                            )
                        )
                    )
                    .Select(block => block.Id)
                    .ToListAsync(cancellationToken)
            ).ToHashSet()
            : new HashSet<int>();

    /// <summary>Why an edit cannot be: it reaches what has begun.</summary>
    private static Fault? Touched(OpenPlan open, Plan edited)
    {
        foreach (var (index, block) in open.Plan.Blocks.Index().Where(each => open.Begun.Contains(each.Item.Key ?? 0)))
        {
            var now = edited.Blocks.Index().FirstOrDefault(each => each.Item.Key == block.Key);
            if (now.Item is null || now.Index != index || PlanRowWriter.IsDealtAnew(block, now.Item))
            {
                return new Fault(
                    $"blocks[{index}]",
                    $"{open.Shelf.NameOf(block)} has begun and stands as it is",
                    "change what comes after it, or end it on the run screen"
                );
            }
        }

        return null;
    }
}
