using KeepTally.Core.Clock;
using KeepTally.Core.Sheets;
using KeepTally.Core.Words;

namespace KeepTally.Browser;

/// <summary>Puts a circuit into words: each group with its players, where it is now and where it goes next.</summary>
internal static class CircuitFace
{
    private const string Rest = "rest";

    internal static IReadOnlyList<PersonView> Of(LiveRun run, long at)
    {
        var round = run.RoundAt(at);
        var moving = run.ClockAt(at)?.Interval.Kind is IntervalKind.Change or IntervalKind.Break;
        return
        [
            .. run
                .Sheets.Where(each => each.Stop is not null)
                .GroupBy(each => each.Stop!.Value.Group)
                .OrderBy(group => group.Key)
                .Select(group => new PersonView(
                    $"{Letters.Of(group.Key)} {NamesOf(group.First())}",
                    StationIn(group, round),
                    round < run.Circuit!.Sheet.Timeline!.Plan.Rounds ? StationIn(group, round + 1) : "",
                    moving
                )),
        ];
    }

    private static string StationIn(IEnumerable<RunSheet> stops, int round) =>
        stops.FirstOrDefault(each => each.Stop!.Value.Round == round)?.Name ?? Rest;

    private static string NamesOf(RunSheet sheet) =>
        string.Join(", ", sheet.Sheet.Sheet.Roll.Everyone.Select(player => PadFace.FirstName(sheet.Sheet.Head.NameOf(player))));
}
