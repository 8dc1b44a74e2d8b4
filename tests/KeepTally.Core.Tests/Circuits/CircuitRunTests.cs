using KeepTally.Core.Circuits;
using KeepTally.Core.Events;
using KeepTally.Core.Formats;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Time;

namespace KeepTally.Core.Tests.Circuits;

/// <summary>
/// A circuit being run: two groups, two stations, ten seconds at each and five to change, after a count-in of five. Work
/// is from 5 to 15 and from 20 to 30 seconds.
/// </summary>
public sealed class CircuitRunTests
{
    private readonly LivePractice _practice;

    public CircuitRunTests()
    {
        var way = new Circuit(2, 2, false);
        var clock = CardReader.Read(CircuitCard.Write("Circuit", 10, 5, way.Rounds)).Require();
        Member[][] groups =
        [
            [Of("a"), Of("b")],
            [Of("c"), Of("d")],
        ];
        var head = new LogHead(
            CircuitCard.Id,
            0,
            clock.Chosen,
            [.. groups.Select((group, g) => new Unit(new PlayerId($"g{g}"), $"g{g}", group))]
        );
        var sheets = new List<RunSheet> { new(new SheetId("clock"), "", Sheet.Open(clock, head).Require()) };
        var drill = Given.Card(
            """
            "clock":{"work":4,"change":1,"rounds":9,"countIn":3}
            """
        );
        for (var round = 0; round < 2; round++)
        {
            for (var group = 0; group < 2; group++)
            {
                var station = way.StationOf(group, round)!.Value;
                var units = groups[group].Select(player => new Unit(player.Id, player.Name, [])).ToArray();
                var others = groups[1 - group].Append(Of("x")).ToArray();
                sheets.Add(
                    new RunSheet(
                        new SheetId($"{round + 1}{"AB"[group]}"),
                        $"station {station + 1}",
                        Sheet.Open(drill, new LogHead("d", 0, drill.Chosen, units, 0, others, CountIn: new Duration(0))).Require(),
                        new CircuitStop(round + 1, station, group)
                    )
                );
            }
        }

        _practice = new LivePractice(new DeviceId("me"), [new LiveRun("Circuit of 2", sheets)]);

        static Member Of(string id) => new(new PlayerId(id), id);
    }

    private Sheet Open(string id) => _practice.Find(new SheetId(id))!;

    private void At(long seconds) => _practice.AppendDue(new Instant(seconds * 1000));

    private string Open(long seconds) =>
        string.Join(' ', _practice.Runs[0].OpenAt(new Instant(seconds * 1000)).Select(each => each.Id));

    [Fact]
    public void Each_stop_opens_with_its_round_stands_at_the_horn_and_closes_when_the_next_work_begins()
    {
        _practice.Execute(RunCommand.Start, new Instant(0));
        At(4);
        Assert.False(Open("1A").Score.Clock.IsStarted);
        At(7);
        Assert.True(Open("1A").ReportAt(new Instant(7000)).Started);
        Assert.Equal("1A 1B", Open(7));
        Assert.False(Open("2A").Score.Clock.IsStarted);

        At(17);
        _practice.Tap(new SheetId("1A"), new TapCommand(new PlayerId("a"), "make"), new Instant(17_000));
        Assert.Equal(
            (10_000, 1),
            (
                Open("1A").ReportAt(new Instant(17_000)).Running.Milliseconds,
                (int)Open("1A").ReportAt(new Instant(17_000)).Of("a").Points
            )
        );

        At(21);
        _practice.Tap(new SheetId("1A"), new TapCommand(new PlayerId("a"), "make"), new Instant(21_000));
        Assert.Equal(
            (1, 1),
            ((int)Open("1A").ReportAt(new Instant(21_000)).Of("a").Points, Open("1A").ReportAt(new Instant(21_000)).Late)
        );
        Assert.Equal("2A 2B", Open(21));
        Assert.Equal(new RunningTime(1000), Open("2A").ReportAt(new Instant(21_000)).Running);
    }

