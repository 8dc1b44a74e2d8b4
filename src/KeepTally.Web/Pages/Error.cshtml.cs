using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages;

/// <summary>What a coach sees when a page is not there or the application failed.</summary>
[IgnoreAntiforgeryToken]
[ResponseCache(Duration = 0, Location = ResponseCacheLocation.None, NoStore = true)]
public sealed class ErrorModel : PageModel
{
    [BindProperty(SupportsGet = true)]
    public int? Code { get; set; }

    public string Heading => Code == 404 ? "Not here" : "That did not work";

    public string Words =>
        Code == 404
            ? "There is no such page. It may have been for another team or another day."
            : "Nothing that was tapped is lost. Go back and try again; if it happens again, start the application anew.";
}
