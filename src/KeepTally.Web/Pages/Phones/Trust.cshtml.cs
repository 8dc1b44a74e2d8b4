using KeepTally.Web.Hosting;
using KeepTally.Web.Lan;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Phones;

/// <summary>A plain page that offers the authority's certificate, with the steps for the usual phones.</summary>
[AllowAnonymous]
public sealed class TrustModel(Running running) : PageModel
{
    public LanSite? Site => running.Lan;

    public IActionResult OnGet() => Site is null ? NotFound() : Page();

    /// <summary>The certificate itself, in the form phones take.</summary>
    public IActionResult OnGetCertificate() =>
        Site is { } site ? File(site.AuthorityCertificate, "application/x-x509-ca-cert", "keep-tally.crt") : NotFound();
}
