using KeepTally.Store.People;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.People;

/// <summary>The activity log, the latest entry first.</summary>
[Authorize(Policies.Head)]
public sealed class AuditModel(AuditLog log, TimeProvider clock) : PageModel
{
    public IReadOnlyList<AuditEntry> Lines { get; private set; } = [];

    /// <summary>The line before which older ones are; null where there are none.</summary>
    public long? Older { get; private set; }

    public async Task OnGetAsync(long? before, CancellationToken cancellationToken)
    {
        Lines = await log.ListAsync(before, cancellationToken);
        Older = AuditLog.IsFull(Lines) ? Lines[^1].Id : null;
    }

    public DateTimeOffset When(AuditEntry entry) =>
        TimeZoneInfo.ConvertTime(DateTimeOffset.FromUnixTimeMilliseconds(entry.At), clock.LocalTimeZone);

    public static string Word(AuditAct act) =>
        act switch
        {
            AuditAct.SignIn => "came in",
            AuditAct.Refused => "refused",
            AuditAct.SignOutEverywhere => "signed out",
            AuditAct.Join => "joined",
            AuditAct.Correction => "corrected",
            AuditAct.Export => "took out",
            AuditAct.Erasure => "erased",
            AuditAct.Access => "access",
            AuditAct.Removal => "removed",
        };
}
