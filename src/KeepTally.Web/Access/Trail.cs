using KeepTally.Store.People;
using KeepTally.Store.Tables;

namespace KeepTally.Web.Access;

/// <summary>Writes down what whoever asks has done.</summary>
public sealed class Trail(AuditLog log, IHttpContextAccessor accessor)
{
    public Task AddAsync(AuditAct act, string about, CancellationToken cancellationToken = default) =>
        log.AddAsync(accessor.HttpContext?.Caller()?.InRecord ?? "Nobody signed in", act, about, cancellationToken);
}
