namespace KeepTally.Web.Lan;

/// <summary>The plain port answers every request with the page that offers the certificate, and with nothing else.</summary>
internal static class TrustOnly
{
    private static readonly string[] Plain = ["/trust", "/dist", "/mark.svg"];

    internal static void UseTrustOnly(this WebApplication app, LanSite site) =>
        app.Use(
            (context, next) =>
            {
                if (
                    context.Connection.LocalPort != site.TrustPort
                    || Array.Exists(Plain, path => context.Request.Path.StartsWithSegments(path))
                )
                {
                    return next(context);
                }

                context.Response.Redirect("/trust");
                return Task.CompletedTask;
            }
        );
}
