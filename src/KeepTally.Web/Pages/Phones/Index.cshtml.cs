using KeepTally.Web.Access;
using KeepTally.Web.Hosting;
using KeepTally.Web.Lan;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Phones;

/// <summary>How phones come here, and what this one can do as it is.</summary>
[Authorize(Policies.Practice)]
public sealed class IndexModel(Running running) : PageModel
{
    public LanSite? Site => running.Address is null ? running.Lan : null;

    /// <summary>The address for phones.</summary>
    public string Address => running.To(Request, "/");

    /// <summary>Whether phones reach it at all.</summary>
    public bool IsOnNetwork =>
        running.Address is not null || (Site?.IsReached ?? !Request.Host.Host.StartsWith("127.", StringComparison.Ordinal));
}
