namespace KeepTally.Web.Hosting;

/// <summary>The page may load nothing from elsewhere, and nobody else may frame it.</summary>
internal sealed class SecurityHeaders(RequestDelegate next)
{
    private const string Policy =
        "default-src 'self'; script-src 'self' 'wasm-unsafe-eval'; style-src 'self'; img-src 'self' data:; "
        + "object-src 'none'; frame-ancestors 'none'; base-uri 'self'; form-action 'self'";

    public Task InvokeAsync(HttpContext context)
    {
        var headers = context.Response.Headers;
        headers.ContentSecurityPolicy = Policy;
        headers.XContentTypeOptions = "nosniff";
        headers["Referrer-Policy"] = "same-origin";
        headers["Cross-Origin-Opener-Policy"] = "same-origin";
        headers["Cross-Origin-Resource-Policy"] = "same-origin";
        // By it the worker of a browser keeps together what belongs together.
        headers[Release.Header] = Release.Id;
        headers["Permissions-Policy"] = "camera=(), microphone=(), geolocation=(), payment=()";
        // What is shown of players is for the caller; no cache on the way keeps it. A page that says otherwise of itself has its way.
        context.Response.OnStarting(() =>
        {
            if (headers.CacheControl.Count == 0)
            {
                headers.CacheControl = "private, no-store";
            }

            return Task.CompletedTask;
        });
        return next(context);
    }
}
