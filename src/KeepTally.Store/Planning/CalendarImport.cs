using KeepTally.Core.Faults;
using KeepTally.Core.Planning;
using KeepTally.Store.Calendars;
using KeepTally.Store.Database;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Planning;

/// <summary>Takes practices from another calendar: an event that was taken before changes its practice, and is not taken twice.</summary>
public sealed class CalendarImport(TallyDb db, PlanBook plans)
{
    /// <summary>What each entry would do for a team, in the order of the entries.</summary>
    public async Task<IReadOnlyList<CalendarRow>> LookAsync(
        int team,
        IReadOnlyList<CalendarEntry> entries,
        CancellationToken cancellationToken = default
    )
    {
        var known = await db
            .Practices.AsNoTracking()
            .Where(practice => practice.TeamId == team)
            .Select(practice => new
            {
                practice.Id,
                practice.CalendarUid,
                When = new CalendarEntry(
                    practice.CalendarUid,
                    practice.Title,
                    practice.Date,
                    practice.Start,
                    practice.Minutes,
                    practice.Place
                ),
                Begun = practice.Blocks.Any(block => block.Run != null),
            })
            .ToListAsync(cancellationToken);
        var byUid = known.Where(each => each.CalendarUid.Length > 0).ToLookup(each => each.CalendarUid);
        var byTime = known.ToLookup(each => (each.When.Date, each.When.Start));
        return
        [
            .. entries.Select(entry =>
            {
                var same = byUid[entry.Uid].FirstOrDefault();
                return same is null
                        ? new CalendarRow(
                            entry,
                            null,
                            null,
                            byTime[(entry.Date, entry.Start)].Any() ? CalendarEffect.Taken : CalendarEffect.New
                        )
                    : same.When == entry ? new CalendarRow(entry, same.Id, same.When, CalendarEffect.Same)
                    : same.Begun ? new CalendarRow(entry, same.Id, same.When, CalendarEffect.Begun)
                    : new CalendarRow(entry, same.Id, same.When, CalendarEffect.Changed);
            }),
        ];
    }

    /// <summary>Takes rows that are new or changed: all of them, or none and why.</summary>
    public async Task<Result<ImportedPractices>> TakeAsync(
        int team,
        IReadOnlyList<CalendarRow> rows,
        CancellationToken cancellationToken = default
    )
    {
        await using var transaction = await db.Database.BeginTransactionAsync(cancellationToken);
        var (added, changed) = (new List<int>(), new List<(int, CalendarEntry, CalendarEntry)>());
        foreach (var row in rows)
        {
            if (row is { Effect: CalendarEffect.New or CalendarEffect.Taken })
            {
                var made = await plans.NewAsync(team, At(Empty, row.Entry), "", cancellationToken);
                if (!made.IsOk)
                {
                    return Result.Fail<ImportedPractices>(made.Faults);
                }

                await db
                    .Practices.Where(practice => practice.Id == made.Value)
                    .ExecuteUpdateAsync(set => set.SetProperty(each => each.CalendarUid, row.Entry.Uid), cancellationToken);
                added.Add(made.Value);
            }
            else if (row is { Effect: CalendarEffect.Changed, Practice: { } id, Before: { } before })
            {
                var moved = await plans.EditAsync(id, open => Result.Ok(At(open.Plan, row.Entry)), cancellationToken);
                if (!moved.IsOk)
                {
                    return Result.Fail<ImportedPractices>(moved.Faults);
                }

                changed.Add((id, before, row.Entry));
            }
        }

        await transaction.CommitAsync(cancellationToken);
        return Result.Ok(new ImportedPractices(team, added, changed));
    }

    /// <summary>
    /// Undoes an import: new practices go, unless they were begun or planned since, and changed ones are as they were, unless
    /// they were changed again.
    /// </summary>
    /// <returns>How many were left as they are.</returns>
    public async Task<int> UndoAsync(ImportedPractices imported, CancellationToken cancellationToken = default)
    {
        await using var transaction = await db.Database.BeginTransactionAsync(cancellationToken);
        var left = 0;
        foreach (var id in imported.Added)
        {
            var untouched = await db.Practices.AnyAsync(
                practice => practice.Id == id && practice.SheetVersion <= FirstVersion,
                cancellationToken
            );
            left += untouched && (await plans.DeleteAsync(id, cancellationToken)).IsOk ? 0 : 1;
        }

        foreach (var (id, before, after) in imported.Changed)
        {
            var restored = await plans.EditAsync(
                id,
                open =>
                    At(open.Plan, after) == open.Plan
                        ? Result.Ok(At(open.Plan, before))
                        : Result.Fail<Plan>(new Fault("practice", "it was changed since", "change it by hand")),
                cancellationToken
            );
            left += restored.IsOk ? 0 : 1;
        }

        await transaction.CommitAsync(cancellationToken);
        return left;
    }

    /// <summary>The version of a sheet that was made and never changed.</summary>
    private const int FirstVersion = 1;

    private static Plan Empty =>
        new()
        {
            Start = default,
            Minutes = 1,
            Players = 0,
            Blocks = [],
        };

    private static Plan At(Plan plan, CalendarEntry entry) =>
        plan with
        {
            Title = entry.Title,
            Date = entry.Date,
            Start = entry.Start,
            Minutes = entry.Minutes,
            Place = entry.Place,
        };
}

/// <summary>What an event of a calendar would do.</summary>
public enum CalendarEffect
{
    /// <summary>A new practice.</summary>
    New,

    /// <summary>A new practice, though the team has one at that time already.</summary>
    Taken,

    /// <summary>Another time, title or place of a practice that was imported before.</summary>
    Changed,

    /// <summary>Nothing: it was imported before and is the same.</summary>
    Same,

    /// <summary>Nothing: its practice was begun, and stays as it is.</summary>
    Begun,
}

/// <summary>An event of a calendar, and what it would do.</summary>
/// <param name="Entry">The event.</param>
/// <param name="Practice">The practice that was imported from it before; null where there is none.</param>
/// <param name="Before">How that practice is now.</param>
/// <param name="Effect">What it would do.</param>
public sealed record CalendarRow(CalendarEntry Entry, int? Practice, CalendarEntry? Before, CalendarEffect Effect)
{
    /// <summary>Whether it would do anything.</summary>
    public bool Changes => Effect is CalendarEffect.New or CalendarEffect.Taken or CalendarEffect.Changed;
}

/// <summary>What an import of a calendar did.</summary>
/// <param name="Team">The team.</param>
/// <param name="Added">The ids of the practices that were made.</param>
/// <param name="Changed">The practices that were changed: how they were, and how they are since.</param>
public sealed record ImportedPractices(
    int Team,
    IReadOnlyList<int> Added,
    IReadOnlyList<(int Id, CalendarEntry Before, CalendarEntry After)> Changed
);
