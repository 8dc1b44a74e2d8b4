using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages;

/// <summary>The page for a missing page or a failure.</summary>
[AllowAnonymous]
[IgnoreAntiforgeryToken]
[ResponseCache(Duration = 0, Location = ResponseCacheLocation.None, NoStore = true)]
public sealed class ErrorModel : PageModel
{
    [BindProperty(SupportsGet = true)]
    public int? Code { get; set; }

    /// <summary>The status: that of the address, else that of a failure.</summary>
    private int Shown => Code ?? Response.StatusCode;

    public string Heading =>
        Shown switch
        {
            404 => "Not here",
            403 => "For the head coach",
            429 => "Too fast",
            507 => "The disk is full",
            _ => "That did not work",
        };

    public string Words =>
        Shown switch
        {
            507 =>
                "Nothing was changed. Free some space on the machine that runs Keep Tally, then try again. You can still read everything, and taps wait on each device.",
            404 => "There is no such page. It may have been for another team or another day.",
            403 => "You are signed in, but you may not see or change this. Ask the head coach.",
            429 => "Too many tries from here. Wait a minute, then try again.",
            _ => "No tap is lost. Go back and try again. If it happens again, restart Keep Tally.",
        };
}
