using Microsoft.AspNetCore.Rewrite;

namespace KeepTally.Web.Hosting;

/// <summary>Addresses that pages had in earlier releases: a saved link still leads to its page.</summary>
internal static class OldLinks
{
    /// <summary>Redirects each of them, with its query, for good.</summary>
    /// <remarks>Made anew for each application: the framework keeps the application in them.</remarks>
    internal static RewriteOptions Redirects() =>
        new RewriteOptions()
            .AddRedirect("^drills/([^/]+)/fit$", "drills/$1/simulation", StatusCodes.Status301MovedPermanently)
            .AddRedirect("^results/([0-9]+)/judged/([0-9]+)$", "results/$1/rescore/$2", StatusCodes.Status301MovedPermanently);
}
