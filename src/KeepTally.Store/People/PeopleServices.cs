using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.AspNetCore.Identity;
using Microsoft.Extensions.DependencyInjection;

namespace KeepTally.Store.People;

/// <summary>Adds accounts and all others who come in.</summary>
internal static class PeopleServices
{
    private const int TriesAllowed = 8;
    private static readonly TimeSpan LockedFor = TimeSpan.FromMinutes(10);

    /// <summary>Rounds of PBKDF2 with SHA-512 for a password. Source: OWASP Password Storage Cheat Sheet, 210,000; from memory.</summary>
    private const int HashRounds = 210_000;

    internal static void AddPeople(this IServiceCollection services)
    {
        services
            .AddIdentityCore<Coach>(options =>
            {
                options.User.AllowedUserNameCharacters = "";
                options.Password.RequiredLength = PasswordRule.Shortest;
                options.Password.RequireDigit = false;
                options.Password.RequireLowercase = false;
                options.Password.RequireUppercase = false;
                options.Password.RequireNonAlphanumeric = false;
                options.Password.RequiredUniqueChars = 0;
                options.Lockout.AllowedForNewUsers = true;
                options.Lockout.MaxFailedAccessAttempts = TriesAllowed;
                options.Lockout.DefaultLockoutTimeSpan = LockedFor;
            })
            .AddUserManager<CoachManager>()
            .AddPasswordValidator<PasswordRule>()
            .AddEntityFrameworkStores<TallyDb>();
        services.Configure<PasswordHasherOptions>(options => options.IterationCount = HashRounds);
        services.AddScoped<TenantScope>();
        services.AddScoped<CallerBook>();
        services.AddSingleton<SessionBook>();
        services.AddSingleton<DeviceBook>();
        services.AddScoped<PaceBook>();
        services.AddScoped<CoachBook>();
        services.AddScoped<DoorBook>();
        services.AddScoped<KeyBook>();
        services.AddScoped<AuditLog>();
    }
}
