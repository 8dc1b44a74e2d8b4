namespace KeepTally.Store.Book;

/// <summary>Practices that are ready to be run, made of shipped cards: for a coach who has prepared nothing.</summary>
public static class ReadyPractices
{
    /// <summary>Every one, by sport; those for any sport last.</summary>
    public static IReadOnlyList<ReadyPractice> All { get; } =
    [
        new(
            "handball-shooting",
            "handball",
            "Shooting under pressure",
            [("habit-pairs", 5), ("minute-trios", 4), ("three-gates", 6.5), ("win-it-score-it", 8.5)]
        ),
        new(
            "handball-passing",
            "handball",
            "Passing and moving",
            [("habit-pairs", 5), ("round-and-back", 6), ("circle-and-go", 6), ("three-a-side", 10)]
        ),
        new(
            "hockey-skills",
            "field hockey",
            "Sticks and small games",
            [("shuttle-relay", 5), ("square-thief", 6), ("ten-straight", 6), ("touch-lines", 10)]
        ),
        new(
            "floorball-skills",
            "floorball",
            "Keep it and finish it",
            [("shuttle-relay", 5), ("square-thief", 6), ("ten-straight", 6), ("stay-on", 10)]
        ),
        new(
            "netball-shooting",
            "netball",
            "Ten and again",
            [("habit-pairs", 5), ("two-rings", 6), ("ten-at-five", 6), ("climb-the-net", 8)]
        ),
        new("ultimate-throws", "ultimate", "Long and short", [("habit-pairs", 5), ("long-throw", 8), ("round-and-back", 6)]),
        new(
            "badminton-serves",
            "badminton",
            "Serve and keep it up",
            [("shuttle-relay", 5), ("serve-squares", 8), ("keep-it-up", 6)]
        ),
        new(
            "any-basics",
            "any sport",
            "Moving and habits",
            [("habit-pairs", 6), ("warm-hands", 5), ("shuttle-relay", 6), ("sprint-gates", 6)]
        ),
    ];

    /// <summary>Every one by sport for a team: its own sport first, then those for any sport, then the others.</summary>
    /// <param name="sport">The sport of the team; empty for none, and then in the order they are listed.</param>
    public static IEnumerable<IGrouping<string, ReadyPractice>> For(string sport) =>
        All.GroupBy(each => each.Sport).OrderBy(group => BookFilter.Rank([group.Key], sport));
}

/// <summary>A practice that is ready to be run.</summary>
/// <param name="Id">The id of the ready practice.</param>
/// <param name="Sport">The sport it is for.</param>
/// <param name="Title">The title.</param>
/// <param name="Drills">Each card with its minutes.</param>
public sealed record ReadyPractice(string Id, string Sport, string Title, IReadOnlyList<(string Card, double Minutes)> Drills)
{
    /// <summary>Minutes of work, without the walks between.</summary>
    public double Minutes => Drills.Sum(drill => drill.Minutes);
}
