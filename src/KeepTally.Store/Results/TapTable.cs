using KeepTally.Core.Archive;
using KeepTally.Core.Reports;
using KeepTally.Core.Text;
using KeepTally.Store.Files;

namespace KeepTally.Store.Results;

/// <summary>Every tap of practices as a table, those that were undone too.</summary>
public static class TapTable
{
    private static readonly string[] Head =
    [
        "Date",
        "Drill",
        "Part",
        "Group",
        "Game",
        "Time",
        "Name",
        "Outcome",
        "Zone",
        "Tags",
        "Number read",
        "Stands",
    ];

    /// <param name="practices">The practices with their logs, in order.</param>
    public static SheetTable Of(IEnumerable<PracticeArchive> practices) =>
        new(
            "Taps",
            Head,
            [
                .. practices.SelectMany(practice =>
                    practice.Blocks.SelectMany(block =>
                        block.Sheets.SelectMany(sheet => RowsOf(practice.Date, sheet, sheet.Fold(block.CardJson)))
                    )
                ),
            ]
        );

    private static IEnumerable<IReadOnlyList<object?>> RowsOf(DateOnly date, ArchivedSheet sheet, Core.Live.Sheet live)
    {
        foreach (var (tap, game, at, stands) in TimedTap.Of(live))
        {
            yield return
            [
                date.ToDateTime(TimeOnly.MinValue),
                live.Card.Name,
                live.Stage.Name,
                sheet.Name,
                game + 1,
                Phrase.Clock(at.SinceStart),
                tap.Unit is { } unit ? live.Head.NameOf(unit) : "",
                live.Stage.Outcomes.FirstOrDefault(outcome => outcome.Id == tap.Outcome)?.Label ?? "",
                tap.Zone is { } zone ? Phrase.Words(zone) : "",
                string.Join("; ", (tap.Tags ?? new Dictionary<string, string>()).Select(tag => $"{tag.Key}: {tag.Value}")),
                tap.Value,
                stands ? "yes" : "undone",
            ];
        }
    }
}
