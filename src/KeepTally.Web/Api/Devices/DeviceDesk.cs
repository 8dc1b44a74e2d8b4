using KeepTally.Core.Faults;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Time;
using KeepTally.Store.Events;
using KeepTally.Store.People;
using KeepTally.Store.Planning;
using KeepTally.Store.Practices;

namespace KeepTally.Web.Api.Devices;

/// <summary>The practice under way of the team of a device, opened by that device.</summary>
/// <param name="Practice">Its id.</param>
/// <param name="Title">The title of the practice.</param>
/// <param name="Numbered">By whom the taps are made that the device numbers itself; what it does not number is by another, so that its numbers are its own.</param>
/// <param name="Live">The practice as it was replayed.</param>
/// <param name="Origin">The origin of the shared clock.</param>
/// <param name="Time">The present moment.</param>
/// <param name="Sheets">The sheets of the drill under way that can be tapped.</param>
internal sealed record OpenDesk(
    int Practice,
    string Title,
    DeviceId Numbered,
    LivePractice Live,
    RunOrigin Origin,
    DateTimeOffset Time,
    IReadOnlyList<RunSheet> Sheets
)
{
    internal Instant Now => Origin.InstantAt(Time);
}

/// <summary>Where devices come to: it opens the practice under way for them, and writes down what they say.</summary>
internal sealed class DeviceDesk(PracticeBook book, RunStore runs, EventJournal journal, AppendGuards guards, PracticeClock clock)
{
    /// <summary>The practice under way; null where none is.</summary>
    internal async Task<OpenDesk?> OpenAsync(Caller caller, CancellationToken cancellationToken)
    {
        var time = clock.Now;
        if (
            await book.UnderWayAsync(time - PracticeClock.LongestPractice, cancellationToken) is not { } id
            || await book.FindAsync(id, cancellationToken) is not { } practice
        )
        {
            return null;
        }

        var stored = (await runs.OfAsync(id, cancellationToken)).Where(run => run.Fault is null).ToArray();
        if (stored.Length == 0)
        {
            return null;
        }

        var numbered = new DeviceId($"key-{caller.Id}");
        var live = LiveOpening.Open(new DeviceId($"{numbered}-next"), practice, stored, clock.Zone);
        var origin = stored[0].Run.Origin;
        var now = origin.InstantAt(time);
        if (!await WriteAsync(live.AppendDue(now)))
        {
            // Another player has said at this very moment what the clock calls for; theirs stands on record.
            return await OpenAsync(caller, cancellationToken);
        }

        var sheets = live.Current < live.Runs.Count ? live.Runs[live.Current].OpenAt(now) : [];
        return new OpenDesk(id, practice.Title, numbered, live, origin, time, [.. sheets]);
    }

    /// <summary>Why events cannot stand on record; null where they can.</summary>
    internal async Task<Fault?> CheckAsync(OpenDesk desk, SheetEvent said, CancellationToken cancellationToken) =>
        await guards.FindAsync(journal, said.Sheet, cancellationToken) is { IsOk: true } found
            ? found.Value.Check(said.Event, desk.Time)
            : new Fault("sheet", "this sheet is no longer kept", "load the practice again");

    /// <summary>Writes events down; false where one of their numbers was taken meanwhile and says something else.</summary>
    internal async Task<bool> WriteAsync(IReadOnlyList<SheetEvent> events)
    {
        var clean = true;
        foreach (var sheet in events.GroupBy(each => each.Sheet))
        {
            var appended = await journal.AppendAsync(sheet.Key, [.. sheet.Select(each => each.Event)]);
            clean &= appended.Conflicting.Count == 0;
        }

        return clean;
    }
}
