using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Identity;

namespace KeepTally.Web.Access;

/// <summary>Adds who may come in, and lets nobody else.</summary>
internal static class AccessServices
{
    /// <summary>How long a link to choose a password is valid.</summary>
    private static readonly TimeSpan InviteKept = TimeSpan.FromDays(7);

    internal static void AddAccess(this IServiceCollection services)
    {
        new IdentityBuilder(typeof(Coach), services)
            .AddSignInManager()
            .AddTokenProvider<DataProtectorTokenProvider<Coach>>(TokenOptions.DefaultProvider);
        services.Configure<DataProtectionTokenProviderOptions>(options => options.TokenLifespan = InviteKept);
        services
            .AddAuthentication(Signed.Scheme)
            .AddPolicyScheme(
                Signed.Scheme,
                null,
                options =>
                    options.ForwardDefaultSelector = context =>
                        DeviceKeyHandler.KeyOf(context.Request) is null ? Signed.Cookie : Signed.Key
            )
            .AddCookie(Signed.Cookie, CookieRules.Set)
            .AddScheme<AuthenticationSchemeOptions, DeviceKeyHandler>(Signed.Key, null);
        services.AddAuthorization(Policies.Set);
        services.AddSingleton<Throttles>();
        services.AddScoped<AuditTrail>();
        services.AddSingleton<KnownDevices>();
        services.AddSingleton<UnknownNames>();
    }

    /// <summary>The caller, their rights, and what they see.</summary>
    internal static void UseAccess(this WebApplication app)
    {
        app.UseAuthentication();
        // By who it is, once that is proved; who it is not, by where it comes from.
        app.Use((context, next) => context.RequestServices.GetRequiredService<Throttles>().HoldAsync(context, next));
        app.Use(
            (context, next) =>
            {
                var scope = context.RequestServices.GetRequiredService<TenantScope>();
                if (context.Caller() is { } caller)
                {
                    caller.Narrow(scope);
                }
                else
                {
                    scope.Narrow([]);
                }

                return next(context);
            }
        );
        app.UseAuthorization();
    }
}
