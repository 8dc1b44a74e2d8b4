using System.Text.Json;
using KeepTally.Store.Practices;
using KeepTally.Store.Tables;

namespace KeepTally.Web.Pages.Run;

/// <summary>A practice as the core in the browser opens it: every run with its card, its sheets and their events.</summary>
internal static class PracticeText
{
    private static readonly JsonSerializerOptions Camel = new(JsonSerializerDefaults.Web);

    internal static string Of(Practice practice, IReadOnlyList<StoredRun> runs) =>
        JsonSerializer.Serialize(
            new
            {
                Runs = runs.Select(run => new
                {
                    Name = practice.Blocks.First(block => block.Id == run.Run.BlockId).Title,
                    practice.Blocks.First(block => block.Id == run.Run.BlockId).Minutes,
                    Card = run.Run.CardJson,
                    Sheets = run.Sheets.Select(sheet => new
                    {
                        sheet.Row.Id,
                        sheet.Row.Name,
                        Head = sheet.Row.HeadJson,
                        Events = sheet.Events.Select(row => row.Line),
                        Card = sheet.Row.CardJson,
                        sheet.Row.Stop,
                    }),
                }),
            },
            Camel
        );

    /// <summary>The last event that stands in the text; listening goes on from there.</summary>
    internal static long LastSequence(IReadOnlyList<StoredRun> runs) =>
        runs.SelectMany(run => run.Sheets).SelectMany(sheet => sheet.Events).Select(row => row.Sequence).DefaultIfEmpty().Max();
}
