using KeepTally.Core.Faults;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Squads;

/// <summary>The players of a team.</summary>
public sealed class SquadBook(TallyDb db, TenantScope scope)
{
    /// <summary>Everyone, by number, those without one last, then by name.</summary>
    public Task<List<Player>> ListAsync(int team, CancellationToken cancellationToken = default) =>
        OfAsync(team, archived: false, cancellationToken);

    /// <summary>Everyone who left the squad.</summary>
    public Task<List<Player>> FormerAsync(int team, CancellationToken cancellationToken = default) =>
        OfAsync(team, archived: true, cancellationToken);

    private Task<List<Player>> OfAsync(int team, bool archived, CancellationToken cancellationToken) =>
        db
            .Players.AsNoTracking()
            .Where(player => player.TeamId == team && player.Archived == archived)
            .OrderBy(player => player.Number == null)
            .ThenBy(player => player.Number)
            .ThenBy(player => player.Name)
            .ToListAsync(cancellationToken);

    /// <summary>Returns the shirt numbers of a team's players, former ones too; a player without one is left out.</summary>
    public async Task<IReadOnlyDictionary<PlayerId, int>> NumbersAsync(int team, CancellationToken cancellationToken = default) =>
        await db
            .Players.Where(player => player.TeamId == team && player.Number != null)
            .ToDictionaryAsync(player => Player.UnitIdOf(player.Id), player => player.Number!.Value, cancellationToken);

    public async Task<Player?> FindAsync(int id, CancellationToken cancellationToken = default) =>
        await db.Players.AsNoTracking().SingleOrDefaultAsync(player => player.Id == id, cancellationToken);

    /// <summary>Every team, in the order they were written down.</summary>
    public Task<List<Team>> TeamsAsync(CancellationToken cancellationToken = default) =>
        db.Teams.AsNoTracking().OrderBy(team => team.Id).ToListAsync(cancellationToken);

    /// <summary>Adds a team; its id.</summary>
    /// <param name="name">The name of the team.</param>
    /// <param name="sport">As the cards of the book name it; empty for several.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task<int> AddTeamAsync(string name, string sport, CancellationToken cancellationToken = default)
    {
        var team = new Team { Name = name, Sport = sport };
        db.Teams.Add(team);
        await db.SaveChangesAsync(cancellationToken);
        return team.Id;
    }

    /// <summary>The first team of an installation: the one there is gets the name, or a new one; its id.</summary>
    public async Task<int> FirstTeamAsync(string name, string sport, CancellationToken cancellationToken = default)
    {
        if (await db.Teams.IgnoreQueryFilters().OrderBy(team => team.Id).FirstOrDefaultAsync(cancellationToken) is not { } team)
        {
            return await AddTeamAsync(name, sport, cancellationToken);
        }

        (team.Name, team.Sport) = (name, sport);
        await db.SaveChangesAsync(cancellationToken);
        return team.Id;
    }

    /// <summary>Gives a team another name and sport; false where there is none with that id.</summary>
    public async Task<bool> EditTeamAsync(int id, string name, string sport, CancellationToken cancellationToken = default) =>
        await db
            .Teams.Where(team => team.Id == id)
            .ExecuteUpdateAsync(
                set => set.SetProperty(team => team.Name, name).SetProperty(team => team.Sport, sport),
                cancellationToken
            ) > 0;

    /// <summary>Keeps what a team's coaches stop a drill for, or says what is wrong with the list.</summary>
    public Task<Result<Done>> ReasonsAsync(int id, string text, CancellationToken cancellationToken = default) =>
        KeepAsync(id, CoachList.StopReasons, text, (team, kept) => team.StopReasons = kept, cancellationToken);

    /// <summary>Keeps what a team's coaches look for all practice long, or says what is wrong with the list.</summary>
    public Task<Result<Done>> HabitsAsync(int id, string text, CancellationToken cancellationToken = default) =>
        KeepAsync(id, CoachList.Habits, text, (team, kept) => team.Habits = kept, cancellationToken);

    private async Task<Result<Done>> KeepAsync(
        int id,
        CoachList list,
        string text,
        Action<Team, string> keep,
        CancellationToken cancellationToken
    )
    {
        var read = list.Read(text);
        if (!read.IsOk)
        {
            return Result.Fail<Done>(read.Faults);
        }

        if (await db.Teams.FirstOrDefaultAsync(team => team.Id == id, cancellationToken) is { } team)
        {
            keep(team, CoachList.Write(read.Value));
            await db.SaveChangesAsync(cancellationToken);
        }

        return Result.Ok();
    }

