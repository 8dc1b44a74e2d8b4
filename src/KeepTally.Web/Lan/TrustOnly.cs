namespace KeepTally.Web.Lan;

/// <summary>What is asked for over the plain port is answered with the page that offers the authority, and with nothing else.</summary>
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
