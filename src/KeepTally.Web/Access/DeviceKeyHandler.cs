using System.Text.Encodings.Web;
using KeepTally.Store.People;
using Microsoft.AspNetCore.Authentication;
using Microsoft.Extensions.Options;

namespace KeepTally.Web.Access;

/// <summary>A device shows its key: <c>Authorization: Bearer KEY</c>.</summary>
internal sealed class DeviceKeyHandler(
    IOptionsMonitor<AuthenticationSchemeOptions> options,
    ILoggerFactory logger,
    UrlEncoder encoder,
    CallerBook callers
) : AuthenticationHandler<AuthenticationSchemeOptions>(options, logger, encoder)
{
    private const string Bearer = "Bearer ";

    /// <summary>The key a request shows, or null.</summary>
    internal static string? KeyOf(HttpRequest request) =>
        request.Headers.Authorization.ToString() is var shown && shown.StartsWith(Bearer, StringComparison.OrdinalIgnoreCase)
            ? shown[Bearer.Length..].Trim()
            : null;

    protected override async Task<AuthenticateResult> HandleAuthenticateAsync()
    {
        if (KeyOf(Request) is not { } key || await callers.FindDeviceAsync(key, Context.RequestAborted) is not { } caller)
        {
            return AuthenticateResult.Fail("There is no such key.");
        }

        Context.Features.Set(caller);
        return AuthenticateResult.Success(new AuthenticationTicket(Signed.Ticket(caller, Signed.Key), Signed.Key));
    }
}
