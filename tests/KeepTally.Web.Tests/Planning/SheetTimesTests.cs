using KeepTally.Core.Time;
using KeepTally.Store.Planning;
using KeepTally.Store.Tables;

namespace KeepTally.Web.Tests.Planning;

public sealed class SheetTimesTests
{
    private static readonly DateTimeOffset Six = new(2026, 3, 4, 18, 0, 0, TimeSpan.Zero);

    /// <summary>From six for thirty minutes: five to talk, a minute's walk, ten of water, two minutes' walk, four to talk.</summary>
    private static readonly Practice Evening = new()
    {
        Title = "Evening",
        Date = new DateOnly(2026, 3, 4),
        Start = new TimeOnly(18, 0),
        Minutes = 30,
        Blocks = [Talk(1, 5, 0), Talk(2, 10, 60), Talk(3, 4, 120)],
    };

    private static Block Talk(int id, double minutes, int walk) =>
        new()
        {
            Id = id,
            Order = id,
            Pause = Pause.Talk,
            PauseName = "Talk",
            Minutes = minutes,
            ChangeSeconds = walk,
        };

    [Fact]
    public void Lines_are_due_by_the_clock_on_the_wall_though_practice_began_late()
    {
        var (due, spare) = SheetTimes.Of(Evening, RunOrigin.From(Six.AddMinutes(4)), TimeZoneInfo.Utc);
        Assert.Equal([-4.0, 2, 14], due.Values.Select(each => each.Milliseconds / 60_000.0));
        Assert.Equal(8, spare.TotalSeconds / 60);
    }

    [Fact]
    public void One_begun_at_quite_another_time_is_held_against_when_it_began()
    {
        var (due, _) = SheetTimes.Of(Evening, RunOrigin.From(Six.AddHours(3)), TimeZoneInfo.Utc);
        Assert.Equal([0.0, 6, 18], due.Values.Select(each => each.Milliseconds / 60_000.0));
    }
}
