using System.Globalization;
using Ical.Net;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;
using KeepTally.Core.Planning;
using KeepTally.Store.Tables;

namespace KeepTally.Store.Calendars;

/// <summary>
/// Practices as an RFC 5545 calendar, their lines as the description. Times are those on the wall, of no zone. A row of practices
/// on the same days of the week is one event that recurs, with an event in its place for each day, and without those taken away.
/// </summary>
public static class PracticeCalendar
{
    private const string Product = "-//Keep Tally//Practices//EN";

    /// <summary>How soon a calendar program asks again, as a duration of RFC 5545.</summary>
    private const string AskAgain = "PT1H";

    /// <summary>The moment from which the changes of an event are stamped, a second each.</summary>
    private static readonly DateTime Stamped = new(2026, 1, 1, 0, 0, 0, DateTimeKind.Utc);

    /// <summary>The calendar as the text of an <c>.ics</c> file.</summary>
    /// <param name="practices">The practices, in order of time.</param>
    /// <param name="linesOf">What is done in a practice, one line each.</param>
    public static string Write(IReadOnlyList<Practice> practices, Func<Practice, IReadOnlyList<string>> linesOf)
    {
        var calendar = new Ical.Net.Calendar { ProductId = Product };
        foreach (var row in practices.GroupBy(practice => practice.Series.Length == 0 ? $"alone-{practice.Id}" : practice.Series))
        {
            var days = row.OrderBy(practice => practice.Date).ToArray();
            if (days.Length > 1)
            {
                AddSeries(calendar, days, linesOf);
            }
            else
            {
                calendar.Events.Add(One(days[0], UidOf(days[0]), linesOf));
            }
        }

        return new CalendarSerializer(calendar).SerializeToString()!;
    }

    /// <summary>
    /// The calendar of a team to subscribe to: every practice an event of its own, so that each can move, in the time zone of the
    /// club. An event keeps its UID and counts its changes in SEQUENCE (RFC 5545, 3.8.4.7 and 3.8.7.4), so that a calendar program
    /// takes a change as one.
    /// </summary>
    /// <param name="team">The name of the team, by which the calendar is called.</param>
    /// <param name="practices">The practices, in order of time.</param>
    /// <param name="linesOf">What is done in a practice, one line each.</param>
    /// <param name="zone">The time zone of the practices.</param>
    public static string Feed(
        string team,
        IReadOnlyList<Practice> practices,
        Func<Practice, IReadOnlyList<string>> linesOf,
        TimeZoneInfo zone
    )
    {
        var calendar = new Ical.Net.Calendar { ProductId = Product, Method = "PUBLISH" };
        calendar.AddProperty("NAME", team);
        calendar.AddProperty("X-WR-CALNAME", team);
        calendar.AddProperty(new CalendarProperty("REFRESH-INTERVAL", AskAgain) { Parameters = { new("VALUE", "DURATION") } });
        calendar.AddProperty("X-PUBLISHED-TTL", AskAgain);
        var named = zone.HasIanaId && zone.Id != TimeZoneInfo.Utc.Id ? zone.Id : null;
        if (named is not null && practices.Count > 0)
        {
            calendar.AddTimeZone(
                VTimeZone.FromDateTimeZone(named, practices[0].Date.ToDateTime(default), includeHistoricalData: false)
            );
        }

        foreach (var practice in practices)
        {
            var start = practice.Date.ToDateTime(practice.Start);
            var one = One(practice, UidOf(practice), linesOf);
            one.DtStart = In(start);
            one.DtEnd = In(start.AddMinutes(practice.Minutes));
            one.Sequence = practice.SheetVersion;
            // The same text as long as nothing has changed: who asks again is told so.
            one.DtStamp = new CalDateTime(Stamped.AddSeconds(practice.SheetVersion), "UTC");
            calendar.Events.Add(one);
        }

        return new CalendarSerializer(calendar).SerializeToString()!;

        CalDateTime In(DateTime wall) =>
            named is not null ? new CalDateTime(wall, named) : new CalDateTime(TimeZoneInfo.ConvertTimeToUtc(wall, zone), "UTC");
    }

    /// <summary>The lines of a sheet as they stand in a description: "17:30 Warm hands, 6 min".</summary>
    public static IReadOnlyList<string> LinesOf(PlanReport report, CardShelf shelf) =>
        [
            .. report.Blocks.Select(block =>
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"{report.At(block.From):HH:mm} {shelf.NameOf(block.Block)}, {(block.To - block.From) / 60:0.#} min"
                )
            ),
        ];

    private static void AddSeries(Ical.Net.Calendar calendar, Practice[] days, Func<Practice, IReadOnlyList<string>> linesOf)
    {
        var (first, last) = (days[0], days[^1]);
        var weekdays = days.Select(day => day.Date.DayOfWeek).Distinct().ToArray();
        var uid = $"{first.Series}@keep-tally.invalid";
        var master = One(first, uid, _ => []);
        master.RecurrenceRule = new RecurrenceRule(FrequencyType.Weekly)
        {
            ByDay = [.. weekdays.Order().Select(day => new WeekDay(day))],
            Until = At(last.Date, first.Start),
        };
        var held = days.Select(day => day.Date).ToHashSet();
        for (var day = first.Date; day <= last.Date; day = day.AddDays(1))
        {
            if (weekdays.Contains(day.DayOfWeek) && !held.Contains(day))
            {
                master.ExceptionDates.Add(At(day, first.Start));
            }
        }

        calendar.Events.Add(master);
        // Two on one day cannot both stand in the place of one.
        var taken = new HashSet<DateOnly>();
        foreach (var day in days)
        {
            var own = taken.Add(day.Date);
            var instance = One(day, own ? uid : UidOf(day), linesOf);
            if (own)
            {
                instance.RecurrenceIdentifier = new RecurrenceIdentifier(At(day.Date, first.Start), null);
            }

            calendar.Events.Add(instance);
        }
    }

    private static CalendarEvent One(Practice practice, string uid, Func<Practice, IReadOnlyList<string>> linesOf)
    {
        var start = practice.Date.ToDateTime(practice.Start);
        var lines = linesOf(practice);
        return new CalendarEvent
        {
            Uid = uid,
            Summary = practice.Team is { } team ? $"{practice.Title}, {team.Name}" : practice.Title,
            Location = practice.Place.Length > 0 ? practice.Place : null,
            Description = lines.Count > 0 ? string.Join('\n', lines) : null,
            DtStart = new CalDateTime(start),
            DtEnd = new CalDateTime(start.AddMinutes(practice.Minutes)),
        };
    }

    private static string UidOf(Practice practice) =>
        string.Create(CultureInfo.InvariantCulture, $"practice-{practice.Id}-{practice.TeamId}@keep-tally.invalid");

    private static CalDateTime At(DateOnly day, TimeOnly time) => new(day.ToDateTime(time));
}
