using KeepTally.Store.People;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;

namespace KeepTally.Web.Access;

/// <summary>How the cookie is kept and validated, and where a caller without one is sent.</summary>
internal static class CookieRules
{
    internal static void Set(CookieAuthenticationOptions options)
    {
        options.Cookie.Name = "keep-tally";
        options.Cookie.HttpOnly = true;
        options.Cookie.SameSite = SameSiteMode.Lax;
        options.Cookie.SecurePolicy = CookieSecurePolicy.SameAsRequest;
        options.ExpireTimeSpan = Signed.Kept;
        options.SlidingExpiration = true;
        options.Events = new CookieAuthenticationEvents
        {
            OnValidatePrincipal = ValidateAsync,
            OnRedirectToLogin = SendToSignInAsync,
            OnRedirectToAccessDenied = context => Refuse(context.Response, StatusCodes.Status403Forbidden),
        };
    }

    private static async Task ValidateAsync(CookieValidatePrincipalContext context)
    {
        var callers = context.HttpContext.RequestServices.GetRequiredService<CallerBook>();
        var session = Signed.SessionOf(context.Principal);
        if (context.HttpContext.RequestServices.GetRequiredService<SessionBook>().IsEnded(session))
        {
            context.RejectPrincipal();
            return;
        }

        if (await Signed.ReadAsync(callers, context.Principal, context.HttpContext.RequestAborted) is not { } caller)
        {
            context.RejectPrincipal();
            return;
        }

        // A head coach who is one no more is what they are now, not what the cookie says.
        context.ReplacePrincipal(Signed.Ticket(caller, Signed.Cookie, session));
        context.HttpContext.Features.Set(caller);
    }

    private static async Task SendToSignInAsync(RedirectContext<CookieAuthenticationOptions> context)
    {
        var request = context.Request;
        if (request.Path.StartsWithSegments("/api"))
        {
            await Refuse(context.Response, StatusCodes.Status401Unauthorized);
            return;
        }

        var first = await context
            .HttpContext.RequestServices.GetRequiredService<CoachBook>()
            .IsEmptyAsync(context.HttpContext.RequestAborted);
        if (request.Headers.ContainsKey("HX-Request"))
        {
            // The whole page goes there, not the part that was asked for.
            context.Response.Headers["HX-Redirect"] = first ? "/first" : "/signin";
            await Refuse(context.Response, StatusCodes.Status401Unauthorized);
            return;
        }

        var back = HttpMethods.IsGet(request.Method) ? request.Path + request.QueryString : "/";
        context.Response.Redirect(first ? "/first" : $"/signin{QueryString.Create("back", back)}");
    }

    private static Task Refuse(HttpResponse response, int status)
    {
        response.StatusCode = status;
        return Task.CompletedTask;
    }
}
