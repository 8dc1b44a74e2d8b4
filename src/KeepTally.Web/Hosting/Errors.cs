using KeepTally.Store.Database;

namespace KeepTally.Web.Hosting;

/// <summary>The answer where something is missing or fails: a page for people, problem details (RFC 9457) for programs.</summary>
internal static class Errors
{
    internal static void UseErrors(this WebApplication app)
    {
        app.UseWhen(
            IsForPrograms,
            api =>
            {
                api.UseExceptionHandler(new ExceptionHandlerOptions { StatusCodeSelector = StatusOf });
                api.UseStatusCodePages();
            }
        );
        app.UseWhen(
            context => !IsForPrograms(context),
            pages =>
            {
                pages.UseExceptionHandler(
                    new ExceptionHandlerOptions { ExceptionHandlingPath = "/error", StatusCodeSelector = StatusOf }
                );
                pages.UseStatusCodePagesWithReExecute("/error", "?code={0}");
            }
        );
    }

    private static bool IsForPrograms(HttpContext context) =>
        context.Request.Path.StartsWithSegments("/api") || context.Request.Path.StartsWithSegments("/formats");

    /// <summary>A request that breaks off or is too long is the sender's fault, not ours; a full disk has a status of its own.</summary>
    private static int StatusOf(Exception failure) =>
        failure is BadHttpRequestException bad ? bad.StatusCode
        : DiskSpace.IsFull(failure) ? StatusCodes.Status507InsufficientStorage
        : StatusCodes.Status500InternalServerError;
}
