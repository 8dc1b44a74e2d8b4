using System.Text.Json.Serialization;
using Microsoft.AspNetCore.Http.HttpResults;

namespace KeepTally.Web.Api;

/// <summary>
/// What the API answers where it cannot do what was asked: <c>application/problem+json</c> (RFC 9457) with the place of the
/// fault and its fix.
/// </summary>
internal static class ApiProblem
{
    internal static ProblemHttpResult NotFound(string place, string problem, string fix) =>
        Of(StatusCodes.Status404NotFound, place, problem, fix);

    internal static ProblemHttpResult Of(
        int status,
        string place,
        string problem,
        string fix,
        IReadOnlyList<LineFault>? faults = null
    )
    {
        var more = new Dictionary<string, object?> { ["place"] = place, ["mend"] = fix };
        if (faults is not null)
        {
            more["faults"] = faults;
        }

        return TypedResults.Problem(detail: $"{place}: {problem}; {fix}", statusCode: status, title: problem, extensions: more);
    }
}

/// <param name="Line">The line of the batch, from 1.</param>
/// <param name="Place">The property at fault, or the place within the line.</param>
/// <param name="Problem">The problem, in a few words.</param>
/// <param name="Fix">The way to put it right.</param>
internal sealed record LineFault(int Line, string Place, string Problem, [property: JsonPropertyName("mend")] string Fix);
