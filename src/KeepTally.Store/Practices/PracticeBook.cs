using KeepTally.Core.Dealing;
using KeepTally.Core.Time;
using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Practices;

/// <summary>Practices and who is at them.</summary>
public sealed class PracticeBook(TallyDb db)
{
    /// <summary>The number of latest runs whose events are looked at: those of a few practices side by side.</summary>
    private const int RunsLookedAt = 60;

    /// <summary>The practice of a day; else the next one to come, else the last one that was.</summary>
    /// <param name="day">The day.</param>
    /// <param name="team">Of this team alone; null of any.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task<Practice?> ForDayAsync(DateOnly day, int? team = null, CancellationToken cancellationToken = default)
    {
        var practices = PracticeRows.Whole(db).Where(practice => team == null || practice.TeamId == team);
        return await FirstAsync(
                practices
                    .Where(practice => practice.Date >= day)
                    .OrderBy(practice => practice.Date)
                    // Where no team was chosen, the first team of the club is shown at every hour of the day.
                    .ThenBy(practice => practice.TeamId)
                    .ThenBy(practice => practice.Start),
                cancellationToken
            ) ?? await FirstAsync(practices.OrderByDescending(practice => practice.Date), cancellationToken);
    }

    public async Task<Practice?> FindAsync(int id, CancellationToken cancellationToken = default) =>
        await FirstAsync(PracticeRows.Whole(db).Where(practice => practice.Id == id), cancellationToken);

    /// <summary>The id of the practice begun last, where that was not before a moment; null where none was.</summary>
    public async Task<int?> UnderWayAsync(DateTimeOffset since, CancellationToken cancellationToken = default)
    {
        var oldest = RunOrigin.From(since);
        var begun = await db
            .Practices.SelectMany(practice => practice.Blocks)
            .Where(block => block.Run != null)
            .Select(block => new { block.PracticeId, block.Run!.Origin })
            .ToListAsync(cancellationToken);
        return begun
            .Where(each => each.Origin.UnixMilliseconds >= oldest.UnixMilliseconds)
            .OrderByDescending(each => each.Origin.UnixMilliseconds)
            .ThenByDescending(each => each.PracticeId)
            .Select(each => (int?)each.PracticeId)
            .FirstOrDefault();
    }

    /// <summary>The latest moment on record: the start of a practice, or an event; null where none was begun.</summary>
    public async Task<DateTimeOffset?> LatestMomentAsync(CancellationToken cancellationToken = default)
    {
        var latest = await db
            .Database.SqlQuery<long?>(
                $"""
                SELECT MAX(Latest.Origin + COALESCE(Events.At, 0)) AS Value
                FROM (SELECT Id, Origin FROM Runs ORDER BY Origin DESC LIMIT {RunsLookedAt}) AS Latest
                LEFT JOIN Sheets ON Sheets.RunId = Latest.Id
                LEFT JOIN Events ON Events.SheetId = Sheets.Id
                """
            )
            .SingleAsync(cancellationToken);
        return latest is { } moment ? DateTimeOffset.FromUnixTimeMilliseconds(moment) : null;
    }

    /// <summary>Practices that were begun, the latest first unless asked otherwise; only what a list of them shows.</summary>
    /// <param name="filter">Which of them; all where it is left out.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task<IReadOnlyList<BegunPractice>> BegunAsync(
        PracticeFilter? filter = null,
        CancellationToken cancellationToken = default
    )
    {
        var which = filter ?? PracticeFilter.None;
        return await Begun(which.Ordered(which.Of(db, db.Practices))).ToListAsync(cancellationToken);
    }

    private static IQueryable<BegunPractice> Begun(IQueryable<Practice> practices) =>
        practices
            .Where(practice => practice.Blocks.Any(block => block.Run != null))
            .Select(practice => new BegunPractice(
                practice.Id,
                practice.Date,
                practice.Title,
                practice.Team!.Name,
                practice.Blocks.Count(block => !block.Dropped && block.Pause == null)
            ));

    public Task<bool> ExistsAsync(int practiceId, CancellationToken cancellationToken = default) =>
        db.Practices.AnyAsync(practice => practice.Id == practiceId, cancellationToken);

    /// <summary>The version of a practice's timing sheet, which grows with every change; null where there is no such practice.</summary>
    public Task<int?> SheetVersionAsync(int practiceId, CancellationToken cancellationToken = default) =>
        db
            .Practices.Where(practice => practice.Id == practiceId)
            .Select(practice => (int?)practice.SheetVersion)
            .SingleOrDefaultAsync(cancellationToken);

    /// <summary>The ids of those who are not here at the start: absent, or to come late.</summary>
    public static IReadOnlySet<int> Absent(Practice practice) =>
        practice.Attendance.Where(each => each.Presence != Presence.Here).Select(each => each.PlayerId).ToHashSet();

    /// <summary>Marks a player here, late or absent; false where the practice or the player is not there.</summary>
    public Task<bool> MarkAsync(int practiceId, int playerId, Presence presence, CancellationToken cancellationToken = default) =>
        MarkAsync(practiceId, playerId, entry => entry.Presence = presence, cancellationToken);

    /// <summary>Keeps a player from something today, or lets it go; false where the practice or the player is not there.</summary>
    public Task<bool> LimitAsync(int practiceId, int playerId, Restrictions limit, CancellationToken cancellationToken = default) =>
        MarkAsync(practiceId, playerId, entry => entry.Limits ^= limit, cancellationToken);

    private async Task<bool> MarkAsync(int practiceId, int playerId, Action<Attendance> mark, CancellationToken cancellationToken)
    {
        var known = await db.Practices.AnyAsync(
            practice =>
                practice.Id == practiceId && db.Players.Any(player => player.Id == playerId && player.TeamId == practice.TeamId),
            cancellationToken
        );
        if (!known)
        {
            return false;
        }

        var entry = await db.Attendance.FindAsync([practiceId, playerId], cancellationToken);
        if (entry is null)
        {
            entry = new Attendance { PracticeId = practiceId, PlayerId = playerId };
            db.Attendance.Add(entry);
        }

        mark(entry);
        await db.SaveChangesAsync(cancellationToken);
        return true;
    }

    private async Task<Practice?> FirstAsync(IQueryable<Practice> practices, CancellationToken cancellationToken) =>
        await PracticeRows.ReadAsync(db, practices.Take(1), cancellationToken) is [var first] ? first : null;
}

/// <summary>A practice that was begun, as it stands in a list.</summary>
/// <param name="Id">The id of the practice.</param>
/// <param name="Date">The day of the practice.</param>
/// <param name="Title">The title.</param>
/// <param name="Team">The name of the team.</param>
/// <param name="Drills">How many drills are on its timing sheet.</param>
public sealed record BegunPractice(int Id, DateOnly Date, string Title, string Team, int Drills);
