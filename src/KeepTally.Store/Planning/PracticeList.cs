using KeepTally.Core.Events;
using KeepTally.Core.Planning;
using KeepTally.Store.Book;
using KeepTally.Store.Calendars;
using KeepTally.Store.Database;
using KeepTally.Store.Practices;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Planning;

/// <summary>Practices in a list, by date: those to come, and those that were.</summary>
public sealed class PracticeList(TallyDb db, DrillBook book, TextCache texts, TimeProvider clock)
{
    private const int MostPast = 60;

    /// <summary>Days whose practices are looked at for what was trained lately.</summary>
    public const int LatelyDays = 28;

    private DateOnly Today => DateOnly.FromDateTime(clock.GetLocalNow().DateTime);

    /// <summary>Practices from today on, begun or not, the next first.</summary>
    /// <param name="firstTeam">The team whose practices come first; null for none.</param>
    /// <param name="filter">Which of them; all where it is left out.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task<IReadOnlyList<Practice>> ToComeAsync(
        int? firstTeam = null,
        PracticeFilter? filter = null,
        CancellationToken cancellationToken = default
    )
    {
        var today = Today;
        return await PracticeRows.ReadAsync(
            db,
            (filter ?? PracticeFilter.None)
                .Of(db, PracticeRows.Whole(db))
                .Where(practice => practice.Date >= today)
                .OrderByDescending(practice => practice.TeamId == firstTeam)
                .ThenBy(practice => practice.Date)
                .ThenBy(practice => practice.Start)
                .ThenBy(practice => practice.Id),
            cancellationToken
        );
    }

    /// <summary>Practices from today on, begun or not, the next first; only what a link to them shows.</summary>
    public async Task<IReadOnlyList<PracticeTitle>> TitlesAsync(CancellationToken cancellationToken = default)
    {
        var today = Today;
        return await db
            .Practices.Where(practice => practice.Date >= today)
            .OrderBy(practice => practice.Date)
            .ThenBy(practice => practice.Start)
            .ThenBy(practice => practice.Id)
            .Select(practice => new PracticeTitle(
                practice.Id,
                practice.Team!.Name,
                practice.Title,
                practice.Date,
                practice.Start,
                practice.Date == today,
                practice.Blocks.Any(block => block.Run != null)
            ))
            .ToListAsync(cancellationToken);
    }

    /// <summary>Practices before today, the latest first.</summary>
    /// <param name="filter">Which of them; those of no closed season where it is left out.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task<IReadOnlyList<Practice>> PastAsync(
        PracticeFilter? filter = null,
        CancellationToken cancellationToken = default
    )
    {
        var today = Today;
        return await PracticeRows.ReadAsync(
            db,
            (filter ?? new PracticeFilter { PresentOnly = true })
                .Of(db, PracticeRows.Whole(db))
                .Where(practice => practice.Date < today)
                .OrderByDescending(practice => practice.Date)
                .ThenByDescending(practice => practice.Start)
                .ThenByDescending(practice => practice.Id)
                .Take(MostPast),
            cancellationToken
        );
    }

    /// <summary>The time of a team in the four weeks before a practice, of started drills only.</summary>
    /// <param name="practice">The practice.</param>
    /// <param name="entries">The drills of the book.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task<Balance> LatelyAsync(
        Practice practice,
        IReadOnlyList<BookEntry> entries,
        CancellationToken cancellationToken = default
    )
    {
        var from = practice.Date.AddDays(-LatelyDays);
        var blocks = await db
            .Blocks.AsNoTracking()
            .AsSingleQuery()
            .Include(block => block.CardVersion)
            .Include(block => block.Circuit!.Stations.OrderBy(station => station.Order))
                .ThenInclude(station => station.CardVersion)
            .Where(block => block.PracticeId != practice.Id && block.Pause == null)
            .Where(block =>
                db.Practices.Any(other =>
                    other.Id == block.PracticeId
                    && other.TeamId == practice.TeamId
                    && other.Date >= from
                    && other.Date <= practice.Date
                )
            )
            .Where(block =>
                block.Run!.Sheets.Any(sheet => db.Events.Any(row => row.SheetId == sheet.Id && row.Type == RunEvent.Start.TypeName))
            )
            .ToListAsync(cancellationToken);
        var past = new Practice { Title = "", Minutes = 1 };
        past.Blocks.AddRange(blocks);
        var shelf = PlanShelf.Of(past, entries, texts);
        return Balance.Of([PlanRows.Of(past, [], [], shelf)], shelf);
    }

    /// <summary>Practices of a team from a day on, the first first.</summary>
    public async Task<IReadOnlyList<Practice>> SinceAsync(int team, DateOnly day, CancellationToken cancellationToken = default) =>
        await PracticeRows.ReadAsync(
            db,
            PracticeRows
                .Whole(db)
                .Where(practice => practice.TeamId == team && practice.Date >= day)
                .OrderBy(practice => practice.Date)
                .ThenBy(practice => practice.Start)
                .ThenBy(practice => practice.Id),
            cancellationToken
        );

    /// <summary>The lines of each practice's sheet as they stand in a calendar, by practice.</summary>
    public async Task<IReadOnlyDictionary<int, IReadOnlyList<string>>> LinesAsync(
        IReadOnlyList<Practice> practices,
        CancellationToken cancellationToken = default
    )
    {
        var entries = await book.CardsAsync(cancellationToken);
        return practices.ToDictionary(
            practice => practice.Id,
            practice =>
            {
                var shelf = PlanShelf.Of(practice, entries, texts);
                return PracticeCalendar.LinesOf(PlanReport.Of(PlanRows.Of(practice, [], [], shelf), shelf), shelf);
            }
        );
    }
}

/// <summary>A practice as a link to it shows it.</summary>
/// <param name="Id">The id of the practice.</param>
/// <param name="Team">The name of the team.</param>
/// <param name="Title">The title.</param>
/// <param name="Date">The day.</param>
/// <param name="Start">When it starts.</param>
/// <param name="IsToday">Whether it is today.</param>
/// <param name="IsBegun">Whether it was begun.</param>
public sealed record PracticeTitle(int Id, string Team, string Title, DateOnly Date, TimeOnly Start, bool IsToday, bool IsBegun);
