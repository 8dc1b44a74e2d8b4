using KeepTally.Store.Tables;
using Microsoft.AspNetCore.DataProtection;

namespace KeepTally.Web.Access;

/// <summary>
/// Remembers in a browser which coaches have signed in there. An account that a stranger has closed by wrong passwords stays open
/// on such a device, so that nobody can keep a coach out of practice.
/// </summary>
public sealed class KnownDevices(IDataProtectionProvider protection)
{
    private const string Cookie = "keep-tally-known";
    private const int Most = 12;

    private static readonly TimeSpan Kept = TimeSpan.FromDays(400);

    private readonly IDataProtector _protector = protection.CreateProtector("keep-tally known devices");

    /// <summary>Whether a coach has signed in on this device before.</summary>
    internal bool Knows(HttpContext context, Coach coach) => Read(context).Contains(Mark(coach));

    /// <summary>The coach has signed in on this device.</summary>
    internal void Remember(HttpContext context, Coach coach)
    {
        string[] marks = [Mark(coach), .. Read(context).Where(mark => mark != Mark(coach)).Take(Most - 1)];
        context.Response.Cookies.Append(
            Cookie,
            _protector.Protect(string.Join(' ', marks)),
            new CookieOptions
            {
                HttpOnly = true,
                SameSite = SameSiteMode.Strict,
                Secure = context.Request.IsHttps,
                MaxAge = Kept,
                IsEssential = true,
            }
        );
    }

    private string[] Read(HttpContext context)
    {
        try
        {
            return context.Request.Cookies[Cookie] is { Length: > 0 } kept ? _protector.Unprotect(kept).Split(' ') : [];
        }
        catch (System.Security.Cryptography.CryptographicException)
        {
            return [];
        }
    }

    /// <summary>It ends with the password: another one, or signing out everywhere, gives the coach another stamp.</summary>
    private static string Mark(Coach coach) => $"{coach.Id}/{coach.SecurityStamp}";
}
