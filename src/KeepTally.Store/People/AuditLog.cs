using KeepTally.Core.Identity;
using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.People;

/// <summary>The record of who did what. A line holds no name of a player, so that erasing one need not touch it.</summary>
public sealed class AuditLog(TallyDb db, TimeProvider clock)
{
    /// <summary>Lines are kept so long.</summary>
    public static readonly TimeSpan Kept = TimeSpan.FromDays(400);

    /// <summary>The suffix of the name of a helper who joined by a code.</summary>
    public const string ByCode = ", by code";

    /// <summary>The name of a helper in the log once the real one is no longer kept.</summary>
    private const string HelperByCode = "A helper" + ByCode;

    private const int PageLength = 200;

    /// <summary>The text of an erasure, before the id of the player: a restore looks for it.</summary>
    internal const string ErasedMark = "Erased player ";

    /// <summary>The text of the erasure of a player.</summary>
    public static string Erased(PlayerId player) => ErasedMark + player;

    /// <summary>Writes a line. On a full disk a coach can still sign in to read: that alone is then not written down.</summary>
    public async Task AddAsync(string who, AuditAct act, string about, CancellationToken cancellationToken = default)
    {
        var entry = db.Audit.Add(
            new AuditEntry
            {
                At = clock.GetUtcNow().ToUnixTimeMilliseconds(),
                Who = who,
                Act = act,
                About = about,
            }
        );
        try
        {
            await db.SaveChangesAsync(cancellationToken);
        }
        catch (DbUpdateException full) when (act is AuditAct.SignIn or AuditAct.Refused && DiskSpace.IsFull(full))
        {
            entry.State = EntityState.Detached;
        }
    }

    /// <summary>The lines before one, the latest first; some at a time.</summary>
    /// <param name="before">The id of the line; null for the latest.</param>
    /// <param name="filter">Which lines.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public Task<List<AuditEntry>> ListAsync(long? before, AuditFilter filter, CancellationToken cancellationToken = default)
    {
        var like = $"%{filter.Text.Replace(@"\", @"\\").Replace("%", @"\%").Replace("_", @"\_")}%";
        return db
            .Audit.AsNoTracking()
            .Where(entry => before == null || entry.Id < before)
            .Where(entry => filter.Act == null || entry.Act == filter.Act)
            .Where(entry => filter.From == null || entry.At >= filter.From)
            .Where(entry => filter.To == null || entry.At < filter.To)
            .Where(entry =>
                filter.Text == "" || EF.Functions.Like(entry.Who, like, @"\") || EF.Functions.Like(entry.About, like, @"\")
            )
            .OrderByDescending(entry => entry.Id)
            .Take(PageLength)
            .ToListAsync(cancellationToken);
    }

    /// <summary>Whether there may be lines before the last of a list.</summary>
    public static bool IsFull(IReadOnlyCollection<AuditEntry> page) => page.Count == PageLength;

    /// <summary>When something was last done, in milliseconds since 1970; 0 where it never was.</summary>
    public async Task<long> LastAsync(AuditAct act, CancellationToken cancellationToken = default) =>
        await db.Audit.Where(entry => entry.Act == act).MaxAsync(entry => (long?)entry.At, cancellationToken) ?? 0;

    /// <summary>Removes what is older than it is kept: lines, and in those that stay the names of who joined by a code.</summary>
    public async Task TidyAsync(CancellationToken cancellationToken = default)
    {
        var oldest = (clock.GetUtcNow() - Kept).ToUnixTimeMilliseconds();
        await db.Audit.Where(entry => entry.At < oldest).ExecuteDeleteAsync(cancellationToken);
        var named = (clock.GetUtcNow() - DoorBook.NamesKept).ToUnixTimeMilliseconds();
        await db
            .Audit.Where(entry => entry.At < named && entry.Who.EndsWith(ByCode))
            .ExecuteUpdateAsync(set => set.SetProperty(entry => entry.Who, HelperByCode), cancellationToken);
    }
}

/// <summary>Which lines of the activity log are listed.</summary>
/// <param name="Text">Part of a name, or of what was done; empty for any.</param>
/// <param name="Act">The kind of act; null for any.</param>
/// <param name="From">Not before this moment, in milliseconds since 1970.</param>
/// <param name="To">Before this moment.</param>
public sealed record AuditFilter(string Text = "", AuditAct? Act = null, long? From = null, long? To = null);
