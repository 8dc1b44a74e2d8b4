using System.Net;
using KeepTally.Store.People;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using KeepTally.Web.Hosting;
using KeepTally.Web.Operating;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Entry;

/// <summary>Sign in with a name and a password; in the demo as one of the made-up coaches.</summary>
[AllowAnonymous]
[ForAssistants]
public sealed class SignInModel(
    CoachBook coaches,
    CallerBook callers,
    UserManager<Coach> users,
    SignInManager<Coach> doorkeeper,
    IPasswordHasher<Coach> hasher,
    KnownDevices devices,
    UnknownNames names,
    AuditLog audit,
    OperatorLog log,
    OneAtATime work,
    Running running,
    TimeProvider clock
) : PageModel
{
    /// <summary>The page to go to after signing in.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Back { get; set; }

    public string Name { get; private set; } = "";

    /// <summary>Why nobody was let in, in words.</summary>
    public string? Hindrance { get; private set; }

    /// <summary>The made-up coaches of the demo; none elsewhere.</summary>
    public IReadOnlyList<Coach> Demo { get; private set; } = [];

    public async Task<IActionResult> OnGetAsync(CancellationToken cancellationToken)
    {
        if (await coaches.IsEmptyAsync(cancellationToken))
        {
            return RedirectToPage("/Entry/First");
        }

        if (await MadeUpHeadAsync(cancellationToken) is { } head)
        {
            return await LetInAsync(head, stays: true, cancellationToken);
        }

        await LoadAsync(cancellationToken);
        return Page();
    }

    private const string Wrong = "Wrong name or password.";

    /// <summary>Marks a browser that the demo has signed in by itself, so that signing out lasts.</summary>
    private const string DemoSeen = "keep-tally-demo";

    /// <summary>
    /// The made-up head coach of the demo, for a newcomer who opens it for the first time on the machine it runs on: what a newcomer sees
    /// first is the product. Null for everybody else.
    /// </summary>
    private async Task<Coach?> MadeUpHeadAsync(CancellationToken cancellationToken) =>
        running.Demo
        && Back == "/"
        && HttpContext.Connection.RemoteIpAddress is { } address
        && IPAddress.IsLoopback(address)
        && !Request.Cookies.ContainsKey(DemoSeen)
            ? (await coaches.ListAsync(cancellationToken)).FirstOrDefault(coach => coach is { IsDemo: true, IsHead: true })
            : null;

    public async Task<IActionResult> OnPostAsync(string? name, string? password, bool stays, CancellationToken cancellationToken)
    {
        using var turn = await work.EnterAsync(cancellationToken);
        Name = (name ?? "").Trim();
        // A password is not looked at for longer than it may be.
        var typed = password is { Length: <= PasswordRule.Longest } ? password : "";
        if (await users.FindByNameAsync(Name) is not { } coach)
        {
            if (names.Try(Name) is { } until)
            {
                return await RefuseAsync(Closed(until), cancellationToken);
            }

            // As slow as with a name that is known: nobody learns from the time it takes who has an account.
            hasher.HashPassword(new Coach(), typed);
            return await RefuseAsync(Wrong, cancellationToken);
        }

        if (coach.LockoutEnd > clock.GetUtcNow() && devices.Knows(HttpContext, coach))
        {
            // A stranger's wrong passwords keep nobody out who has been in here before.
            if (await users.CheckPasswordAsync(coach, typed))
            {
                return await LetInAsync(coach, stays, cancellationToken);
            }

            await audit.AddAsync(coach.UserName!, AuditAct.Refused, "A wrong password on a known device", cancellationToken);
            return await RefuseAsync(Wrong, cancellationToken);
        }

        var tried = await doorkeeper.CheckPasswordSignInAsync(coach, typed, lockoutOnFailure: true);
        if (tried.Succeeded)
        {
            return await LetInAsync(coach, stays, cancellationToken);
        }

        await audit.AddAsync(
            coach.UserName!,
            AuditAct.Refused,
            tried.IsLockedOut ? "Too many wrong passwords: the account is locked for a while" : "A wrong password",
            cancellationToken
        );
        return await RefuseAsync(tried.IsLockedOut ? Closed(coach.LockoutEnd ?? clock.GetUtcNow()) : Wrong, cancellationToken);
    }

    /// <summary>Signs in as a made-up coach; in the demo only.</summary>
    public async Task<IActionResult> OnPostDemoAsync(int coach, CancellationToken cancellationToken) =>
        running.Demo && await coaches.FindAsync(coach, cancellationToken) is { IsDemo: true } made
            ? await LetInAsync(made, stays: true, cancellationToken)
            : NotFound();

    private async Task<IActionResult> LetInAsync(Coach coach, bool stays, CancellationToken cancellationToken)
    {
        var kind = coach.IsHead ? CallerKind.Head : CallerKind.Assistant;
        callers.Forget(kind, coach.Id);
        if (await callers.FindAsync(kind, coach.Id, coach.SecurityStamp!, cancellationToken) is not { } caller)
        {
            return await RefuseAsync("This account has been removed.", cancellationToken);
        }

        if (running.Demo)
        {
            Response.Cookies.Append(DemoSeen, "1", new CookieOptions { HttpOnly = true, SameSite = SameSiteMode.Lax });
        }

        devices.Remember(HttpContext, coach);
        await HttpContext.LetInAsync(caller, stays);
        await audit.AddAsync(caller.Name, AuditAct.SignIn, "Signed in", cancellationToken);
        return LocalRedirect(Url.IsLocalUrl(Back) ? Back! : "/");
    }

    private async Task<IActionResult> RefuseAsync(string why, CancellationToken cancellationToken)
    {
        log.SignInFailed();
        Hindrance = why;
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        await LoadAsync(cancellationToken);
        return Page();
    }

    private async Task LoadAsync(CancellationToken cancellationToken) =>
        Demo = running.Demo ? [.. (await coaches.ListAsync(cancellationToken)).Where(coach => coach.IsDemo)] : [];

    private string Closed(DateTimeOffset until)
    {
        var left = Math.Ceiling((until - clock.GetUtcNow()).TotalMinutes);
        return $"Too many tries. Try again in {(left <= 1 ? "a minute" : $"{left:0} minutes")}, or use a device where you have signed in before.";
    }
}
