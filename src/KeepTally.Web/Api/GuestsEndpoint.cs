using KeepTally.Core.Identity;
using KeepTally.Store.Practices;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;

namespace KeepTally.Web.Api;

/// <summary><c>POST /api/practices/{practice}/guests</c>: a player who is not in the squad joins for today.</summary>
internal static class GuestsEndpoint
{
    internal static async Task<IResult> PostAsync(
        int practice,
        NewGuest guest,
        PracticeBook book,
        GuestBook guests,
        AppendGuards guards,
        PracticeNews news,
        AuditTrail trail,
        CancellationToken cancellationToken
    )
    {
        if (await book.FindAsync(practice, cancellationToken) is not { } found)
        {
            return ApiProblem.NotFound("practice", $"there is no practice {practice}", "open it from Today");
        }

        var added = await guests.AddAsync(found, guest.Name ?? "", guest.Late, cancellationToken);
        if (!added.IsOk)
        {
            var fault = added.Faults[0];
            return ApiProblem.Of(StatusCodes.Status422UnprocessableEntity, fault.Path, fault.Problem, fault.Fix);
        }

        foreach (var sheet in added.Value.Sheets)
        {
            guards.Forget(new SheetId(sheet));
        }

        await trail.AddAsync(AuditAct.Correction, "Added a guest", cancellationToken);
        news.SheetChanged(practice, added.Value.SheetVersion);
        return TypedResults.Ok(new WrittenGuest(added.Value.Id, added.Value.Name));
    }
}

/// <param name="Name">What the guest is called.</param>
/// <param name="Late">They joined already, on a device that had no network.</param>
internal sealed record NewGuest(string? Name, bool Late = false);

/// <param name="Player">Who the guest is in logs.</param>
/// <param name="Name">The guest's name.</param>
internal sealed record WrittenGuest(string Player, string Name);
