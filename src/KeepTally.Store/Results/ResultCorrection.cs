using System.Globalization;
using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Time;
using KeepTally.Store.Events;
using KeepTally.Store.Practices;

namespace KeepTally.Store.Results;

/// <summary>
/// Puts right what was tapped in a practice that was. What was tapped first is kept, and the correction is an event like any other:
/// it is replayed, exported, and can be taken back.
/// </summary>
public sealed class ResultCorrection(RunStore runs, EventJournal journal)
{
    /// <summary>By whom corrections are made that are made at a desk.</summary>
    private static readonly DeviceId Desk = new("desk");

    /// <summary>A sheet of a practice with all that was tapped on it; null where there is none, or its card no longer reads.</summary>
    public async Task<OpenCorrection?> OpenAsync(int practice, string sheet, CancellationToken cancellationToken = default)
    {
        var stored = (await runs.OfAsync(practice, cancellationToken)).Where(run => run.Fault is null).ToArray();
        if (stored.FirstOrDefault(run => run.Sheets.Any(each => each.Row.Id == sheet)) is not { } run)
        {
            return null;
        }

        var live = new LivePractice(
            Desk,
            [.. stored.Select(each => new LiveRun(each.Run.Id.ToString(CultureInfo.InvariantCulture), each.Fold()))]
        );
        return new OpenCorrection(live, new SheetId(sheet), run.Sheets.First(each => each.Row.Id == sheet).Row.Name);
    }

    /// <summary>Puts a tap right, or says why it cannot be.</summary>
    public async Task<Result<Done>> AmendAsync(OpenCorrection open, EventId of, TapAmendment change)
    {
        var amended = open.Live.Amend(open.Sheet, of, change, Instant.Origin);
        return amended.IsOk ? await WriteAsync(amended.Value) : Result.Fail<Done>(amended.Faults);
    }

    /// <summary>Takes a tap back, or puts it back; or says why it cannot be.</summary>
    public async Task<Result<Done>> UndoAsync(OpenCorrection open, EventId of) =>
        open.Kept.Log.Find(of) is RunEvent.Tap && open.Live.Undo(open.Sheet, of, Instant.Origin) is { Count: > 0 } appended
            ? await WriteAsync(appended)
            : new Fault("of", "there is no such tap on this sheet", "look at the results again");

    private async Task<Result<Done>> WriteAsync(IReadOnlyList<SheetEvent> events)
    {
        foreach (var sheet in events.GroupBy(each => each.Sheet))
        {
            var appended = await journal.AppendAsync(sheet.Key, [.. sheet.Select(each => each.Event)]);
            if (appended.Conflicting.Count > 0)
            {
                return new Fault(
                    "of",
                    "another coach corrected this sheet at the same moment",
                    "look at it again, and say it once more"
                );
            }
        }

        return Result.Ok();
    }
}

/// <summary>A sheet open to be put right.</summary>
/// <param name="Live">The practice, of which it is one sheet: a tap may have been about a player of another group.</param>
/// <param name="Sheet">The id of the sheet.</param>
/// <param name="Name">The group's letter; empty where there is one sheet alone.</param>
public sealed record OpenCorrection(LivePractice Live, SheetId Sheet, string Name)
{
    /// <summary>Its contents.</summary>
    public Sheet Kept => Live.Find(Sheet)!;

    /// <summary>Everything tapped, the first one first, with whether it stands.</summary>
    public IReadOnlyList<(RunEvent.Tap Tap, bool Stands)> Taps =>
        [
            .. Enumerable
                .Range(0, Kept.Log.Count)
                .Select(position => (Read: Kept.Log.ReadAt(position), Stands: Kept.Log.StandsAt(position)))
                .Where(each => each.Read is RunEvent.Tap)
                .Select(each => ((RunEvent.Tap)each.Read, each.Stands)),
        ];
}
