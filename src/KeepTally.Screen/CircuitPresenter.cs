using KeepTally.Core.Clock;
using KeepTally.Core.Live;
using KeepTally.Core.Text;
using KeepTally.Core.Time;
using KeepTally.Screen.Views;

namespace KeepTally.Screen;

/// <summary>Puts a circuit into words: each group with its players, the station where it is now and where it goes next.</summary>
internal static class CircuitPresenter
{
    private const string Rest = "rest";
    private const int Bibs = 4;

    internal static IReadOnlyList<RoundView> Of(LiveRun run, Instant at)
    {
        var round = run.RoundAt(at);
        var moving = run.ClockAt(at)?.Interval.Kind is IntervalKind.Change or IntervalKind.Break;
        return
        [
            .. run
                .Sheets.Where(each => each.Stop is not null)
                .GroupBy(each => each.Stop!.Value.Group)
                .OrderBy(group => group.Key)
                .Select(group => new RoundView(
                    Letters.Of(group.Key),
                    group.Key % Bibs,
                    NamesOf(run, group, round),
                    StationIn(group, round),
                    round < run.Circuit!.Sheet.Timeline!.Plan.Rounds ? StationIn(group, round + 1) : "",
                    moving
                )),
        ];
    }

    private static string StationIn(IEnumerable<RunSheet> stops, int round) =>
        stops.FirstOrDefault(each => each.Stop!.Value.Round == round) is { } stop
            ? $"{stop.Stop!.Value.Station + 1} {stop.Name}"
            : Rest;

    /// <summary>The players who rotate with the group from now on; one who may not do a station's drill comes along, too.</summary>
    private static string NamesOf(LiveRun run, IEnumerable<RunSheet> stops, int round)
    {
        var left = stops.Where(each => each.Stop!.Value.Round >= round).DefaultIfEmpty(stops.Last());
        var players = left.SelectMany(each => each.Sheet.Score.Roster.Everyone).Distinct();
        return string.Join(", ", players.Select(run.CallNameOf));
    }
}
