using KeepTally.Core.Text;

namespace KeepTally.Core.Planning;

/// <summary>How hard and how busy a practice is from beginning to end.</summary>
/// <param name="Spans">Its drills and circuits, in order; what lies between them is no work.</param>
public sealed record PlanCourse(IReadOnlyList<CourseSpan> Spans)
{
    /// <summary>The most drills that are named in a sentence.</summary>
    private const int MostNamed = 2;

    /// <param name="report">The arithmetic of the timing sheet.</param>
    /// <param name="shelf">The cards of the drill book.</param>
    public static PlanCourse Of(PlanReport report, CardShelf shelf) =>
        new([
            .. report
                .Blocks.Where(block => block.Block is not (PlanBlock.Break or PlanBlock.Talk))
                .Select(block => new CourseSpan(
                    shelf.NameOf(block.Block),
                    block.From,
                    block.To,
                    shelf.EffortOf(block.Block),
                    (double?)block.ActiveShare
                )),
        ]);

    /// <summary>"Hardest: Small sides (effort 5). Least busy: Circuit of 4 (67 %)." Empty with fewer than two drills.</summary>
    public string Told
    {
        get
        {
            if (Spans.Count < 2)
            {
                return "";
            }

            var said = new List<string>();
            if (Spans.Max(span => span.Effort) is { } effort)
            {
                var hardest = Spans.Where(span => span.Effort == effort).Select(span => span.Name).Distinct().ToArray();
                said.Add(
                    Spans.All(span => span.Effort == effort) ? $"Every drill has effort {effort}."
                    : hardest.Length <= MostNamed ? $"Hardest: {Phrase.List(hardest)} (effort {effort})."
                    : $"Hardest: {Phrase.Of(hardest.Length, "drill")} of effort {effort}."
                );
            }

            if (Spans.Min(span => span.Busy) is { } busy)
            {
                var least = Spans.Where(span => span.Busy.Equals(busy)).Select(span => span.Name).Distinct().ToArray();
                var percent = Phrase.Percent(busy);
                said.Add(
                    Spans.All(span => span.Busy.Equals(busy)) ? $"Players are {percent} busy in every drill."
                    : least.Length <= MostNamed ? $"Least busy: {Phrase.List(least)} ({percent})."
                    : $"Least busy: {Phrase.Of(least.Length, "drill")} with {percent}."
                );
            }

            return string.Join(" ", said);
        }
    }
}

/// <summary>A drill or circuit of a <see cref="PlanCourse"/>.</summary>
/// <param name="Name">Its name.</param>
/// <param name="From">When it begins, in seconds from the start of practice.</param>
/// <param name="To">When it is over.</param>
/// <param name="Effort">From 1 to 5; null where its card is not known.</param>
/// <param name="Busy">The share of players who are doing something, from 0 to 1; null where it is not known.</param>
public sealed record CourseSpan(string Name, double From, double To, int? Effort, double? Busy);
