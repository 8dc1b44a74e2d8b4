using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Scoring;
using KeepTally.Core.Time;

namespace KeepTally.Core.Tests.Live;

/// <summary>A tap that was wrong is put right afterwards: whose it was, what it was, or that it counts.</summary>
public sealed class AmendTests
{
    private static readonly SheetId Only = new("s");

    private static LivePractice Of(Sheet sheet) => new(new DeviceId("coach"), [new LiveRun("", [new RunSheet(Only, "", sheet)])]);

    private static EventId IdAt(Sheet sheet, int position) => sheet.Log.Events[position].Id;

    private static RunEvent Amend(LivePractice practice, EventId of, TapAmendment change)
    {
        var appended = practice.Amend(Only, of, change, new Instant(60_000)).Require();
        return Assert.Single(appended).Event;
    }

    [Fact]
    public void A_streak_is_judged_as_if_the_tap_had_been_right()
    {
        var sheet = Given.Started(Given.Card(""" "until":[{"streak":3}] """), "a", "b").Taps("a+ a- a+ b+");
        Amend(Of(sheet), IdAt(sheet, 2), new TapAmendment(Outcome: "make"));

        Assert.Equal((3, true), (sheet.Now().Of("a").BestStreak, sheet.Now().Of("a").Done));
        Assert.Equal(1, sheet.Now().Of("b").Points);
    }

    [Fact]
    public void A_tag_is_put_right_and_the_others_stay()
    {
        var card = Given.Card(
            """ "tags":{"hand":{"label":"Hand","values":{"l":"Left","r":"Right"}},"finish":{"label":"Finish","values":{"lob":"Lob","drive":"Drive"}}} """
        );
        var sheet = Given.Started(card, "a");
        var said = new Dictionary<string, string> { ["hand"] = "l", ["finish"] = "lob" };
        var tap = new RunEvent.Tap(
            new EventId(new DeviceId("t"), 1),
            new Instant(1000),
            new PlayerId("a"),
            "make",
            null,
            said,
            null
        );
        Assert.Null(sheet.Add(tap));

        var amend = Amend(Of(sheet), tap.Id, new TapAmendment(Tags: new Dictionary<string, string> { ["hand"] = "r" }));
        var told = string.Join(' ', sheet.Now().Of("a").Tags.SelectMany(tag => tag.Values.Select(value => value.Key)));
        Assert.Equal("r lob", told);

        // Written and read, it says the same.
        var again = (RunEvent.Amend)EventReader.Read(EventWriter.Write(amend)).Require();
        Assert.Equal("r", again.Tags!["hand"]);
    }

    [Fact]
    public void It_goes_to_whose_it_was_and_can_be_taken_back()
    {
        var sheet = Given.Started(Given.Card(""), "a", "b").Taps("a+ a+");
        var practice = Of(sheet);
        var amend = Amend(practice, IdAt(sheet, 2), new TapAmendment(new PlayerId("b")));
        Assert.Equal((1.0, 1.0), (sheet.Now().Of("a").Points, sheet.Now().Of("b").Points));

        practice.Undo(Only, amend.Id, new Instant(61_000));
        Assert.Equal((2.0, 0.0), (sheet.Now().Of("a").Points, sheet.Now().Of("b").Points));
    }

    [Fact]
    public void On_the_wrong_groups_pad_it_goes_to_the_right_one_at_the_moment_it_was_made()
    {
        var card = Given.Card(""" "until":[{"successes":2}] """);
        var (one, other) = (Given.Started(card, "a", "b").Taps("a+ a-"), Given.Started(card, "c", "d").Taps("c+"));
        var practice = new LivePractice(
            new DeviceId("coach"),
            [new LiveRun("", [new RunSheet(Only, "A", one), new RunSheet(new SheetId("t"), "B", other)])]
        );
        var appended = practice.Amend(Only, IdAt(one, 1), new TapAmendment(new PlayerId("c")), new Instant(60_000)).Require();

        Assert.Equal((2, 0.0), (appended.Count, one.Now().Of("a").Points));
        Assert.Equal((2.0, true), (other.Now().Of("c").Points, other.Now().Of("c").Done));
        Assert.Equal(new Instant(1000), appended[^1].Event.At);
    }

