using KeepTally.Store.Database;
using KeepTally.Web.Operating;
using Microsoft.AspNetCore.Diagnostics;

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
                api.UseExceptionHandler(
                    new ExceptionHandlerOptions { StatusCodeSelector = StatusOf, SuppressDiagnosticsCallback = IsToldOnce }
                );
                api.UseStatusCodePages();
            }
        );
        app.UseWhen(
            context => !IsForPrograms(context),
            pages =>
            {
                pages.UseExceptionHandler(
                    new ExceptionHandlerOptions
                    {
                        ExceptionHandlingPath = "/error",
                        StatusCodeSelector = StatusOf,
                        SuppressDiagnosticsCallback = IsToldOnce,
                    }
                );
                pages.UseStatusCodePagesWithReExecute("/error", "?code={0}");
            }
        );
    }

    private static bool IsForPrograms(HttpContext context) =>
        context.Request.Path.StartsWithSegments("/api") || context.Request.Path.StartsWithSegments("/formats");

    /// <summary>A full disk is told in one line a minute: the trace of every request would fill it further.</summary>
    private static bool IsToldOnce(ExceptionHandlerSuppressDiagnosticsContext context)
    {
        var full = DiskSpace.IsFull(context.Exception);
        if (full)
        {
            context.HttpContext.RequestServices.GetRequiredService<OperatorLog>().DiskFull();
        }

        return full;
    }

    /// <summary>A request that breaks off or is too long is the sender's fault, not ours; a full disk has a status of its own.</summary>
    private static int StatusOf(Exception failure) =>
        failure is BadHttpRequestException bad ? bad.StatusCode
        : DiskSpace.IsFull(failure) ? StatusCodes.Status507InsufficientStorage
        : StatusCodes.Status500InternalServerError;
}
