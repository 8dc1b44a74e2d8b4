using KeepTally.Store.Calendars;
using KeepTally.Store.Database;
using KeepTally.Store.People;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Planning;

/// <summary>The calendar of a team at a secret address, for the calendar programs of those who have it.</summary>
public sealed class CalendarFeed(TallyDb db, TenantScope scope, PracticeList practices, TimeProvider clock)
{
    /// <summary>How far back it goes.</summary>
    private const int DaysBack = 60;

    /// <summary>Makes a secret for a team, in place of the one before.</summary>
    public Task<bool> OpenAsync(int team, CancellationToken cancellationToken = default) =>
        SetAsync(team, Secrets.Token(), cancellationToken);

    /// <summary>Removes the secret of a team: nobody sees its calendar any more.</summary>
    public Task<bool> CloseAsync(int team, CancellationToken cancellationToken = default) => SetAsync(team, "", cancellationToken);

    /// <summary>The calendar that a secret leads to; null where it leads nowhere.</summary>
    public async Task<string?> OfAsync(string token, CancellationToken cancellationToken = default)
    {
        if (
            token.Length == 0
            || await db
                .Teams.IgnoreQueryFilters()
                .AsNoTracking()
                .SingleOrDefaultAsync(team => team.CalendarToken == token, cancellationToken)
                is not { } found
        )
        {
            return null;
        }

        scope.Narrow([found.Id]);
        var from = DateOnly.FromDateTime(clock.GetLocalNow().DateTime).AddDays(-DaysBack);
        var listed = await practices.SinceAsync(found.Id, from, cancellationToken);
        var lines = await practices.LinesAsync(listed, cancellationToken);
        return PracticeCalendar.Feed(found.Name, listed, practice => lines[practice.Id], clock.LocalTimeZone);
    }

    private async Task<bool> SetAsync(int team, string token, CancellationToken cancellationToken) =>
        await db
            .Teams.Where(each => each.Id == team)
            .ExecuteUpdateAsync(set => set.SetProperty(each => each.CalendarToken, token), cancellationToken) > 0;
}
