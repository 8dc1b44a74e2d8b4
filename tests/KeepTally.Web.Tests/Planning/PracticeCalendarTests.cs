using Ical.Net;
using Ical.Net.DataTypes;
using KeepTally.Store.Calendars;
using KeepTally.Store.Tables;

namespace KeepTally.Web.Tests.Planning;

/// <summary>Calendars as an independent reader of RFC 5545 (Ical.Net) understands them.</summary>
public sealed class PracticeCalendarTests
{
    private static Practice Practice(int id, DateOnly date, string series = "", string title = "Shooting, quick; and \"clean\"") =>
        new()
        {
            Id = id,
            TeamId = 1,
            Team = new Team { Name = "Terns" },
            Title = title,
            Date = date,
            Start = new TimeOnly(17, 30),
            Minutes = 75,
            Place = "Hall, second door",
            Series = series,
        };

    [Fact]
    public void A_practice_is_an_event_with_its_lines_as_the_description()
    {
        var text = PracticeCalendar.Write(
            [Practice(1, new DateOnly(2026, 9, 3))],
            _ => ["17:30 Warm hands, 6 min", "17:37 Gates; one, two\\three, 8 min"]
        );

        var read = Assert.Single(Calendar.Load(text)!.Events);
        Assert.Equal("Shooting, quick; and \"clean\", Terns", read.Summary);
        Assert.Equal("Hall, second door", read.Location);
        Assert.Equal("17:30 Warm hands, 6 min\n17:37 Gates; one, two\\three, 8 min", read.Description);
        Assert.Equal(new DateTime(2026, 9, 3, 17, 30, 0), read.DtStart!.Value);
        Assert.True(read.DtStart.IsFloating);
        Assert.Equal(new DateTime(2026, 9, 3, 18, 45, 0), read.DtEnd!.Value);
        // RFC 5545, 3.1: lines end with CRLF and none is longer than 75 octets.
        Assert.All(text.TrimEnd().Split("\r\n"), line => Assert.True(System.Text.Encoding.UTF8.GetByteCount(line) <= 75, line));
    }

    [Fact]
    public void A_row_of_practices_recurs_on_its_days_without_those_taken_away()
    {
        // Tuesdays and Thursdays from 1 to 24 September 2026; that of the 10th was taken away.
        DateOnly[] days =
        [
            .. Enumerable
                .Range(0, 24)
                .Select(new DateOnly(2026, 9, 1).AddDays)
                .Where(day => day.DayOfWeek is DayOfWeek.Tuesday or DayOfWeek.Thursday && day.Day != 10),
        ];
        var text = PracticeCalendar.Write(
            [.. days.Select((day, index) => Practice(index + 1, day, "row"))],
            practice => [$"{practice.Id}"]
        );

        var calendar = Calendar.Load(text)!;
        var from = new CalDateTime(2026, 8, 1);
        var held = calendar.GetOccurrences(from).Take(50).Select(each => each.Period.StartTime.Date).Distinct().Order().ToArray();

        Assert.Equal(days, held);
        Assert.Contains("RRULE:FREQ=WEEKLY", text, StringComparison.Ordinal);
        Assert.Contains("EXDATE", text, StringComparison.Ordinal);
        Assert.Single(calendar.Events, each => each.RecurrenceRule is not null);
    }
}
