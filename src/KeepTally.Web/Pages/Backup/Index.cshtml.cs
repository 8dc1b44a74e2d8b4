using System.Globalization;
using KeepTally.Core.Faults;
using KeepTally.Store.Backups;
using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using KeepTally.Web.Hosting;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.Data.Sqlite;

namespace KeepTally.Web.Pages.Backup;

/// <summary>All data of the club as one file: made, kept, downloaded, restored.</summary>
[Authorize(Policies.Head)]
[RequestSizeLimit(BackupFacts.MostBytes)]
[RequestFormLimits(MultipartBodyLengthLimit = BackupFacts.MostBytes)]
public sealed class IndexModel(
    BackupShelf shelf,
    BackupRestore restore,
    BackupHealth health,
    DataFolder data,
    AuditTrail trail,
    Restarts restarts,
    TimeProvider clock
) : PageModel
{
    private const string Type = "application/vnd.sqlite3";

    public IReadOnlyList<Store.Backups.Backup> Kept { get; private set; } = [];

    public string Folder => shelf.Folder;

    /// <summary>The reason why the last daily backup failed; null where it did not.</summary>
    public string? Failure => health.Failure;

    /// <summary>What is wrong with the file that was sent, in words.</summary>
    public string? Hindrance { get; private set; }

    /// <summary>The contents of the file that waits to be restored; null where none does.</summary>
    public BackupFacts? Sent { get; private set; }

    /// <summary>Whether the application is about to start anew with the restored data.</summary>
    public bool IsRestoring { get; private set; }

    public void OnGet()
    {
        // A coach who comes back to the list does not want the file that was sent.
        restore.Forget();
        Load();
    }

    /// <summary>A backup of this moment, as a file.</summary>
    public async Task<IActionResult> OnPostNowAsync(CancellationToken cancellationToken)
    {
        var file = Path.Combine(Path.GetTempPath(), $"keep-tally-{Guid.NewGuid():N}.db");
        try
        {
            DatabaseCopy.Make(data.Database, file);
        }
        catch (Exception failure) when (failure is IOException or UnauthorizedAccessException or SqliteException)
        {
            return Refused(new Fault("file", $"the backup cannot be made ({failure.Message.TrimEnd('.')})", "free some space"));
        }

        await trail.AddAsync(AuditAct.Export, "A backup of everything", cancellationToken);
        var stream = new FileStream(file, FileMode.Open, FileAccess.Read, FileShare.Read, 1 << 16, FileOptions.DeleteOnClose);
        return File(stream, Type, $"keep-tally-{Now.ToString("yyyy-MM-dd-HHmm", CultureInfo.InvariantCulture)}.db");
    }

    /// <summary>One of the kept backups, as a file.</summary>
    [ForHead]
    public async Task<IActionResult> OnGetFileAsync(string name, CancellationToken cancellationToken)
    {
        if (shelf.Find(name) is not { } backup)
        {
            return NotFound();
        }

        await trail.AddAsync(AuditAct.Export, $"The backup {backup.Name}", cancellationToken);
        return PhysicalFile(backup.File, Type, backup.Name);
    }

    public IActionResult OnPostDelete(string name) => shelf.Delete(name) ? RedirectToPage() : NotFound();

    /// <summary>Restores one of the kept backups.</summary>
    public async Task<IActionResult> OnPostRestoreAsync(string name, CancellationToken cancellationToken) =>
        shelf.Find(name) is { } backup ? await RestoredAsync(restore.LayReady(backup.File), cancellationToken) : NotFound();

    /// <summary>Takes a file, checks it and says what it holds; nothing is replaced yet.</summary>
    public async Task<IActionResult> OnPostSendAsync(IFormFile? file, CancellationToken cancellationToken)
    {
        if (file is not { Length: > 0 })
        {
            return Refused(new Fault("file", "no file was chosen", "choose a backup"));
        }

        await using var content = file.OpenReadStream();
        var facts = await restore.ReceiveAsync(content, cancellationToken);
        if (!facts.IsOk)
        {
            return Refused(facts.Faults[0]);
        }

        Sent = facts.Value;
        Load();
        return Page();
    }

    /// <summary>Restores the file that was sent.</summary>
    public async Task<IActionResult> OnPostRestoreSentAsync(CancellationToken cancellationToken) =>
        restore.LayReceivedReady() is { } laid ? await RestoredAsync(laid, cancellationToken) : RedirectToPage();

    /// <summary>The words for a moment: "today, 03:00", "yesterday, 03:00" or the day.</summary>
    public string When(DateTime made) => When(made, Now);

    /// <inheritdoc cref="When(DateTime)"/>
    /// <param name="made">The moment.</param>
    /// <param name="now">The present moment.</param>
    public static string When(DateTime made, DateTime now) =>
        (now.Date - made.Date).Days switch
        {
            0 => "today",
            1 => "yesterday",
            _ => made.ToString("d MMMM yyyy", CultureInfo.InvariantCulture),
        } + made.ToString(", HH:mm", CultureInfo.InvariantCulture);

    public static string Size(long bytes) =>
        bytes < 1_000_000
            ? (bytes / 1000).ToString(CultureInfo.InvariantCulture) + " kB"
            : (bytes / 1_000_000.0).ToString(bytes < 10_000_000 ? "0.0" : "0", CultureInfo.InvariantCulture) + " MB";

    public static string Reason(BackupKind kind) =>
        kind switch
        {
            BackupKind.Daily => "daily",
            BackupKind.BeforeUpdate => "before an update",
            BackupKind.BeforeRestore => "before a restore",
        };

    private DateTime Now => clock.GetLocalNow().DateTime;

    private async Task<IActionResult> RestoredAsync(Result<BackupFacts> laid, CancellationToken cancellationToken)
    {
        if (!laid.IsOk)
        {
            return Refused(laid.Faults[0]);
        }

        await trail.AddAsync(AuditAct.Access, "Asked to restore a backup", cancellationToken);
        restarts.After(Response);
        IsRestoring = true;
        return Page();
    }

    private PageResult Refused(Fault fault)
    {
        Hindrance = fault.Told;
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        Load();
        return Page();
    }

    private void Load() => Kept = shelf.List();
}
