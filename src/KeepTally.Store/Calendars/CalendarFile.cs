using System.Text.RegularExpressions;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Evaluation;
using KeepTally.Core.Faults;
using KeepTally.Core.Planning;

namespace KeepTally.Store.Calendars;

/// <summary>An event of a calendar that can be a practice, at the time on the wall of the club.</summary>
/// <param name="Uid">By which it is known again: of an event that recurs with the day it was meant for.</param>
/// <param name="Title">Its title, 80 characters at most.</param>
/// <param name="Date">The day.</param>
/// <param name="Start">When it starts.</param>
/// <param name="Minutes">How long it lasts.</param>
/// <param name="Place">Where it is, 120 characters at most; may be empty.</param>
public sealed record CalendarEntry(string Uid, string Title, DateOnly Date, TimeOnly Start, int Minutes, string Place);

/// <summary>What a calendar file holds.</summary>
/// <param name="Entries">Events that can be practices, in order of time; those that recur day by day.</param>
/// <param name="Wrong">What cannot, a sentence each that names the event.</param>
public sealed partial record CalendarFile(IReadOnlyList<CalendarEntry> Entries, IReadOnlyList<string> Wrong)
{
    /// <summary>The largest file that is read, in bytes.</summary>
    public const int LargestBytes = 1_000_000;

    /// <summary>The most practices that are read of one file: those of two years, four times a week.</summary>
    public const int Most = 400;

    private const int LongestTitle = 80;
    private const int LeastMinutes = 5;
    private const int MostMinutes = (int)PlanReader.MostMinutes;

    /// <summary>A rule that recurs oftener before the first day that counts is no practice.</summary>
    private const int MostSteps = 10_000;
    private const int UsualMinutes = 60;

    /// <summary>A rule that matches nothing for so long is given up.</summary>
    private static readonly EvaluationOptions Limits = new() { MaxUnmatchedIncrementsLimit = 1000 };

    /// <summary>Reads a calendar file.</summary>
    /// <param name="text">The text of an <c>.ics</c> file.</param>
    /// <param name="zone">The time zone of the club, into which all times are turned.</param>
    /// <param name="from">Events before this day are over, and left out.</param>
    /// <param name="to">Events that recur are read up to this day.</param>
    public static Result<CalendarFile> Read(string text, TimeZoneInfo zone, DateOnly from, DateOnly to)
    {
        var wrong = new List<string>();
        CalendarEvent?[] events = [.. EventsOf(text) ?? EventByEvent(text)];
        if (Array.TrueForAll(events, each => each is null))
        {
            return Result.Fail<CalendarFile>(
                new Fault("file", "no event of a calendar was found in it", "export it as an iCalendar file (.ics) and choose that")
            );
        }

        var entries = new List<CalendarEntry>();
        var moved = events
            .OfType<CalendarEvent>()
            .Where(each => each.RecurrenceIdentifier is not null)
            .Select(each => (each.Uid, each.RecurrenceIdentifier!.StartTime.Value))
            .ToHashSet();
        foreach (var (index, each) in events.Index())
        {
            if (each is null)
            {
                wrong.Add($"Event {index + 1} cannot be read. Enter it by hand.");
                continue;
            }

            var called = $"Event {index + 1}{(string.IsNullOrWhiteSpace(each.Summary) ? "" : $", {Short(each.Summary.Trim())}")}";
            try
            {
                if (WhyNot(each) is { } reason)
                {
                    wrong.Add($"{called}: {reason}");
                    continue;
                }

                entries.AddRange(DaysOf(each, moved, zone, from, to).Take(Most + 1 - entries.Count));
            }
            catch (Exception fault) when (fault is not OutOfMemoryException)
            {
                wrong.Add($"{called}: its times or its rule of recurrence cannot be read. Enter it by hand.");
            }
        }

        if (entries.Count > Most)
        {
            wrong.Add($"The file has more than {Most} practices: the first {Most} are listed. Export a shorter period.");
        }

        return Result.Ok(
            new CalendarFile([.. entries.Take(Most).OrderBy(entry => entry.Date).ThenBy(entry => entry.Start)], wrong)
        );
    }

