using KeepTally.Core.Planning;
using KeepTally.Store.People;
using KeepTally.Store.Planning;
using KeepTally.Store.Practices;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Run;

/// <summary>
/// Where a helper and the board wait for a practice to be started: what is to come, and how long it is till then. It goes on
/// by itself.
/// </summary>
[Authorize(Policies.Board)]
[ResponseCache(NoStore = true)]
public sealed class WaitModel(PracticeBook book, PlanBook plans, TimeProvider clock) : PageModel
{
    private const int MinutesInHour = 60;

    public required Practice Practice { get; set; }

    /// <summary>Each line of the timing sheet with the time it is due.</summary>
    public IReadOnlyList<(string Due, string Title)> Lines { get; private set; } = [];

    /// <summary>The time left until the start, in words.</summary>
    public string Left { get; private set; } = "";

    public async Task<IActionResult> OnGetAsync(int id, CancellationToken cancellationToken)
    {
        if (await book.FindAsync(id, cancellationToken) is not { } practice)
        {
            return NotFound();
        }

        if (practice.Blocks.Exists(block => block.Run is not null))
        {
            var next = Url.Page(HttpContext.Caller()!.Kind == CallerKind.Joiner ? "/Run/Index" : "/Board/Index", new { id })!;
            if (!Request.Headers.ContainsKey("HX-Request"))
            {
                return Redirect(next);
            }

            Response.Headers["HX-Redirect"] = next;
            return new OkResult();
        }

        Practice = practice;
        var open = await plans.ReadAsync(practice, cancellationToken: cancellationToken);
        var report = PlanReport.Of(open.Plan, open.Shelf);
        Lines =
        [
            .. practice.Blocks.Select(
                (block, index) =>
                    (
                        practice
                            .Start.Add(TimeSpan.FromSeconds(report.Blocks[index].From))
                            .ToString("HH:mm", System.Globalization.CultureInfo.InvariantCulture),
                        block.Title
                    )
            ),
        ];
        Left = LeftOf(practice.Date.ToDateTime(practice.Start) - clock.GetLocalNow().DateTime);
        return Page();
    }

    private static string LeftOf(TimeSpan left)
    {
        var minutes = (int)Math.Ceiling(left.TotalMinutes);
        return minutes switch
        {
            <= 0 => "It is time.",
            < MinutesInHour => $"{minutes} min to go.",
            < 24 * MinutesInHour => $"{minutes / MinutesInHour} h {minutes % MinutesInHour} min to go.",
            _ => $"{minutes / (24 * MinutesInHour)} d to go.",
        };
    }
}
