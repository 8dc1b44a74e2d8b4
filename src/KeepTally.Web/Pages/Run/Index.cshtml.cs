using System.Text.Json;
using KeepTally.Core.Sheets;
using KeepTally.Store.Practices;
using KeepTally.Store.Tables;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Run;

/// <summary>The run screen: laid out once here; the values come from the core in the browser.</summary>
[ResponseCache(NoStore = true)]
public sealed class IndexModel(PracticeBook book, LiveRecord record) : PageModel
{
    /// <summary>Up to so many lines of the pad stand on a phone together; with more, a group at a time is shown.</summary>
    private const int MostRowsTogether = 4;

    private static readonly JsonSerializerOptions Camel = new(JsonSerializerDefaults.Web);

    public required Practice Practice { get; set; }

    public IReadOnlyList<DrillPad> Drills { get; private set; } = [];

    /// <summary>The practice for the core in the browser, as JSON.</summary>
    public string PracticeJson { get; private set; } = "";

    public long Origin { get; private set; }

    /// <summary>The last event that stands in <see cref="PracticeJson"/>; listening goes on from there.</summary>
    public long LastSequence { get; private set; }

    public async Task<IActionResult> OnGetAsync(int id, CancellationToken stop)
    {
        if (await book.FindAsync(id, stop) is not { } practice)
        {
            return NotFound();
        }

        var runs = await record.OfAsync(id, stop);
        if (runs.Count == 0)
        {
            return RedirectToPage("/Index");
        }

        Practice = practice;
        Origin = runs[0].Run.Origin;
        LastSequence = runs.SelectMany(run => run.Sheets)
            .SelectMany(sheet => sheet.Events)
            .Select(said => said.Sequence)
            .DefaultIfEmpty()
            .Max();
        Drills = [.. runs.Select((run, index) => PadOf(practice, run, index))];
        PracticeJson = JsonSerializer.Serialize(
            new
            {
                Runs = runs.Select(run => new
                {
                    practice.Blocks.First(block => block.Id == run.Run.BlockId).CardVersion!.Name,
                    Card = run.Run.CardJson,
                    Sheets = run.Sheets.Select(sheet => new
                    {
                        sheet.Row.Id,
                        sheet.Row.Name,
                        Head = sheet.Row.HeadJson,
                        Events = sheet.Events.Select(said => said.Line),
                    }),
                }),
            },
            Camel
        );
        return Page();
    }

    private static DrillPad PadOf(Practice practice, RecordedRun recorded, int index)
    {
        var sheets = recorded.Sheets.Select(sheet => (sheet.Row, Live: sheet.Fold(recorded.Run.CardJson))).ToArray();
        var pads = sheets
            .Select(
                (sheet, order) =>
                    new SheetPad(
                        order,
                        sheet.Row.Id,
                        sheet.Row.Name,
                        ScoringSlots.Count(sheet.Live.Stage, sheet.Live.Head.Units.Count),
                        sheet.Live.Stage.Places.Count == 0 ? 0 : sheet.Live.Head.Units.Sum(unit => unit.People.Count()),
                        [
                            .. sheet.Live.Head.Units.Select(unit =>
                                string.Join(", ", unit.Players.Select(player => player.Name.Split(' ')[0]))
                            ),
                        ]
                    )
            )
            .ToArray();
        var block = practice.Blocks.First(each => each.Id == recorded.Run.BlockId);
        return new DrillPad(
            index,
            block.CardVersion!.Name,
            block.Minutes,
            sheets[0].Live.Stage,
            sheets[0].Live.Card.Cautions,
            pads,
            pads.Length > 1 && pads.Sum(pad => pad.Rows) > MostRowsTogether
        );
    }
}

/// <summary>The pad of one drill.</summary>
/// <param name="ByGroup">A phone shows one group at a time.</param>
public sealed record DrillPad(
    int Index,
    string Name,
    double Minutes,
    Core.Cards.Stage Stage,
    IReadOnlyList<Core.Cards.Caution> Cautions,
    IReadOnlyList<SheetPad> Sheets,
    bool ByGroup
)
{
    public bool IsMatch => Stage.Play == Core.Cards.Play.Match;
}

/// <param name="Rows">How many units can be tapped at a time.</param>
/// <param name="People">How many people stand at places; 0 where the drill has none.</param>
/// <param name="Members">For each unit, its players' first names.</param>
public sealed record SheetPad(int Order, string Id, string Name, int Rows, int People, IReadOnlyList<string> Members);
