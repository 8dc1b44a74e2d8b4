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

    /// <summary>Whether a part of a page was asked for: the page stands, and takes a sentence.</summary>
    public bool IsPress => Request.Headers.ContainsKey("HX-Request");

    /// <summary>What became of a press, in a sentence or two.</summary>
    public string PressWords =>
        Shown switch
        {
            400 or 404 or 405 or 409 => "Nothing changed: this page is out of date. Reload it, then try again.",
            403 => "Nothing changed: you may not do this. Ask the head coach.",
            413 => "Nothing changed: that is too long. Shorten it, then try again.",
            429 => "Nothing changed: too many tries from here. Wait a minute, then try again.",
            507 => "Nothing changed: the disk is full. Free some space on the machine that runs Keep Tally, then try again.",
            _ => "This may not be saved: something went wrong. Reload the page and check. If it happens again, restart Keep Tally.",
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
