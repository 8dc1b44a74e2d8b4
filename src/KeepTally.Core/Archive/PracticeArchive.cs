using KeepTally.Core.Cards;
using KeepTally.Core.Circuits;
using KeepTally.Core.Events;
using KeepTally.Core.Formats;
using KeepTally.Core.Live;
using KeepTally.Core.Reports;
using KeepTally.Core.Time;

namespace KeepTally.Core.Archive;

/// <summary>
/// A practice that was run, whole: its timing sheet, the cards as they were, and every log. Whatever is told of it can be worked
/// out from it again. Source: docs/formats.md, section 9, <c>keep-tally/practice@1</c>.
/// </summary>
/// <param name="Title">The title.</param>
/// <param name="Team">The name of the team.</param>
/// <param name="Date">The day of the practice.</param>
/// <param name="Start">When it was to begin.</param>
/// <param name="Origin">From when the times of its logs are counted.</param>
/// <param name="Blocks">The blocks, in order.</param>
public sealed record PracticeArchive(
    string Title,
    string Team,
    DateOnly Date,
    TimeOnly Start,
    RunOrigin Origin,
    IReadOnlyList<ArchivedBlock> Blocks
)
{
    /// <summary>How everything ended, folded from its logs.</summary>
    public IReadOnlyList<KeptRun> Kept() => [.. Blocks.Select((block, index) => block.Kept(index + 1))];
}

/// <summary>A line of the timing sheet that was run.</summary>
/// <param name="Minutes">What the timing sheet gave it; 0 where it did not say.</param>
/// <param name="ChangeSeconds">What it gave to change over before it.</param>
/// <param name="CardJson">The card as it was; of a circuit its clock, of a break its own.</param>
/// <param name="Sheets">The sheets, in order.</param>
public sealed record ArchivedBlock(double Minutes, int ChangeSeconds, string CardJson, IReadOnlyList<ArchivedSheet> Sheets)
{
    internal KeptRun Kept(int id) =>
        new(
            id,
            [.. Sheets.Select(sheet => new KeptSheet("", sheet.Name, sheet.Stop, ScoredSheet.Of(sheet.Fold(CardJson))))],
            Minutes > 0 ? Duration.FromMinutes(Minutes) : null
        );
}

/// <summary>A sheet of it with its whole log.</summary>
/// <param name="Name">The name of the group or court; at a station the drill; empty where there was only one.</param>
/// <param name="CardJson">At a station of a circuit the station's own card; else null.</param>
/// <param name="Stop">In a circuit, where on the way round.</param>
/// <param name="Head">The head of the log: drill, stage, rules and units.</param>
/// <param name="Events">The events, in order.</param>
public sealed record ArchivedSheet(string Name, string? CardJson, CircuitStop? Stop, LogHead Head, IReadOnlyList<RunEvent> Events)
{
    /// <summary>The card it was kept by.</summary>
    /// <param name="ofBlock">The card of its block.</param>
    public DrillCard Card(string ofBlock) => CardReader.Read(CardJson ?? ofBlock, Head.Options).Require();

    /// <summary>The sheet folded from its log.</summary>
    /// <param name="ofBlock">The card of its block.</param>
    public Sheet Fold(string ofBlock)
    {
        var live = Sheet.Open(Card(ofBlock), Head).Require();
        live.AddAll([.. Events]);
        return live;
    }
}
