using KeepTally.Store.Files;
using KeepTally.Store.Squads;

namespace KeepTally.Web.Pages.Squad;

/// <summary>
/// Remembers on the coach's own device what the columns of a list hold, by its headings, so that the list of next season need
/// not be explained again. It holds no cell of the list.
/// </summary>
internal static class ColumnMemory
{
    private const string Name = "list-columns";
    private const int Most = 5;
    private static readonly TimeSpan Kept = TimeSpan.FromDays(400);

    /// <summary>What the columns of a list with these headings held last; null where there was none.</summary>
    internal static SquadColumns? Of(HttpContext context, Grid grid) =>
        SquadColumns.MarkOf(grid) is { Length: > 0 } mark
        && Lists(context).FirstOrDefault(list => list.StartsWith(mark, StringComparison.Ordinal)) is { } list
            ? SquadColumns.Read(list[(mark.Length + 1)..], grid.Width)
            : null;

    internal static void Remember(HttpContext context, Grid grid, SquadColumns columns)
    {
        if (SquadColumns.MarkOf(grid) is { Length: > 0 } mark)
        {
            var lists = Lists(context).Where(list => !list.StartsWith(mark, StringComparison.Ordinal)).Take(Most - 1);
            context.Response.Cookies.Append(
                Name,
                string.Join('|', lists.Prepend($"{mark}={columns}")),
                new CookieOptions
                {
                    HttpOnly = true,
                    IsEssential = true,
                    MaxAge = Kept,
                    Path = "/squad",
                    SameSite = SameSiteMode.Lax,
                    Secure = context.Request.IsHttps,
                }
            );
        }
    }

    private static string[] Lists(HttpContext context) =>
        context.Request.Cookies[Name]?.Split('|', StringSplitOptions.RemoveEmptyEntries) ?? [];
}
