using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Devices;

/// <summary>Simulated devices. The page holds nothing: what it shows and says goes by a device's key.</summary>
[AllowAnonymous]
public sealed class IndexModel : PageModel;
