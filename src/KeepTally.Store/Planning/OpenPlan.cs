using KeepTally.Core.Faults;
using KeepTally.Core.Planning;
using KeepTally.Store.Book;
using KeepTally.Store.Tables;

namespace KeepTally.Store.Planning;

/// <summary>The timing sheet of a practice, open to be read and edited.</summary>
/// <param name="Practice">The practice as it is stored.</param>
/// <param name="Plan">The same as a sheet; the key of a line is the id of its block.</param>
/// <param name="Shelf">The cards of its lines, and of the whole book.</param>
/// <param name="Book">The drills of the book, by name.</param>
/// <param name="Begun">Blocks that were started, or ended, while the practice runs: they stand as they are.</param>
public sealed record OpenPlan(Practice Practice, Plan Plan, CardShelf Shelf, IReadOnlyList<BookEntry> Book, IReadOnlySet<int> Begun)
{
    /// <summary>The practice has been started: what is changed is dealt out at once.</summary>
    public bool IsRunning => Practice.Blocks.Exists(block => block.Run is not null);

    /// <summary>The first line that can still be changed.</summary>
    public int FirstOpen =>
        Plan.Blocks.Index().Where(each => Begun.Contains(each.Item.Key ?? 0)).Select(each => each.Index + 1).LastOrDefault();

    /// <summary>The line with a key, or null where it is no more.</summary>
    public int? IndexOf(int key) =>
        Plan.Blocks.Index().Where(each => each.Item.Key == key).Select(each => (int?)each.Index).FirstOrDefault();

    /// <summary>
    /// Returns the sheet with a warning put right the way a coach chose; a fault where the warning, or that way, is no more.
    /// </summary>
    /// <param name="code">The code of the warning.</param>
    /// <param name="key">The line the warning is about; null for the whole sheet.</param>
    /// <param name="station">The position of the station, from 0; null for a line that is no circuit.</param>
    /// <param name="item">The piece of equipment; null where the warning names none.</param>
    /// <param name="label">The label of the fix.</param>
    public Result<Plan> Mended(WarningCode code, int? key, int? station, string? item, string label)
    {
        var index = key is { } line ? IndexOf(line) : null;
        var warning = PlanReport
            .Of(Plan, Shelf)
            .Warnings.FirstOrDefault(each =>
                each.Code == code && each.Block == index && each.Station == station && (item ?? "") == (each.Item ?? "")
            );
        var fix = warning is null
            ? null
            : new PlanFixes(Plan, Shelf, Spares).For(warning).FirstOrDefault(each => each.Label == label);
        return fix is null
            ? Result.Fail<Plan>(
                new Fault("sheet", "the sheet has changed meanwhile, and that is no longer offered", "look at it again")
            )
            : Result.Ok(fix.After);
    }

    /// <summary>The practice was held on an earlier day: its sheet stands as it was.</summary>
    public bool IsPast(DateOnly today) => IsRunning && Practice.Date < today;

    /// <summary>
    /// Seconds into its sheet a practice that runs is at a moment; null where it does not run. One begun more than an hour off its
    /// time is held against when it began.
    /// </summary>
    public double? ElapsedAt(DateTimeOffset now, TimeZoneInfo zone)
    {
        if (Practice.Blocks.Select(block => block.Run).OfType<Run>().FirstOrDefault() is not { } run)
        {
            return null;
        }

        return (now - SheetTimes.BeginOf(Practice, run.Origin, zone)).TotalSeconds;
    }

    /// <summary>
    /// Seconds practice is behind its sheet at a moment: what comes next should have begun so long ago. Nought where it does not
    /// run, is in time, or has nothing left.
    /// </summary>
    public double BehindAt(DateTimeOffset now, TimeZoneInfo zone) =>
        FirstOpen < Plan.Blocks.Count && ElapsedAt(now, zone) is { } elapsed
            ? Math.Max(0, Math.Floor(elapsed - PlanReport.Of(Plan, Shelf).Blocks[FirstOpen].ChangeFrom))
            : 0;

    /// <summary>The squad of its team.</summary>
    internal IReadOnlyList<Player> Squad { get; init; } = [];

    /// <summary>The equipment of the club.</summary>
    internal IReadOnlyList<Gear> Gear { get; init; } = [];

    /// <summary>The sport of its team; empty where it has none.</summary>
    public string Sport { get; init; } = "";

    /// <summary>Drills that may be put in, those that fit the squad and its sport best first: not done for longest.</summary>
    public IReadOnlyList<string> Spares { get; init; } = [];
}
