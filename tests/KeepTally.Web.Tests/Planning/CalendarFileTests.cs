using KeepTally.Store.Calendars;

namespace KeepTally.Web.Tests.Planning;

/// <summary>Calendars written by hand as other programs write them (RFC 5545), read as practices.</summary>
public sealed class CalendarFileTests
{
    private static readonly TimeZoneInfo Berlin = TimeZoneInfo.FindSystemTimeZoneById("Europe/Berlin");
    private static readonly TimeZoneInfo NewYork = TimeZoneInfo.FindSystemTimeZoneById("America/New_York");

    private static string Calendar(params string[] events) =>
        $"BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//Elsewhere//EN\r\n{string.Concat(events.Select(each => $"BEGIN:VEVENT\r\n{each.Trim().ReplaceLineEndings("\r\n")}\r\nEND:VEVENT\r\n"))}END:VCALENDAR\r\n";

    private static CalendarFile Read(string text, TimeZoneInfo? zone = null, int year = 2026) =>
        CalendarFile.Read(text, zone ?? Berlin, new DateOnly(year, 1, 1), new DateOnly(year, 12, 31)).Value!;

    [Fact]
    public void An_event_is_a_practice_with_its_title_time_and_place()
    {
        var entry = Assert.Single(
            Read(
                Calendar(
                    """
                    UID:a
                    SUMMARY:Training\, hall
                    LOCATION:Hall 2
                    DTSTART:20261203T173000
                    DTEND:20261203T190000
                    """
                )
            ).Entries
        );
        Assert.Equal(
            new CalendarEntry("a", "Training, hall", new DateOnly(2026, 12, 3), new TimeOnly(17, 30), 90, "Hall 2"),
            entry
        );
    }

    [Theory]
    [InlineData("DTSTART:20260703T153000Z", 17, 30)]
    [InlineData("DTSTART:20261203T163000Z", 17, 30)]
    [InlineData("DTSTART;TZID=America/New_York:20261203T113000", 17, 30)]
    [InlineData("DTSTART;TZID=W. Europe Standard Time:20261203T173000", 17, 30)]
    [InlineData("DTSTART:20261203T173000", 17, 30)]
    public void Times_of_other_zones_are_told_by_the_wall_of_the_club(string start, int hour, int minute)
    {
        var entry = Assert.Single(Read(Calendar($"UID:a\nSUMMARY:Training\n{start}\nDURATION:PT1H15M")).Entries);
        Assert.Equal((new TimeOnly(hour, minute), 75), (entry.Start, entry.Minutes));
    }

    /// <summary>RFC 5545, section 3.8.5.3: "Weekly on Tuesday and Thursday for five weeks", with the dates printed there.</summary>
    [Fact]
    public void The_example_of_the_standard_recurs_on_its_ten_days()
    {
        var read = Read(
            Calendar(
                """
                UID:weekly
                SUMMARY:Practice
                DTSTART;TZID=America/New_York:19970902T090000
                DURATION:PT1H
                RRULE:FREQ=WEEKLY;COUNT=10;WKST=SU;BYDAY=TU,TH
                """
            ),
            NewYork,
            1997
        );
        Assert.Equal(
            [(9, 2), (9, 4), (9, 9), (9, 11), (9, 16), (9, 18), (9, 23), (9, 25), (9, 30), (10, 2)],
            read.Entries.Select(entry => (entry.Date.Month, entry.Date.Day))
        );
        Assert.All(read.Entries, entry => Assert.Equal(new TimeOnly(9, 0), entry.Start));
        Assert.Equal(10, read.Entries.Select(entry => entry.Uid).Distinct().Count());
    }

    [Fact]
    public void A_day_that_was_taken_out_is_left_out_and_one_that_moved_has_moved()
    {
        var read = Read(
            Calendar(
                """
                UID:row
                SUMMARY:Practice
                DTSTART:20261201T180000
                DTEND:20261201T193000
                RRULE:FREQ=WEEKLY;UNTIL=20261222T180000
                EXDATE:20261208T180000
                """,
                """
                UID:row
                RECURRENCE-ID:20261215T180000
                SUMMARY:Practice outside
                DTSTART:20261216T190000
                DTEND:20261216T200000
                """
            )
        );
        Assert.Equal(
            ["row/20261201 1.12. 18:00", "row/20261215 16.12. 19:00", "row/20261222 22.12. 18:00"],
            read.Entries.Select(entry => $"{entry.Uid} {entry.Date:d.M}. {entry.Start:HH:mm}")
        );
    }

