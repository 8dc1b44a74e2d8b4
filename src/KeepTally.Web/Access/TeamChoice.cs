using System.Globalization;

namespace KeepTally.Web.Access;

/// <summary>
/// The team a coach looks at. It is chosen once, on any page that shows a team, and kept in this browser for all of them. It only
/// says what is shown first: whether a coach may see a team is decided where teams are read.
/// </summary>
internal static class TeamChoice
{
    /// <summary>The field of an address in which a team is chosen. A link that merely leads to a team's page names it otherwise.</summary>
    internal const string Field = "choose";

    private const string Cookie = "keep-tally-team";

    /// <summary>The id of the team to show: just chosen, else named by the address, else chosen before; null where none is.</summary>
    /// <param name="context">The request.</param>
    /// <param name="asked">The team that the address names, for this page alone.</param>
    internal static int? ChosenTeam(this HttpContext context, int? asked = null)
    {
        if (Read(context.Request.Query[Field]) is not { } team)
        {
            return asked ?? Read(context.Request.Cookies[Cookie]);
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

    private static int? Read(string? text) =>
        int.TryParse(text, NumberStyles.None, CultureInfo.InvariantCulture, out var team) ? team : null;
}