    /// <summary>The events of a calendar; null where it cannot be read as a whole.</summary>
    private static CalendarEvent[]? EventsOf(string text)
    {
        try
        {
            return [.. Ical.Net.CalendarCollection.Load(text).SelectMany(calendar => calendar.Events)];
        }
        // What the library throws at a spoilt file is of many kinds; none of them is more than that.
        catch (Exception fault) when (fault is not OutOfMemoryException)
        {
            return null;
        }
    }

    /// <summary>Each event of a spoilt calendar by itself, so that one does not cost the others; null for one that cannot be read.</summary>
    private static IEnumerable<CalendarEvent?> EventByEvent(string text) =>
        OneEvent()
            .Matches(text)
            .Take(Most)
            .Select(each =>
                EventsOf($"BEGIN:VCALENDAR\r\nVERSION:2.0\r\n{each.Value}\r\nEND:VCALENDAR\r\n") is [var one] ? one : null
            );

    [GeneratedRegex(
        "^BEGIN:VEVENT\\r?$.*?^END:VEVENT\\r?$",
        RegexOptions.Multiline | RegexOptions.Singleline | RegexOptions.IgnoreCase
    )]
    private static partial Regex OneEvent();

    private static string? WhyNot(CalendarEvent each) =>
        each.DtStart is null ? "it has no start. Give it one, or enter the practice by hand."
        : !each.DtStart.HasTime ? "it lasts all day. A practice starts at a time: enter it by hand."
        : string.Equals(each.Status, "CANCELLED", StringComparison.OrdinalIgnoreCase)
            ? "it was cancelled. If it was imported before, delete its practice by hand."
        : MinutesOf(each) is < LeastMinutes or > MostMinutes
            ? $"it lasts {MinutesOf(each)} minutes. A practice lasts from {LeastMinutes} to {MostMinutes} minutes."
        : null;

    /// <summary>How long an event lasts; one without an end an hour.</summary>
    private static int MinutesOf(CalendarEvent each) =>
        each.DtEnd is { } end
            ? (int)Math.Clamp(Math.Round((end.AsUtc - each.DtStart!.AsUtc).TotalMinutes), int.MinValue, int.MaxValue)
        : each.Duration is { } lasts
            ? (int)Math.Clamp(Math.Round(lasts.ToTimeSpanUnspecified().TotalMinutes), int.MinValue, int.MaxValue)
        : UsualMinutes;

    private static IEnumerable<CalendarEntry> DaysOf(
        CalendarEvent each,
        HashSet<(string? Uid, DateTime At)> moved,
        TimeZoneInfo zone,
        DateOnly from,
        DateOnly to
    )
    {
        var uid = each.Uid ?? $"{each.Summary} {each.DtStart!.Value:s}";
        if (each.RecurrenceIdentifier is { } meant)
        {
            return Within([EntryOf(each, $"{uid}/{meant.StartTime.Value:yyyyMMdd}", each.DtStart!, zone)]);
        }

        var recurs = each.RecurrenceRule is not null || each.RecurrenceDates.GetAllDates().Any();
        return !recurs
            ? Within([EntryOf(each, uid, each.DtStart!, zone)])
            : Within(
                each.GetOccurrences(each.DtStart, Limits)
                    .Take(MostSteps)
                    .Select(occurrence => occurrence.Period.StartTime)
                    .Where(start => !moved.Contains((each.Uid, start.Value)))
                    .Select(start => EntryOf(each, $"{uid}/{start.Value:yyyyMMdd}", start, zone))
                    .TakeWhile(entry => entry.Date <= to)
            );

        IEnumerable<CalendarEntry> Within(IEnumerable<CalendarEntry> entries) => entries.Where(entry => entry.Date >= from);
    }

    private static CalendarEntry EntryOf(CalendarEvent each, string uid, CalDateTime start, TimeZoneInfo zone)
    {
        var wall = start.IsFloating ? start.Value : TimeZoneInfo.ConvertTimeFromUtc(start.AsUtc, zone);
        var title = each.Summary?.Trim() ?? "";
        var place = each.Location?.Trim() ?? "";
        return new CalendarEntry(
            uid,
            title.Length > 0 ? Short(title) : "Practice",
            DateOnly.FromDateTime(wall),
            new TimeOnly(wall.Hour, wall.Minute),
            MinutesOf(each),
            place.Length <= PlanReader.LongestName ? place : place[..PlanReader.LongestName]
        );
    }

    private static string Short(string title) => title.Length <= LongestTitle ? title : title[..LongestTitle];
}
