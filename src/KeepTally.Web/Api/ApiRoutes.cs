using KeepTally.Web.Access;

namespace KeepTally.Web.Api;

/// <summary>The HTTP API of the run screen.</summary>
internal static class ApiRoutes
{
    internal static void MapApi(this IEndpointRouteBuilder app)
    {
        app.MapGet("/formats/{name}", Formats.Get).AllowAnonymous();
        var api = app.MapGroup("/api");
        api.MapPost("/sheets/{sheet}/events", EventsEndpoint.PostAsync).RequireAuthorization(Policies.Record).DisableAntiforgery();
        api.MapGet("/practices/{practice:int}/events", PracticeStream.GetAsync).RequireAuthorization(Policies.Known);
        api.MapGet("/time", (TimeProvider clock) => TypedResults.Ok(new SharedTime(clock.GetUtcNow().ToUnixTimeMilliseconds())))
            .RequireAuthorization(Policies.Known);
    }
}

/// <param name="Now">Milliseconds since 1970 in UTC, on the clock that all devices share.</param>
internal sealed record SharedTime(long Now);
