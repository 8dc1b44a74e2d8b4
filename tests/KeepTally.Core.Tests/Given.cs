using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Formats;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Scoring;
using KeepTally.Core.Time;

namespace KeepTally.Core.Tests;

/// <summary>Short ways to write down a card, a sheet and what is said on it.</summary>
internal static class Given
{
    internal const string MakeAndMiss =
        """[{"id":"make","label":"Make","result":"success","points":1},{"id":"miss","label":"Miss","result":"failure"}]""";

    /// <summary>A card of one stage; <paramref name="stage"/> is what stands in it besides its outcomes.</summary>
    internal static DrillCard Card(string stage, string outcomes = MakeAndMiss) =>
        CardReader
            .Read(
                $$"""{"format":"keep-tally/drill@1","id":"d","name":"D","stages":[{"outcomes":{{outcomes}}{{(stage.Length > 0 ? "," : "")}}{{stage}}}]}"""
            )
            .Require();

    internal static Sheet Open(DrillCard card, params string[] units) =>
        Sheet
            .Open(
                card,
                new LogHead(
                    card.Id,
                    0,
                    card.Chosen,
                    [.. units.Select(unit => new Unit(new PlayerId(unit), unit.ToUpperInvariant(), []))]
                )
            )
            .Require();

    internal static Sheet Started(DrillCard card, params string[] units)
    {
        var sheet = Open(card, units);
        sheet.Add(new RunEvent.Start(new EventId(new DeviceId("s"), 1), new Instant(0)));
        return sheet;
    }

    /// <summary>Says taps a second apart: <c>a+ a- b+</c>, a make and a miss of a, a make of b.</summary>
    internal static Sheet Taps(this Sheet sheet, string taps)
    {
        foreach (var tap in taps.Split(' ', StringSplitOptions.RemoveEmptyEntries))
        {
            Assert.Null(sheet.Tap(tap[..^1], tap[^1] == '+' ? "make" : "miss"));
        }

        return sheet;
    }

    internal static Fault? Tap(this Sheet sheet, string? unit, string? outcome, long? at = null, string? zone = null) =>
        sheet.Add(
            new RunEvent.Tap(
                new EventId(new DeviceId("t"), sheet.Log.Events.Count + 1),
                at is { } given ? new Instant(given) : sheet.Log.LastAt + Duration.FromSeconds(1),
                Player(unit),
                outcome,
                zone,
                null,
                null
            )
        );

    internal static ScoreReport Now(this Sheet sheet) => sheet.Score.Report(sheet.Log.LastAt);

    internal static UnitReport Of(this ScoreReport report, string unit) => report.Units.Single(each => each.Id.Value == unit);

    /// <summary>Whom an id names; nobody where there is none.</summary>
    internal static PlayerId? Player(string? id) => id is null ? null : new PlayerId(id);

    internal static PlayerId[] Players(IEnumerable<string> ids) => [.. ids.Select(id => new PlayerId(id))];
}
