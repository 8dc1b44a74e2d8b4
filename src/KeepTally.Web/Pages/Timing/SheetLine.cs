using System.Globalization;
using KeepTally.Core.Cards;
using KeepTally.Core.Planning;
using KeepTally.Core.Text;
using KeepTally.Core.Time;

namespace KeepTally.Web.Pages.Timing;

/// <summary>One line of a timing sheet as it is shown.</summary>
/// <param name="Report">The report of the block.</param>
/// <param name="Name">The name of the line.</param>
/// <param name="At">The time it begins.</param>
/// <param name="Until">The time it is over.</param>
/// <param name="Effort">The effort, 1 to 5; null where it is no work.</param>
/// <param name="Warnings">What does not fit in it, each with what fixes it.</param>
/// <param name="Busier">What would keep more players busy; null where nothing would.</param>
/// <param name="HasBegun">It was started, and stands as it is.</param>
public sealed record SheetLine(
    BlockReport Report,
    string Name,
    TimeOnly At,
    TimeOnly Until,
    int? Effort,
    IReadOnlyList<SheetWarning> Warnings,
    BusyChange? Busier,
    bool HasBegun
)
{
    public PlanBlock Block => Report.Block;

    public int Key => Block.Key ?? 0;

    public bool IsPause => Block is PlanBlock.Break or PlanBlock.Talk;

    /// <summary>Minutes as the coach sets them: of the line, at a circuit of each station.</summary>
    public string Minutes => PlanEdits.MinutesOf(Block).ToString("0.#", CultureInfo.InvariantCulture);

    public int Groups => PlanEdits.GroupsOf(Block);

    /// <summary>How players fall into groups: "4 groups of 3", "2 of 4 and 2 of 3", "all 12 together".</summary>
    public string GroupWords
    {
        get
        {
            var sizes = Report.GroupSizes.GroupBy(size => size).OrderByDescending(size => size.Key).ToArray();
            return sizes.Length == 0 ? ""
                : Report.GroupSizes.Count == 1 ? $"all {Report.GroupSizes[0]} together"
                : sizes.Length == 1 ? $"{Report.GroupSizes.Count} groups of {sizes[0].Key}"
                : Phrase.List([.. sizes.Select(size => $"{size.Count()} of {size.Key}")]);
        }
    }

    /// <summary>The numbers on each side its card can be played with; empty where it is played in one way only.</summary>
    public IReadOnlyList<int> VersusNumbers { get; init; } = [];

    /// <summary>How many units are on the largest sheet: players where they score, else groups.</summary>
    private int UnitsOf(Stage stage) => stage.Scores == Scorer.Player ? Report.GroupSizes.DefaultIfEmpty(0).Max() : Groups;

    /// <summary>The share of players busy, from 0 to 1; null where nothing is done.</summary>
    public double? Busy => (double?)Report.ActiveShare;

    /// <summary>How long a player stands and how many goes each one gets, in words.</summary>
    public string Goes =>
        Report.Drills is [{ Activity: { } busy }]
            ? $"{Wait(busy)}, {Figure(busy.GoesEach)} {(busy.GoesEach == 1 ? "go" : "goes")} each"
            : "";

    /// <summary>At a circuit, the same of every station.</summary>
    public IReadOnlyList<(string Name, string Words)> Stations =>
        Block is PlanBlock.Circuit
            ?
            [
                .. Report.Drills.Select(drill =>
                    (
                        drill.Card?.Name ?? drill.Id,
                        drill.Activity is { } busy ? $"{Wait(busy)}, {Figure(busy.GoesEach)} goes each" : "not in the book"
                    )
                ),
            ]
            : [];

    /// <summary>Whether the clock of a drill's card and its minutes go together, in words.</summary>
    public BlockClock Clock =>
        Block is PlanBlock.Drill drill
        && Report.Drills is [{ Card: { } card }]
        && card.Stages[Math.Min(drill.Stage ?? 0, card.Stages.Count - 1)] is var stage
            ? BlockClock.Of(stage, UnitsOf(stage), drill.Minutes, drill.FitsClock)
            : BlockClock.Of(null, 0, 0, false);

    private static string Wait(Activity busy) =>
        busy.BetweenGoes == 0
            ? "no waiting"
            : $"{Phrase.Span(Duration.FromSeconds((int)Math.Round(busy.BetweenGoes)))} between goes";

    private static string Figure(decimal goes) => Math.Round(goes, 1).ToString("0.#", CultureInfo.InvariantCulture);
}

/// <summary>Something that does not fit, with what fixes it.</summary>
public sealed record SheetWarning(PlanWarning Warning, IReadOnlyList<Fix> Fixes);
