using System.Runtime.InteropServices.JavaScript;
using KeepTally.Core.Dealing;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Loads;
using KeepTally.Core.Time;
using KeepTally.Screen;

namespace KeepTally.Browser;

/// <summary>
/// What the run screen calls. Times are milliseconds from the run's origin on the shared clock; answers are JSON texts,
/// camelCase. Every rule is the core's; the script only shows, keeps and sends.
/// </summary>
internal static partial class Bridge
{
    /// <summary>The page whose calls these are.</summary>
    internal static PageState Page { get; set; } = new();

    private static LivePractice Practice => Page.Practice ?? throw new InvalidOperationException("No practice is open.");

    /// <summary>Opens a practice; the first fault as one line, or an empty text.</summary>
    /// <param name="json">The practice as JSON.</param>
    /// <param name="device">The id of this device.</param>
    /// <param name="earlier">The devices this screen was before it was loaded again, with commas between.</param>
    [JSExport]
    internal static string Open(string json, string device, string earlier)
    {
        Page.Earlier = earlier.Split(',', StringSplitOptions.RemoveEmptyEntries).Select(id => new DeviceId(id)).ToHashSet();
        var file = PracticeReader.Read(json);
        var opened = PracticeOpener.Open(file, null);
        if (!opened.IsOk)
        {
            return opened.Faults[0].Problem;
        }

        Show(file, opened.Value, device);
        return "";
    }

    /// <summary>
    /// Opens the practice anew, its timing sheet having changed. Sheets that are open already go on with all that was said on them here;
    /// a drill that was begun here stays, though it was removed before another device knew.
    /// </summary>
    /// <param name="json">The practice as JSON.</param>
    /// <param name="device">The id of this device.</param>
    /// <param name="from">The id here of a guest who joined without a network; empty where none did.</param>
    /// <param name="to">Who they are on record since.</param>
    /// <returns>The ids of the runs in their order now, with commas between; an empty text where it cannot be read.</returns>
    [JSExport]
    internal static string Reopen(string json, string device, string from, string to)
    {
        var file = PracticeReader.Read(json);
        var opened = PracticeOpener.Open(
            file,
            Page.Opened,
            from.Length > 0 ? new Settled(new PlayerId(from), new PlayerId(to)) : null
        );
        if (!opened.IsOk)
        {
            return "";
        }

        Show(file, opened.Value, device);
        return string.Join(',', opened.Value.Select(run => run.Id));
    }

    /// <summary>
    /// A player who is not in the squad joins for today on this device alone, until there is a network; why they cannot, or an
    /// empty text.
    /// </summary>
    /// <param name="id">What they are known by here until then.</param>
    /// <param name="name">The name of the player or guest.</param>
    [JSExport]
    internal static string WriteDown(string id, string name)
    {
        var read = GuestName.Read(name);
        if (!read.IsOk)
        {
            return read.Faults[0].Told;
        }

        var guest = new Member(new PlayerId(id), read.Value);
        var known = Page.Opened.SelectMany(run => run.Live.Sheets).SelectMany(sheet => sheet.Sheet.Head.Everyone);
        if (known.Any(member => member.Id != guest.Id && member.Name == guest.Name))
        {
            return GuestName.Known(guest.Name).Told;
        }

        Show(Page.File, PracticeOpener.With(Page.Opened, guest), Page.Device);
        return "";
    }

    /// <summary>A line about a player who joined without a network, rewritten to their id on record.</summary>
    [JSExport]
    internal static string Renamed(string line, string from, string to) =>
        EventReader.Read(line) is { IsOk: true } read
            ? EventWriter.Write(Renaming.Of(read.Value, new PlayerId(from), new PlayerId(to)))
            : line;

    private static void Show(PracticeFile file, IReadOnlyList<OpenRun> runs, string device)
    {
        (Page.File, Page.Device, Page.Opened) = (file, device, runs);
        Page.Practice = new LivePractice(new DeviceId(device), [.. runs.Select(run => run.Live)])
        {
            Limits = (file.Limits ?? new Dictionary<string, Restrictions>()).ToDictionary(
                limit => new PlayerId(limit.Key),
                limit => limit.Value
            ),
            Earlier = Page.Earlier,
            Spare = new Duration(file.Spare),
            Loads =
            [
                .. (file.Loads ?? []).Select(load => new LoadAllowance(
                    new PlayerId(load.Player),
                    load.Kind,
                    load.Before,
                    load.Most,
                    load.Rests
                )),
            ],
        };
        Page.Habits = file.Habits ?? [];
        Page.Face = new RunPresenter(Page.Practice, Page.Habits) { Calls = Page.Face?.Calls, TellsResults = !file.HidesScores };
        Page.Board = new BoardPresenter(Page.Practice, !file.HidesScores);
        Page.Pulse = new ClockPulse(Page.Practice);
        Page.Changes = new ViewChanges();
        foreach (var sheet in file.Runs.SelectMany(run => run.Sheets))
        {
            Take(sheet.Id, sheet.Events);
        }
    }

    /// <summary>Takes in a history of a sheet, one line an event, folded once.</summary>
    [JSExport]
    internal static void ReceiveAll(string sheet, string lines) => Take(sheet, lines.Split('\n'));

    /// <summary>
    /// Takes in an event as it stands on record; why it cannot stand, or an empty text. Where this device says something else
    /// under its id, the one on record takes its place.
    /// </summary>
    [JSExport]
    internal static string Receive(string sheet, string device, int n, string line)
    {
        // One that is here already need not be read; only ids that devices share can mean two things.
        var id = new EventId(new DeviceId(device), n);
        if (
            id.Device != EventId.ClockDevice
            && id.Device != EventId.CircuitDevice
            && Practice.Find(new SheetId(sheet))?.Log.Holds(id) == true
        )
        {
            return "";
        }

        var read = EventReader.Read(line);
        return read.IsOk ? Practice.Receive(new SheetId(sheet), read.Value)?.ToString() ?? "" : read.Faults[0].ToString();
    }

    /// <summary>The server refused an event of this device: it is removed.</summary>
    [JSExport]
    internal static void Retract(string sheet, string line)
    {
        if (EventReader.Read(line) is { IsOk: true } refused)
        {
            Practice.Retract(new SheetId(sheet), refused.Value);
        }
    }

    /// <summary>An event in the coach's words: "Ada · Clean".</summary>
    [JSExport]
    internal static string Describe(string sheet, string line) =>
        Practice.Find(new SheetId(sheet)) is { } live && EventReader.Read(line) is { IsOk: true } read
            ? RunPresenter.Describe(new SheetId(sheet), live, read.Value)
            : "";

    /// <summary>Reads a unit id from the script; an empty text means none.</summary>
    private static PlayerId? Player(string? id) => string.IsNullOrEmpty(id) ? null : new PlayerId(id);

    /// <summary>The instant the script means: it counts milliseconds from the run's origin, with a fraction.</summary>
    private static Instant Moment(double milliseconds) => new((long)milliseconds);

    private static void Take(string sheet, IReadOnlyList<string> lines)
    {
        if (Practice.Find(new SheetId(sheet)) is { } live && lines.Count > 0)
        {
            live.AddAll([.. lines.Select(EventReader.Read).Where(read => read.IsOk).Select(read => read.Require())]);
        }
    }
}
