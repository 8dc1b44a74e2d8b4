using KeepTally.Core.Faults;
using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Seasons;

/// <summary>The seasons of a team: the present one, and those that were closed.</summary>
public sealed class SeasonBook(TallyDb db, TimeProvider clock)
{
    /// <summary>The most letters of a season's name.</summary>
    public const int LongestName = 40;

    /// <summary>Returns the seasons of a team, the present one first, then the latest closed.</summary>
    public async Task<IReadOnlyList<Season>> ListAsync(int team, CancellationToken cancellationToken = default)
    {
        var closed = await db
            .Seasons.AsNoTracking()
            .Where(season => season.TeamId == team)
            .OrderBy(season => season.LastDay)
            .ToListAsync(cancellationToken);
        DateOnly? first = null;
        var seasons = new List<Season>();
        foreach (var season in closed)
        {
            seasons.Add(new Season(season.Id, team, season.Name, first, season.LastDay));
            first = season.LastDay.AddDays(1);
        }

        seasons.Add(new Season(null, team, "This season", first, null));
        seasons.Reverse();
        return seasons;
    }

    /// <summary>Returns the closed seasons of all teams, the latest first.</summary>
    public async Task<IReadOnlyList<ClosedSeason>> ClosedAsync(CancellationToken cancellationToken = default) =>
        await db.Seasons.AsNoTracking().OrderByDescending(season => season.LastDay).ToListAsync(cancellationToken);

    /// <summary>Returns a closed season; null where there is none with that id.</summary>
    public async Task<Season?> FindAsync(int id, CancellationToken cancellationToken = default) =>
        await db.Seasons.AsNoTracking().SingleOrDefaultAsync(season => season.Id == id, cancellationToken) is { } found
            ? (await ListAsync(found.TeamId, cancellationToken)).First(season => season.Id == id)
            : null;

    /// <summary>Closes the present season of a team: practices up to its last day belong to it from now on.</summary>
    /// <param name="team">The id of the team.</param>
    /// <param name="name">What it is called from now on.</param>
    /// <param name="lastDay">The last day that belongs to it; not after today, and after the last day of the season before.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    /// <returns>The season, or what is wrong with the name or the day.</returns>
    public async Task<Result<Season>> CloseAsync(
        int team,
        string name,
        DateOnly lastDay,
        CancellationToken cancellationToken = default
    )
    {
        var seasons = await ListAsync(team, cancellationToken);
        var clean = name.Trim();
        if (clean.Length is 0 or > LongestName)
        {
            return Wrong("name", $"a season has a name of 1 to {LongestName} letters", "write one, as 2026/27");
        }

        if (seasons.Any(season => season.Id is not null && season.Name == clean))
        {
            return Wrong("name", $"there is a season {clean} already", "choose another name");
        }

        if (lastDay > DateOnly.FromDateTime(clock.GetLocalNow().DateTime))
        {
            return Wrong("last day", "that day is still to come", "choose today or a day before it");
        }

        if (seasons[0].First is { } first && lastDay < first)
        {
            return Wrong("last day", $"that day belongs to {seasons[1].Name}", $"choose a day from {first:d MMMM yyyy} on");
        }

        var closed = new ClosedSeason
        {
            TeamId = team,
            Name = clean,
            LastDay = lastDay,
        };
        db.Seasons.Add(closed);
        await db.SaveChangesAsync(cancellationToken);
        return Result.Ok(new Season(closed.Id, team, clean, seasons[0].First, lastDay));

        static Result<Season> Wrong(string place, string problem, string fix) =>
            Result.Fail<Season>(new Fault(place, problem, fix));
    }

    /// <summary>Opens a closed season again: its practices belong to the season after it.</summary>
    /// <returns>Whether there was one with that id.</returns>
    public async Task<bool> ReopenAsync(int id, CancellationToken cancellationToken = default) =>
        await db.Seasons.Where(season => season.Id == id).ExecuteDeleteAsync(cancellationToken) > 0;
}
