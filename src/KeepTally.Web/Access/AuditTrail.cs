using KeepTally.Store.People;
using KeepTally.Store.Tables;

namespace KeepTally.Web.Access;

/// <summary>Writes down what the caller has done.</summary>
public sealed class AuditTrail(AuditLog log, IHttpContextAccessor accessor)
{
    public Task AddAsync(AuditAct act, string about, CancellationToken cancellationToken = default) =>
        log.AddAsync(accessor.HttpContext?.Caller()?.InRecord ?? "Nobody signed in", act, about, cancellationToken);
}