    [Fact]
    public void Of_several_the_last_one_counts_and_what_was_said_first_stays()
    {
        var sheet = Given.Started(Given.Card(""), "a", "b").Taps("a+");
        var practice = Of(sheet);
        Amend(practice, IdAt(sheet, 1), new TapAmendment(new PlayerId("b")));
        Amend(practice, IdAt(sheet, 1), new TapAmendment(Outcome: "miss"));

        var reads = Assert.IsType<RunEvent.Tap>(sheet.Log.ReadAt(1));
        Assert.Equal(("b", "miss"), (reads.Unit?.Value, reads.Outcome));
        Assert.Equal("a", Assert.IsType<RunEvent.Tap>(sheet.Log.Events[1]).Unit?.Value);
    }

    [Fact]
    public void A_late_tap_counts_when_the_coach_says_so()
    {
        var sheet = Given.Started(Given.Card(""" "until":[{"seconds":10}] """), "a", "b");
        sheet.Tap("a", "make", 10_200);
        Assert.Equal((0.0, 1), (sheet.Now().Of("a").Points, sheet.Now().Late));
        Amend(Of(sheet), IdAt(sheet, 1), new TapAmendment(Counts: true));

        Assert.Equal((1.0, 0), (sheet.Now().Of("a").Points, sheet.Now().Late));
        Assert.True(sheet.Now().Done);
        Assert.Equal(10, sheet.Now().Running.SinceStart.TotalSeconds);
    }

    [Fact]
    public void What_is_not_on_the_sheet_is_refused()
    {
        var sheet = Given.Started(Given.Card(""), "a").Taps("a+");
        var practice = Of(sheet);
        Assert.Equal("unit", practice.Amend(Only, IdAt(sheet, 1), new TapAmendment(new PlayerId("x")), default).Faults[0].Path);
        Assert.Equal("outcome", practice.Amend(Only, IdAt(sheet, 1), new TapAmendment(Outcome: "x"), default).Faults[0].Path);
        Assert.Equal("of", practice.Amend(Only, IdAt(sheet, 0), new TapAmendment(Outcome: "miss"), default).Faults[0].Path);
    }

    [Theory]
    [InlineData("""{"device":"a","n":1,"at":5,"type":"amend","of":{"device":"b","n":3},"unit":"p1"}""")]
    [InlineData(
        """{"device":"a","n":1,"at":5,"type":"amend","of":{"device":"b","n":3},"outcome":"miss","zone":"left","value":2.5,"counts":true}"""
    )]
    [InlineData("""{"device":"a","n":1,"at":5,"type":"skip","interval":"change","round":2}""")]
    [InlineData("""{"device":"a","n":1,"at":5,"type":"rounds","rounds":4}""")]
    public void Lines_are_written_as_they_are_read(string line) =>
        Assert.Equal(line, EventWriter.Write(EventReader.Read(line).Require()));

    [Theory]
    [InlineData("""{"device":"a","n":1,"at":5,"type":"amend","unit":"p1"}""", "of")]
    [InlineData("""{"device":"a","n":1,"at":5,"type":"skip","interval":"countIn","round":2}""", "interval")]
    [InlineData("""{"device":"a","n":1,"at":5,"type":"skip","interval":"work"}""", "round")]
    [InlineData("""{"device":"a","n":1,"at":5,"type":"rounds","rounds":0}""", "rounds")]
    public void What_is_wrong_is_told_with_its_place(string line, string path) =>
        Assert.Equal(path, EventReader.Read(line).Faults.Single().Path);
}
