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
    /// Seconds practice is behind its sheet at a moment: what comes next should have begun so long ago. Nought where it does not
    /// run, is in time, or is over. A practice begun more than an hour off its time is held against when it began.
    /// </summary>
    public double BehindAt(DateTimeOffset now, TimeZoneInfo zone)
    {
        if (
            Practice.Blocks.Select(block => block.Run).OfType<Run>().FirstOrDefault() is not { } run
            || FirstOpen >= Plan.Blocks.Count
        )
        {
            return 0;
        }

        var wall = Practice.Date.ToDateTime(Practice.Start);
        var planned = new DateTimeOffset(wall, zone.GetUtcOffset(wall));
        var began = DateTimeOffset.FromUnixTimeMilliseconds(run.Origin.UnixMilliseconds);
        var from = Math.Abs((began - planned).TotalHours) > 1 ? began : planned;
        var due = from.AddSeconds(PlanReport.Of(Plan, Shelf).Blocks[FirstOpen].ChangeFrom);
        return Math.Max(0, Math.Floor((now - due).TotalSeconds));
    }

    /// <summary>Drills that may be put in, those that fit the squad and its sport best first: not done for longest.</summary>
    public IReadOnlyList<string> Spares { get; init; } = [];
}
