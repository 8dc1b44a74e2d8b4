using KeepTally.Core.Reports;
using KeepTally.Core.Rules.Tagging;
using KeepTally.Core.Rules.Zones;
using KeepTally.Core.Text;

namespace KeepTally.Web.Pages.Results;

/// <summary>How often, by row and by column, over all units of a drill: asked zones by where they went, tags by outcome.</summary>
public sealed record CountTable(
    string Name,
    string RowHead,
    IReadOnlyList<string> Columns,
    IReadOnlyList<(string Name, IReadOnlyList<int> Counts)> Rows
)
{
    public bool IsEmpty => Rows.All(row => row.Counts.All(count => count == 0));

    public static CountTable OfZones(DrillResult drill)
    {
        var zones = drill.Stage.Targets!.Names;
        string[] landed = [.. zones, Targets.None];
        return new CountTable(
            "Where it went",
            "Asked",
            [.. landed.Select(zone => zone == Targets.None ? "elsewhere" : Phrase.Words(zone))],
            [
                .. zones.Select(asked =>
                    (
                        Phrase.Words(asked),
                        (IReadOnlyList<int>)
                            [.. landed.Select(zone => drill.Rows.Sum(row => Count(Cells(row.Report.Zones, asked), zone)))]
                    )
                ),
            ]
        );
    }

    /// <summary>How often each was asked for each zone, and hit it; nothing where one plays alone.</summary>
    public static CountTable OfZonesByPlayer(DrillResult drill)
    {
        var zones = drill.Stage.Targets!.Names;
        var played = drill.Rows.Where(row => row.Played && row.Report.Zones.Count > 0).ToArray();
        return new CountTable(
            "Zones by player",
            "Name",
            [.. zones.SelectMany(zone => new[] { $"{Phrase.Words(zone)}, asked", "hit" })],
            played.Length < 2
                ? []
                :
                [
                    .. played.Select(row =>
                        (
                            row.Unit.Name,
                            (IReadOnlyList<int>)
                                [
                                    .. zones.SelectMany(zone =>
                                        Cells(row.Report.Zones, zone) is var landed
                                            ? new[] { landed.Sum(each => each.Value), Count(landed, zone) }
                                            : []
                                    ),
                                ]
                        )
                    ),
                ]
        );
    }

    /// <summary>How often each was called for each move, and made it.</summary>
    public static CountTable OfCalled(DrillResult drill)
    {
        string[] moves = drill.Stage.Asks is { } asks ? [.. asks.Moves.Distinct()] : [];
        return new CountTable(
            "Called moves",
            "Name",
            [.. moves.SelectMany(move => new[] { $"{Phrase.Capital(move)}, called", "made" })],
            [
                .. drill
                    .Rows.Where(row => row.Played)
                    .Select(row => (row.Unit, Called: drill.CalledOf(row)))
                    .Where(row => row.Called.Count > 0)
                    .Select(row =>
                        (
                            row.Unit.Name,
                            (IReadOnlyList<int>)
                                [
                                    .. moves
                                        .Select(move => row.Called.FirstOrDefault(each => each.Move == move))
                                        .SelectMany(called => new[] { called?.Goes ?? 0, called?.Made ?? 0 }),
                                ]
                        )
                    ),
            ]
        );
    }

    /// <summary>The count of each outcome by unit; empty where there is only one outcome.</summary>
    public static CountTable OfOutcomes(DrillResult drill)
    {
        var outcomes = drill.Stage.Outcomes;
        return new CountTable(
            "By outcome",
            "Name",
            [.. outcomes.Select(outcome => outcome.Label)],
            outcomes.Count < 2
                ? []
                :
                [
                    .. drill
                        .Rows.Where(row => row.Played)
                        .Select(row =>
                            (
                                row.Unit.Name,
                                (IReadOnlyList<int>)[.. outcomes.Select(outcome => Count(row.Report.Counts, outcome.Id))]
                            )
                        ),
                ]
        );
    }

    public static CountTable OfTag(DrillResult drill, TagKind tag)
    {
        var names = drill.Stage.Outcomes.Select(outcome => outcome.Id).ToArray();
        return new CountTable(
            $"By {tag.Label.ToLowerInvariant()}",
            tag.Label,
            [.. drill.Stage.Outcomes.Select(outcome => outcome.Label)],
            [
                .. tag.Values.Select(value =>
                    (
                        value.Value,
                        (IReadOnlyList<int>)
                            [
                                .. names.Select(name =>
                                    drill.Rows.Sum(row =>
                                        Count(
                                            Cells(
                                                row.Report.Tags.FirstOrDefault(each => each.Tag == tag.Id)?.Values ?? [],
                                                value.Key
                                            ),
                                            name
                                        )
                                    )
                                ),
                            ]
                    )
                ),
            ]
        );
    }

    private static IReadOnlyList<KeyValuePair<string, int>> Cells(
        IReadOnlyList<KeyValuePair<string, IReadOnlyList<KeyValuePair<string, int>>>> rows,
        string name
    ) => rows.FirstOrDefault(row => row.Key == name).Value ?? [];

    private static int Count(IReadOnlyList<KeyValuePair<string, int>> cells, string name) =>
        cells.FirstOrDefault(cell => cell.Key == name).Value;
}
