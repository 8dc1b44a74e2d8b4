using System.Security.Claims;
using KeepTally.Store.People;
using Microsoft.AspNetCore.Authentication;

namespace KeepTally.Web.Access;

/// <summary>The ticket of a caller: kind, id, and the stamp by which it can be revoked.</summary>
internal static class Signed
{
    internal const string Scheme = "keep-tally";
    internal const string Cookie = "keep-tally-cookie";
    internal const string Key = "keep-tally-key";
    private const string StampClaim = "stamp";
    private const string SessionClaim = "session";

    /// <summary>A ticket that is not renewed is good for so long.</summary>
    internal static readonly TimeSpan Kept = TimeSpan.FromDays(30);

    /// <param name="caller">The caller.</param>
    /// <param name="scheme">The scheme by which they came in.</param>
    /// <param name="session">The id of the session; empty where there is none to end, as for a device with a key.</param>
    internal static ClaimsPrincipal Ticket(Caller caller, string scheme, string session = "") =>
        new(
            new ClaimsIdentity(
                [
                    new Claim(ClaimTypes.Role, caller.Kind.ToString()),
                    // Forms are bound to this id: a form filled in as one is not sent as another.
                    new Claim(ClaimTypes.NameIdentifier, $"{caller.Kind}/{caller.Id}"),
                    new Claim(StampClaim, caller.Stamp),
                    new Claim(SessionClaim, session),
                ],
                scheme
            )
        );

    /// <summary>Lets a person in on this device.</summary>
    /// <param name="context">The request.</param>
    /// <param name="caller">The caller who is let in.</param>
    /// <param name="stays">Until they sign out; else until the browser is closed.</param>
    internal static Task LetInAsync(this HttpContext context, Caller caller, bool stays) =>
        context.SignInAsync(
            Cookie,
            Ticket(caller, Cookie, SessionBook.NewId()),
            new AuthenticationProperties { IsPersistent = stays }
        );

    /// <summary>Signs out on this device and ends the session: a copy of its ticket lets nobody in.</summary>
    internal static async Task LetOutAsync(this HttpContext context)
    {
        if (SessionOf(context.User) is { Length: > 0 } session)
        {
            await context.RequestServices.GetRequiredService<SessionBook>().EndAsync(session, Kept, context.RequestAborted);
        }

        await context.SignOutAsync(Cookie);
    }

    /// <summary>The id of the session of a ticket; empty where it has none.</summary>
    internal static string SessionOf(ClaimsPrincipal? ticket) => ticket?.FindFirstValue(SessionClaim) ?? "";

    /// <summary>The caller, or null where nobody has come in.</summary>
    internal static Caller? Caller(this HttpContext context) => context.Features.Get<Caller>();

    /// <summary>Whether the caller is still let in by what they came with.</summary>
    internal static async Task<bool> IsStillInAsync(HttpContext context, CallerBook book, CancellationToken cancellationToken) =>
        DeviceKeyHandler.KeyOf(context.Request) is { } key
            ? await book.FindDeviceAsync(key, cancellationToken) is not null
            : !context.RequestServices.GetRequiredService<SessionBook>().IsEnded(SessionOf(context.User))
                && await ReadAsync(book, context.User, cancellationToken) is not null;

    /// <summary>Anyone who the ticket of a cookie is of, as they stand now; null where it is void.</summary>
    internal static async Task<Caller?> ReadAsync(CallerBook book, ClaimsPrincipal? ticket, CancellationToken cancellationToken)
    {
        var name = ticket?.FindFirstValue(ClaimTypes.NameIdentifier)?.Split('/');
        return
            name is [var kindText, var idText]
            && Enum.TryParse<CallerKind>(kindText, out var kind)
            && int.TryParse(idText, out var id)
            && ticket!.FindFirstValue(StampClaim) is { } stamp
            ? await book.FindAsync(kind, id, stamp, cancellationToken)
            : null;
    }
}
