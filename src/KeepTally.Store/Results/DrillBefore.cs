using KeepTally.Core.Text;
using KeepTally.Core.Words;

namespace KeepTally.Store.Results;

/// <summary>Reminders for a drill before it is run again: the usual figures of this squad, and the notes.</summary>
/// <param name="Usual">What is usual, in a sentence or two; empty where nobody was tapped.</param>
/// <param name="Notes">What was written down, the latest first.</param>
public sealed record DrillBefore(string Usual, IReadOnlyList<DrillNote> Notes)
{
    /// <param name="sheets">Of one card and one team, the oldest first.</param>
    public static DrillBefore Of(IReadOnlyList<PastSheet> sheets) =>
        new(
            DrillPast.Of(sheets) is [var way, ..] ? Told(way) : "",
            [
                .. sheets
                    .SelectMany(
                        sheet => sheet.Outcome.Notes.Where(note => !note.OfPractice),
                        (sheet, note) => new DrillNote(sheet.Practice.Date, sheet.Outcome.Card.Name, note.Player, note.Text)
                    )
                    .Distinct()
                    .OrderByDescending(note => note.Date),
            ]
        );

    private static string Told(DrillPast way)
    {
        var last = way.Days[^1];
        var run =
            $"Run in {Phrase.Of(way.Days.Count, "practice")}, the last on {last.Practice.Date.ToString("d MMMM", System.Globalization.CultureInfo.InvariantCulture)}.";
        var days = way.Days.Where(day => day.Share.Of > 0).Select(day => day.Share.Value).ToArray();
        if (way.All.Of == 0 || days.Length == 0)
        {
            return run;
        }

        var usual = $"{Phrase.Percent(way.All.Value)} made ({ShareWords.Plain(way.All)})";
        return days.Length == 1
            ? $"{run} {usual}."
            : $"{run} {usual}; in single practices {Phrase.Percent(days.Min())} to {Phrase.Percent(days.Max())}, last time {Phrase.Percent(last.Share.Of > 0 ? last.Share.Value : days[^1])}.";
    }
}

/// <summary>Something written down in a drill of an earlier practice.</summary>
/// <param name="Date">The day of the practice.</param>
/// <param name="Drill">The name of the drill.</param>
/// <param name="Player">Of whom, by name; null of the drill.</param>
/// <param name="Text">The text.</param>
public sealed record DrillNote(DateOnly Date, string Drill, string? Player, string Text);
