using System.Security.Cryptography;

namespace KeepTally.Web.Hosting;

/// <summary>The release: a hash over scripts and core, so that another file makes another release.</summary>
internal static class Release
{
    /// <summary>The header that names it.</summary>
    internal const string Header = "Keep-Tally-Release";

    private const int Letters = 12;
    private const string Loader = "/_framework/dotnet.js";

    /// <summary>The print of the list of all files, in which each stands with its own.</summary>
    internal static string Id { get; } = Read();

    /// <summary>A page of another release finds no core here: it says so, and is loaded anew.</summary>
    internal static void UseReleases(this WebApplication app) =>
        app.Use(
            (context, next) =>
            {
                if (
                    context.Request.Path == Loader
                    && context.Request.Query["release"].ToString() is { Length: > 0 } asked
                    && asked != Id
                )
                {
                    context.Response.StatusCode = StatusCodes.Status404NotFound;
                    return Task.CompletedTask;
                }

                return next(context);
            }
        );

    private static string Read()
    {
        var list = Path.Combine(AppContext.BaseDirectory, "KeepTally.Web.staticwebassets.endpoints.json");
        return File.Exists(list) ? Convert.ToHexStringLower(SHA256.HashData(File.ReadAllBytes(list)))[..Letters] : "0";
    }
}
