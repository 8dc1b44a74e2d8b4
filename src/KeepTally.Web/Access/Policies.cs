using KeepTally.Store.People;
using Microsoft.AspNetCore.Authorization;

namespace KeepTally.Web.Access;

/// <summary>
/// Who may come to a page or to the API at all. What they see there is narrowed by their reach. Whatever names no policy is
/// for coaches.
/// </summary>
internal static class Policies
{
    /// <summary>Head coaches.</summary>
    internal const string Head = "head";

    /// <summary>Coaches, and helpers who joined the practice.</summary>
    internal const string Practice = "practice";

    /// <summary>Those, and the board of the practice.</summary>
    internal const string Board = "board";

    /// <summary>Callers who record: coaches, helpers who joined, and devices.</summary>
    internal const string Record = "record";

    /// <summary>Devices with a key, and nobody else.</summary>
    internal const string Device = "device";

    /// <summary>All who have come in.</summary>
    internal const string Known = "known";

    internal static void Set(AuthorizationOptions options)
    {
        options.FallbackPolicy = Of(CallerKind.Head, CallerKind.Assistant);
        options.DefaultPolicy = options.FallbackPolicy;
        options.AddPolicy(Head, Of(CallerKind.Head));
        options.AddPolicy(Practice, Of(CallerKind.Head, CallerKind.Assistant, CallerKind.Joiner));
        options.AddPolicy(Board, Of(CallerKind.Head, CallerKind.Assistant, CallerKind.Joiner, CallerKind.Board));
        options.AddPolicy(Record, Of(CallerKind.Head, CallerKind.Assistant, CallerKind.Joiner, CallerKind.Device));
        options.AddPolicy(Device, Of(CallerKind.Device));
        options.AddPolicy(Known, Of(Enum.GetValues<CallerKind>()));
    }

    private static AuthorizationPolicy Of(params CallerKind[] kinds) =>
        new AuthorizationPolicyBuilder().RequireRole(kinds.Select(kind => kind.ToString())).Build();
}
