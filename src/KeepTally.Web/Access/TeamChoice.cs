using System.Globalization;

namespace KeepTally.Web.Access;

/// <summary>
/// The team a coach looks at. It is chosen once, on any page that shows a team, and kept in this browser for all of them. It only
/// says what is shown first: whether a coach may see a team is decided where teams are read.
/// </summary>
internal static class TeamChoice
{
    private const string Cookie = "keep-tally-team";

    /// <summary>The id of the chosen team; null where none has been chosen.</summary>
    /// <param name="asked">The team that the address names. It becomes the choice.</param>
    internal static int? ChosenTeam(this HttpContext context, int? asked = null)
    {
        if (asked is not { } team)
        {
            return int.TryParse(context.Request.Cookies[Cookie], NumberStyles.None, CultureInfo.InvariantCulture, out var kept)
                ? kept
                : null;
        }

        context.Response.Cookies.Append(
            Cookie,
            team.ToString(CultureInfo.InvariantCulture),
            new CookieOptions
            {
                HttpOnly = true,
                SameSite = SameSiteMode.Lax,
                Secure = context.Request.IsHttps,
                MaxAge = TimeSpan.FromDays(365),
                IsEssential = true,
            }
        );
        return team;
    }
}
