using KeepTally.Store.Practices;
using KeepTally.Store.Squads;
using KeepTally.Web.Access;

namespace KeepTally.Web.Api;

/// <summary>The HTTP API of the run screen.</summary>
internal static class ApiRoutes
{
    internal static void MapApi(this IEndpointRouteBuilder app)
    {
        app.MapGet("/formats/{name}", Formats.Get).AllowAnonymous();
        app.MapGet("/calendar/{token}", CalendarEndpoint.GetAsync).AllowAnonymous();
        var api = app.MapGroup("/api");
        api.MapPost("/sheets/{sheet}/events", EventsEndpoint.PostAsync).RequireAuthorization(Policies.Record).DisableAntiforgery();
        api.MapGet("/practices/{practice:int}/events", PracticeStream.GetAsync).RequireAuthorization(Policies.Known);
        api.MapPost("/practices/{practice:int}/here", Here).RequireAuthorization(Policies.Practice).DisableAntiforgery();
        api.MapPost("/practices/{practice:int}/guests", GuestsEndpoint.PostAsync).DisableAntiforgery();
        api.MapGet(
                "/time",
                (PracticeClock clock, LastErasure erasure) =>
                    TypedResults.Ok(new SharedTime(clock.Now.ToUnixTimeMilliseconds(), erasure.At))
            )
            .RequireAuthorization(Policies.Known);
    }

    /// <summary>Which sheet a device looks at now. It says nothing that is kept.</summary>
    private static IResult Here(int practice, Looking looking, HttpContext context, WhoIsHere here) =>
        here.Look(practice, looking.Device, context.Caller()!.Name, looking.Sheet)
            ? TypedResults.NoContent()
            : ApiProblem.NotFound("device", "this device has not opened the practice", "listen to it first");
}

/// <param name="Device">The id of the device.</param>
/// <param name="Sheet">The sheet it looks at; empty for all.</param>
internal sealed record Looking(string Device, string Sheet);

/// <param name="Now">Milliseconds since 1970 in UTC, on the clock that all devices share.</param>
/// <param name="Erased">When a player was last erased, on the same clock; 0 where nobody was.</param>
internal sealed record SharedTime(long Now, long Erased);