    [Fact]
    public void Its_work_is_given_time_and_no_round_is_skipped_added_or_cut_short()
    {
        _practice.Execute(RunCommand.Start, new Instant(0));
        At(7);
        Assert.All(
            [RunCommand.Skip, RunCommand.Another, RunCommand.Take],
            word => Assert.Empty(_practice.Execute(word, new Instant(7000)))
        );
        Assert.Single(_practice.Execute(RunCommand.Add, new Instant(7000)));
        Assert.Single(_practice.Execute(RunCommand.Take, new Instant(8000)));
        At(16);
        Assert.All(
            [RunCommand.Skip, RunCommand.Add, RunCommand.Repeat],
            word => Assert.Empty(_practice.Execute(word, new Instant(16_000)))
        );
    }

    [Fact]
    public void After_a_stall_everything_is_said_once_and_stamped_when_it_was_due()
    {
        _practice.Execute(RunCommand.Start, new Instant(0));
        At(60);
        At(61);

        Assert.Equal(
            [5000, 15_000, 20_000],
            Open("1B")
                .Log.Events.Where(runEvent => runEvent.Id.Device == EventId.CircuitDevice)
                .Select(runEvent => runEvent.At.Milliseconds)
        );
        Assert.Empty(_practice.AppendDue(new Instant(62_000)));
    }

    [Fact]
    public void A_pause_reaches_the_stations_and_going_on_wakes_none_that_is_over()
    {
        _practice.Execute(RunCommand.Start, new Instant(0));
        At(7);
        _practice.Execute(RunCommand.Pause, new Instant(8000));
        Assert.Equal(new RunningTime(3000), Open("1A").ReportAt(new Instant(30_000)).Running);
        _practice.Execute(RunCommand.Resume, new Instant(38_000));
        At(47);
        Assert.Equal(new RunningTime(10_000), Open("1A").ReportAt(new Instant(47_000)).Running);

        _practice.Execute(RunCommand.Pause, new Instant(47_000));
        _practice.Execute(RunCommand.Resume, new Instant(49_000));
        Assert.Equal(new RunningTime(10_000), Open("1A").ReportAt(new Instant(50_000)).Running);
    }

    [Fact]
    public void Who_comes_in_goes_round_with_the_smallest_group_from_then_on()
    {
        _practice.Execute(RunCommand.Start, new Instant(0));
        At(7);
        _practice.ChangeRoster(new RosterChange(new PlayerId("c"), null), new Instant(8000));
        _practice.ChangeRoster(new RosterChange(null, new PlayerId("x")), new Instant(9000));

        Assert.Equal(
            "ab dx ab dx",
            string.Join(' ', _practice.Runs[0].Sheets.Skip(1).Select(each => string.Concat(each.Sheet.Score.Roster.Everyone)))
        );

        At(21);
        _practice.ChangeRoster(new RosterChange(new PlayerId("a"), new PlayerId("x")), new Instant(22_000));
        Assert.Equal(
            ["ab", "dx", "bx", "da"],
            _practice.Runs[0].Sheets.Skip(1).Select(each => string.Concat(each.Sheet.Score.Roster.Everyone))
        );
    }

    [Fact]
    public void Ended_and_gone_back_to_it_goes_on_where_it_was()
    {
        _practice.Execute(RunCommand.Start, new Instant(0));
        At(21);
        _practice.Execute(RunCommand.End, new Instant(22_000));
        Assert.Equal(1, _practice.Current);

        _practice.Execute(RunCommand.Back, new Instant(23_000));

        Assert.Equal(0, _practice.Current);
        Assert.True(Open("1A").ReportAt(new Instant(23_000)).Done);
        Assert.False(Open("2A").ReportAt(new Instant(23_000)).Done);
    }
}