    /// <summary>The team asked for, else the first; where everything can be seen and there is none, the first of all is made.</summary>
    public async Task<Team> TeamAsync(int? id, CancellationToken cancellationToken = default)
    {
        var team =
            await db.Teams.FirstOrDefaultAsync(each => each.Id == id, cancellationToken)
            ?? await db.Teams.OrderBy(each => each.Id).FirstOrDefaultAsync(cancellationToken);
        if (team is null)
        {
            team = new Team { Name = scope.Everything ? "My team" : "No team yet" };
            if (scope.Everything)
            {
                db.Teams.Add(team);
                await db.SaveChangesAsync(cancellationToken);
            }
        }

        return team;
    }

    /// <summary>Takes a player out of the squad or back in; false where there is none with that id.</summary>
    public async Task<bool> ArchiveAsync(int id, bool archived, CancellationToken cancellationToken = default) =>
        await db
            .Players.Where(player => player.Id == id)
            .ExecuteUpdateAsync(set => set.SetProperty(player => player.Archived, archived), cancellationToken) > 0;

    /// <summary>Adds a player; the id it was given.</summary>
    public async Task<int> AddAsync(int team, PlayerDetails details, CancellationToken cancellationToken = default)
    {
        var player = new Player { TeamId = team, Name = details.Name };
        details.WriteTo(player);
        db.Players.Add(player);
        await db.SaveChangesAsync(cancellationToken);
        return player.Id;
    }

    /// <summary>Takes the rows of a list: all of them, or none.</summary>
    /// <returns>What it was before, so that it can be undone.</returns>
    public async Task<ImportedSquad> TakeAsync(
        int team,
        IReadOnlyList<SquadRow> rows,
        CancellationToken cancellationToken = default
    )
    {
        var (added, changed) = (new List<Player>(), new List<(int, PlayerDetails, PlayerDetails, bool)>());
        foreach (var row in rows)
        {
            var player = row.Known is { } known ? await db.Players.FindAsync([known.Id], cancellationToken) : null;
            if (player is null)
            {
                player = new Player { TeamId = team, Name = row.Details.Name };
                db.Players.Add(player);
                added.Add(player);
            }
            else
            {
                changed.Add((player.Id, PlayerDetails.Of(player), row.Details, player.Archived));
            }

            row.Details.WriteTo(player);
            // Who is on the list is in the squad, back again if they had left.
            player.Archived = false;
        }

        await db.SaveChangesAsync(cancellationToken);
        return new ImportedSquad(team, [.. added.Select(player => player.Id)], changed);
    }

    /// <summary>
    /// Undoes an import: who was changed is as before, unless they were changed again since; who was new is gone, or has left the squad where they have been at a practice
    /// since.
    /// </summary>
    public async Task UndoAsync(ImportedSquad imported, CancellationToken cancellationToken = default)
    {
        foreach (var (id, before, after, archived) in imported.Changed)
        {
            if (await db.Players.FindAsync([id], cancellationToken) is { } player && PlayerDetails.Of(player) == after)
            {
                before.WriteTo(player);
                player.Archived = archived;
            }
        }

        foreach (var id in imported.Added)
        {
            if (await db.Players.FindAsync([id], cancellationToken) is { } player)
            {
                var unit = $"\"{player.UnitId}\"";
                var isKept =
                    await db.Attendance.AnyAsync(each => each.PlayerId == id, cancellationToken)
                    || await db.KeptPairs.AnyAsync(pair => pair.OneId == id || pair.OtherId == id, cancellationToken)
                    || await db.Sheets.AnyAsync(sheet => sheet.HeadJson.Contains(unit), cancellationToken);
                player.Archived = true;
                if (!isKept)
                {
                    db.Players.Remove(player);
                }
            }
        }

        await db.SaveChangesAsync(cancellationToken);
    }

    /// <summary>Changes a player; false where there is none with that id.</summary>
    public async Task<bool> ChangeAsync(int id, PlayerDetails details, CancellationToken cancellationToken = default)
    {
        if (await db.Players.FindAsync([id], cancellationToken) is not { } player)
        {
            return false;
        }

        details.WriteTo(player);
        await db.SaveChangesAsync(cancellationToken);
        return true;
    }
}

/// <summary>The data of a player.</summary>
/// <param name="Name">The player's name.</param>
/// <param name="Number">The shirt number; null for none.</param>
/// <param name="BirthYear">The year of birth; null where it is not recorded.</param>
/// <param name="Positions">With semicolons between them.</param>
/// <param name="Hand">The throwing hand; null where it is not recorded.</param>
/// <param name="Notes">The notes on the player; null for none.</param>
public sealed record PlayerDetails(string Name, int? Number, int? BirthYear, string Positions, Hand? Hand, string Notes)
{
    /// <summary>The data of a player as it is.</summary>
    public static PlayerDetails Of(Player player) =>
        new(player.Name, player.Number, player.BirthYear, player.Positions, player.Hand, player.Notes);

    internal void WriteTo(Player player)
    {
        player.Name = Name;
        player.Number = Number;
        player.BirthYear = BirthYear;
        player.Positions = Positions;
        player.Hand = Hand;
        player.Notes = Notes;
    }
}
