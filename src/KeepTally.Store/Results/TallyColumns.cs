using KeepTally.Core.Cards;
using KeepTally.Core.Reports;
using KeepTally.Core.Rules.Tagging;
using KeepTally.Core.Rules.Zones;
using KeepTally.Core.Scoring;
using KeepTally.Core.Text;
using Column = KeepTally.Store.Results.ResultsTable.Column;

namespace KeepTally.Store.Results;

/// <summary>
/// The columns that the drills of a practice bring to its results: one for each outcome, two for each zone (asked, hit), one
/// for each outcome under each value of a tag. Drills that call a thing alike share its column.
/// </summary>
internal static class TallyColumns
{
    internal static IEnumerable<Column> Of(IReadOnlyList<DrillResult> drills)
    {
        var cells = drills.SelectMany(drill => Cells(drill.Stage)).ToArray();
        return cells
            .DistinctBy(cell => cell.Heading)
            .OrderBy(cell => cell.Kind)
            .Select(cell =>
            {
                var alike = cells.Where(each => each.Heading == cell.Heading).ToArray();
                return new Column(
                    cell.Heading,
                    line =>
                        alike.Where(each => ReferenceEquals(each.Stage, line.Drill.Stage)).ToArray() is { Length: > 0 } own
                            ? own.Sum(each => each.Count(line.Unit))
                            : null
                );
            });
    }

    private static IEnumerable<Cell> Cells(Stage stage)
    {
        foreach (var (outcome, label) in Outcomes(stage))
        {
            yield return new Cell(0, stage, label, unit => In(unit.Counts, outcome));
        }

        foreach (var zone in stage.Targets?.Names ?? [])
        {
            var name = Phrase.Capital(Phrase.Words(zone));
            yield return new Cell(1, stage, $"{name}, asked", unit => Asked(unit, zone).Sum(landed => landed.Value));
            yield return new Cell(1, stage, $"{name}, hit", unit => In(Asked(unit, zone), zone));
        }

        foreach (var kind in stage.Tags)
        {
            foreach (var (value, label) in kind.Values)
            {
                foreach (var (outcome, called) in Outcomes(stage))
                {
                    yield return new Cell(
                        2,
                        stage,
                        $"{kind.Label}, {label}: {called}",
                        unit => Tagged(unit, kind.Id, value, outcome)
                    );
                }
            }
        }
    }

    /// <summary>The outcomes by id and label; where zones are asked, hit and miss, too.</summary>
    private static IEnumerable<(string Id, string Label)> Outcomes(Stage stage) =>
        stage
            .Outcomes.Select(outcome => (outcome.Id, outcome.Label))
            .Concat(stage.Targets is null ? [] : [("hit", "Hit"), ("miss", "Missed")]);

    private static IReadOnlyList<KeyValuePair<string, int>> Asked(UnitReport unit, string zone) =>
        unit.Zones.FirstOrDefault(asked => asked.Key == zone).Value ?? [];

    private static int Tagged(UnitReport unit, string kind, string value, string outcome) =>
        unit.Tags.FirstOrDefault(tag => tag.Tag == kind)?.Values.FirstOrDefault(each => each.Key == value).Value is { } counts
            ? In(counts, outcome)
            : 0;

    private static int In(IReadOnlyList<KeyValuePair<string, int>> counts, string name) =>
        counts.FirstOrDefault(count => count.Key == name).Value;

    /// <summary>The count of one stage in a column.</summary>
    /// <param name="Kind">Outcomes come first, then zones, then tags.</param>
    /// <param name="Stage">The stage of the card.</param>
    /// <param name="Heading">The heading of the column.</param>
    /// <param name="Count">The number shown for a unit.</param>
    private sealed record Cell(int Kind, Stage Stage, string Heading, Func<UnitReport, int> Count);
}
