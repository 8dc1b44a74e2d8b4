using KeepTally.Store.Tables;
using Microsoft.AspNetCore.Identity;
using Microsoft.Extensions.Logging;
using Microsoft.Extensions.Options;

namespace KeepTally.Store.People;

/// <summary>Accounts by the clock that everything here goes by: the framework's own reads the system's when it closes one.</summary>
public sealed class CoachManager(
    IUserStore<Coach> store,
    IOptions<IdentityOptions> options,
    IPasswordHasher<Coach> hasher,
    IEnumerable<IUserValidator<Coach>> userValidators,
    IEnumerable<IPasswordValidator<Coach>> passwordValidators,
    ILookupNormalizer normalizer,
    IdentityErrorDescriber errors,
    IServiceProvider services,
    ILogger<UserManager<Coach>> logger,
    TimeProvider clock
) : UserManager<Coach>(store, options, hasher, userValidators, passwordValidators, normalizer, errors, services, logger)
{
    public override Task<bool> IsLockedOutAsync(Coach user) => Task.FromResult(user.LockoutEnd > clock.GetUtcNow());

    public override async Task<IdentityResult> AccessFailedAsync(Coach user)
    {
        user.AccessFailedCount++;
        if (user.AccessFailedCount >= Options.Lockout.MaxFailedAccessAttempts)
        {
            (user.LockoutEnd, user.AccessFailedCount) = (clock.GetUtcNow() + Options.Lockout.DefaultLockoutTimeSpan, 0);
        }

        return await UpdateUserAsync(user);
    }
}