    [Theory]
    [InlineData("UID:a\nSUMMARY:Camp\nDTSTART;VALUE=DATE:20261203", "Event 1, Camp: it lasts all day.")]
    [InlineData("UID:a\nSUMMARY:Camp\nDTSTART:20261203T100000\nDTEND:20261206T100000", "Event 1, Camp: it lasts 4320 minutes.")]
    [InlineData("UID:a\nSUMMARY:Short\nDTSTART:20261203T100000\nDURATION:PT2M", "Event 1, Short: it lasts 2 minutes.")]
    [InlineData(
        "UID:a\nSUMMARY:Off\nSTATUS:CANCELLED\nDTSTART:20261203T100000",
        "Event 1, Off: it was cancelled. If it was imported before, delete its practice by hand."
    )]
    [InlineData("UID:a\nSUMMARY:Nought\nDTSTART:20261203T100000\nRRULE:FREQ=WEEKLY;INTERVAL=0", "Event 1 cannot be read.")]
    [InlineData("UID:a\nSUMMARY:Never", "Event 1, Never: it has no start.")]
    [InlineData(
        "UID:a\nSUMMARY:Mars\nDTSTART;TZID=Mars/Base:20261203T100000\nDURATION:PT1H",
        "Event 1, Mars: its times or its rule of recurrence cannot be read."
    )]
    public void What_is_no_practice_is_named_and_the_others_come_in(string wrong, string said)
    {
        var read = Read(Calendar(wrong, "UID:b\nSUMMARY:Practice\nDTSTART:20261210T180000\nDURATION:PT1H"));
        Assert.Equal("b", Assert.Single(read.Entries).Uid);
        Assert.StartsWith(said, Assert.Single(read.Wrong), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("RRULE:FREQ=SECONDLY")]
    [InlineData("RRULE:FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30")]
    [InlineData("RRULE:FREQ=DAILY")]
    public void A_rule_without_end_ends(string rule)
    {
        var read = Read(Calendar($"UID:a\nSUMMARY:Practice\nDTSTART:20260101T180000\nDURATION:PT1H\n{rule}"));
        Assert.InRange(read.Entries.Count, 0, CalendarFile.Most);
    }

    [Theory]
    [InlineData("")]
    [InlineData("Name;Number\nAda;3")]
    [InlineData("BEGIN:VCALENDAR\r\nEND:VCALENDAR\r\n")]
    [InlineData("BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nUID:a")]
    public void What_is_no_calendar_says_so(string text)
    {
        var read = CalendarFile.Read(text, Berlin, new DateOnly(2026, 1, 1), new DateOnly(2026, 12, 31));
        Assert.False(read.IsOk);
        Assert.Contains(".ics", read.Faults[0].Told, StringComparison.Ordinal);
    }

    /// <summary>Spoilt in a thousand ways: read, or said why not, and never more practices than a file may hold.</summary>
    [Fact]
    public void A_spoilt_calendar_is_read_or_refused()
    {
        var whole = Calendar(
            "UID:row\nSUMMARY:Practice\nDTSTART;TZID=Europe/Berlin:20261201T180000\nDTEND;TZID=Europe/Berlin:20261201T193000\nRRULE:FREQ=WEEKLY;COUNT=8;BYDAY=TU\nEXDATE;TZID=Europe/Berlin:20261208T180000",
            "UID:b\nSUMMARY:Other\nDTSTART:20261210T180000Z\nDURATION:PT1H\nSTATUS:CONFIRMED"
        );
        var draw = new Random(5545);
        for (var i = 0; i < 1000; i++)
        {
            var letters = whole.ToCharArray().ToList();
            for (var change = draw.Next(1, 6); change > 0; change--)
            {
                var at = draw.Next(letters.Count);
                switch (draw.Next(3))
                {
                    case 0:
                        letters.RemoveAt(at);
                        break;
                    case 1:
                        letters[at] = (char)draw.Next(32, 127);
                        break;
                    default:
                        letters.Insert(at, "0123456789:;=,\nTZ"[draw.Next(17)]);
                        break;
                }
            }

            var read = CalendarFile.Read(new string([.. letters]), Berlin, new DateOnly(2026, 1, 1), new DateOnly(2027, 12, 31));
            Assert.True(!read.IsOk || read.Value.Entries.Count <= CalendarFile.Most);
        }
    }
}
