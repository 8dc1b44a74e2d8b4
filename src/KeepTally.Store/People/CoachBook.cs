using KeepTally.Core.Faults;
using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.People;

/// <summary>The accounts of coaches, and their rights.</summary>
public sealed class CoachBook(TallyDb db, UserManager<Coach> users, CallerBook callers)
{
    public const int LongestName = 60;

    /// <summary>Nobody has an account yet: the first to come sets everything up.</summary>
    public async Task<bool> IsEmptyAsync(CancellationToken cancellationToken = default) =>
        !await db.Users.AnyAsync(cancellationToken);

    /// <summary>Everyone with an account: head coaches first, then by name.</summary>
    public Task<List<Coach>> ListAsync(CancellationToken cancellationToken = default) =>
        db
            .Users.AsNoTracking()
            .Include(coach => coach.Teams)
            .OrderByDescending(coach => coach.IsHead)
            .ThenBy(coach => coach.UserName)
            .ToListAsync(cancellationToken);

    public async Task<Coach?> FindAsync(int id, CancellationToken cancellationToken = default) =>
        await db.Users.Include(coach => coach.Teams).SingleOrDefaultAsync(coach => coach.Id == id, cancellationToken);

    /// <summary>The first head coach, with a password, who then lets in all others.</summary>
    public async Task<Result<Coach>> FirstAsync(string name, string password, CancellationToken cancellationToken = default)
    {
        if (!await IsEmptyAsync(cancellationToken))
        {
            return Result.Fail<Coach>(new Fault("name", "there is a head coach already", "sign in"));
        }

        return await AddAsync(new Coach { UserName = name.Trim(), IsHead = true }, password);
    }

    /// <summary>Someone who has yet to choose a password, by a link made for them.</summary>
    public async Task<Result<Coach>> InviteAsync(
        string name,
        bool head,
        IReadOnlyCollection<int> teams,
        CancellationToken cancellationToken = default
    )
    {
        var known = await db.Teams.Where(team => teams.Contains(team.Id)).Select(team => team.Id).ToListAsync(cancellationToken);
        if (!head && known.Count == 0)
        {
            return Result.Fail<Coach>(new Fault("teams", "an assistant helps with a team", "tick at least one"));
        }

        return await AddAsync(
            new Coach
            {
                UserName = name.Trim(),
                IsHead = head,
                Teams = head ? [] : [.. known.Select(team => new CoachTeam { TeamId = team })],
            },
            null
        );
    }

    /// <summary>Changes which teams an assistant sees, at once; false where there is none with that id.</summary>
    public async Task<bool> SetTeamsAsync(int id, IReadOnlyCollection<int> teams, CancellationToken cancellationToken = default)
    {
        if (await FindAsync(id, cancellationToken) is not { IsHead: false } coach)
        {
            return false;
        }

        coach.Teams.Clear();
        coach.Teams.AddRange(
            await db
                .Teams.Where(team => teams.Contains(team.Id))
                .Select(team => new CoachTeam { TeamId = team.Id })
                .ToListAsync(cancellationToken)
        );
        await db.SaveChangesAsync(cancellationToken);
        callers.Forget(CallerKind.Assistant, id);
        return true;
    }

    /// <summary>Removes an account, or says why not. The last head coach stays.</summary>
    public async Task<Result<Done>> RemoveAsync(int id, CancellationToken cancellationToken = default)
    {
        if (await FindAsync(id, cancellationToken) is not { } coach)
        {
            return new Fault("coach", "there is no such account", "reload the page");
        }

        if (coach.IsHead && await db.Users.CountAsync(each => each.IsHead, cancellationToken) == 1)
        {
            return new Fault("coach", "this is the last head coach", "make another one first");
        }

        await users.DeleteAsync(coach);
        callers.Forget(CallerKind.Assistant, id);
        return Result.Ok();
    }

    /// <summary>A token with which a person can choose a password, once; with a new one all older ones are void.</summary>
    public async Task<string> PasswordTokenAsync(Coach coach)
    {
        await users.UpdateSecurityStampAsync(coach);
        callers.Forget(CallerKind.Assistant, coach.Id);
        return await users.GeneratePasswordResetTokenAsync(coach);
    }

    /// <summary>Whether a token still chooses a password.</summary>
    public Task<bool> IsGoodAsync(Coach coach, string token) =>
        users.VerifyUserTokenAsync(
            coach,
            users.Options.Tokens.PasswordResetTokenProvider,
            UserManager<Coach>.ResetPasswordTokenPurpose,
            token
        );

    /// <summary>Chooses a password by a token, or says why not.</summary>
    public async Task<Result<Done>> ChooseAsync(Coach coach, string token, string password)
    {
        var done = await users.ResetPasswordAsync(coach, token, password);
        callers.Forget(CallerKind.Assistant, coach.Id);
        if (done.Succeeded)
        {
            await users.SetLockoutEndDateAsync(coach, null);
            return Result.Ok();
        }

        return FaultOf(done);
    }

    /// <summary>Chooses another password, or says why not. All who are signed in by the old one are out.</summary>
    public async Task<Result<Done>> ChangeAsync(Coach coach, string old, string password)
    {
        var done = await users.ChangePasswordAsync(coach, old, password);
        callers.Forget(CallerKind.Assistant, coach.Id);
        return done.Succeeded ? Result.Ok() : FaultOf(done);
    }

    /// <summary>Anyone who is signed in as this coach is so no more, on every device.</summary>
    public async Task SignOutEverywhereAsync(Coach coach)
    {
        await users.UpdateSecurityStampAsync(coach);
        callers.Forget(CallerKind.Assistant, coach.Id);
    }

    private async Task<Result<Coach>> AddAsync(Coach coach, string? password)
    {
        if (coach.UserName is not { Length: > 0 and <= LongestName })
        {
            return Result.Fail<Coach>(new Fault("name", "a name is missing", $"write a name of 1 to {LongestName} letters"));
        }

        var done = password is null ? await users.CreateAsync(coach) : await users.CreateAsync(coach, password);
        return done.Succeeded ? Result.Ok(coach) : Result.Fail<Coach>(FaultOf(done));
    }

    private static Fault FaultOf(IdentityResult failed)
    {
        var error = failed.Errors.First();
        return error.Code switch
        {
            nameof(IdentityErrorDescriber.PasswordTooShort) => new Fault(
                "password",
                "the password is too short",
                $"take {PasswordRule.Shortest} letters or more: four short words do"
            ),
            PasswordRule.TooLong => new Fault(
                "password",
                "the password is too long",
                $"take {PasswordRule.Longest} letters at most"
            ),
            PasswordRule.Common => new Fault(
                "password",
                "this password is one of those that are tried first",
                "take words that have nothing to do with each other"
            ),
            PasswordRule.HoldsName => new Fault("password", "the password is little more than your name", "take other words"),
            nameof(IdentityErrorDescriber.PasswordMismatch) => new Fault("old", "the old password is another", "try again"),
            nameof(IdentityErrorDescriber.DuplicateUserName) => new Fault("name", "another coach has this name", "write another"),
            nameof(IdentityErrorDescriber.InvalidToken) => new Fault(
                "link",
                "this link has been used, or is too old",
                "ask the head coach for a new one"
            ),
            _ => new Fault("name", error.Description.TrimEnd('.'), "try again"),
        };
    }
}
