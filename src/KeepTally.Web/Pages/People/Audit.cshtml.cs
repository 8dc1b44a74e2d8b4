using KeepTally.Store.People;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.People;

/// <summary>The activity log, the latest entry first.</summary>
[Authorize(Policies.Head)]
public sealed class AuditModel(AuditLog log, TimeProvider clock) : PageModel
{
    public IReadOnlyList<AuditEntry> Lines { get; private set; } = [];

    /// <summary>The line before which older ones are; null where there are none.</summary>
    public long? Older { get; private set; }

    /// <summary>Part of a name, or of what was done.</summary>
    [BindProperty(SupportsGet = true)]
    public string? Text { get; set; }

    /// <summary>The kind of act; null for any.</summary>
    [BindProperty(SupportsGet = true)]
    public AuditAct? Act { get; set; }

    /// <summary>The first day that is listed.</summary>
    [BindProperty(SupportsGet = true)]
    public DateOnly? From { get; set; }

    /// <summary>The last day that is listed.</summary>
    [BindProperty(SupportsGet = true)]
    public DateOnly? To { get; set; }

    /// <summary>Whether anything was searched for.</summary>
    public bool IsSearched => !string.IsNullOrWhiteSpace(Text) || Act is not null || From is not null || To is not null;

    public async Task OnGetAsync(long? before, CancellationToken cancellationToken)
    {
        var filter = new AuditFilter((Text ?? "").Trim(), Act, Begin(From), Begin(To?.AddDays(1)));
        Lines = await log.ListAsync(before, filter, cancellationToken);
        Older = AuditLog.IsFull(Lines) ? Lines[^1].Id : null;
    }

    /// <summary>When a day begins by the clock of the club, in milliseconds since 1970.</summary>
    private long? Begin(DateOnly? day) =>
        day is { } from
            ? new DateTimeOffset(
                from.ToDateTime(TimeOnly.MinValue),
                clock.LocalTimeZone.GetUtcOffset(from.ToDateTime(TimeOnly.MinValue))
            ).ToUnixTimeMilliseconds()
            : null;

    public DateTimeOffset When(AuditEntry entry) =>
        TimeZoneInfo.ConvertTime(DateTimeOffset.FromUnixTimeMilliseconds(entry.At), clock.LocalTimeZone);

    /// <summary>Whether what a line is about says more than its action.</summary>
    public static bool SaysMore(AuditEntry line) => !string.Equals(line.About, Word(line.Act), StringComparison.OrdinalIgnoreCase);

    public static string Word(AuditAct act) =>
        act switch
        {
            AuditAct.SignIn => "signed in",
            AuditAct.Refused => "refused",
            AuditAct.SignOutEverywhere => "signed out",
            AuditAct.Join => "joined",
            AuditAct.Correction => "corrected",
            AuditAct.Export => "exported",
            AuditAct.Erasure => "erased",
            AuditAct.Access => "access",
            AuditAct.Removal => "removed",
        };
}
