namespace KeepTally.Web.Pages.Drills.Editing;

/// <summary>The words of every closed choice of a card, the usual one first.</summary>
public static class Picks
{
    public static IReadOnlyList<(string Value, string Words)> Of(string name) =>
        name switch
        {
            "scores" => [("player", "each player"), ("group", "each group"), ("side", "sides"), ("none", "nobody")],
            "play" => [("together", "all at once"), ("turns", "one at a time, in turn"), ("match", "against each other")],
            "result" => [("neutral", "neither"), ("success", "a make"), ("failure", "a miss")],
            "by" => [("", "whoever is tapped"), ("ball", "the side with the ball"), ("offBall", "the side without it")],
            "ending" =>
            [
                ("points", "points"),
                ("attempts", "goes"),
                ("successes", "makes"),
                ("streak", "in a row"),
                ("outs", "outs"),
                ("taps", "taps"),
                ("seconds", "seconds"),
            ],
            "after" => [("cut", "counting stops at the horn"), ("finish", "the play under way counts")],
            "pass" => [("window", "so many of so many"), ("makes", "so many in all"), ("streak", "so many in a row")],
            "stop" =>
            [
                ("none", "after all of it"),
                ("fail", "as soon as it is lost"),
                ("pass", "as soon as it is won"),
                ("both", "as soon as it is won or lost"),
            ],
            "fail" =>
            [
                ("retry", "the same step again"),
                ("back", "one step back"),
                ("first", "back to the first"),
                ("out", "an out"),
            ],
            "breach" => [("void", "does not count"), ("failure", "counts as a miss")],
            "miss" => [("zero", "sets the run back to nought"), ("hold", "leaves the run as it is")],
            "better" => [("high", "the most"), ("low", "the least")],
            "measure" =>
            [
                ("points", "points"),
                ("successes", "makes"),
                ("attempts", "goes"),
                ("accuracy", "share made"),
                ("bestStreak", "longest run"),
                ("cleared", "steps cleared"),
                ("seconds", "time"),
                ("outs", "outs"),
                ("place", "order of leaving"),
                ("readingBest", "best reading"),
                ("readingMean", "average reading"),
                ("late", "late taps"),
                ("voids", "that did not count"),
            ],
            "reading" => [("", "none"), ("s", "seconds, with a watch"), ("m", "metres"), ("throws", "throws"), ("km/h", "km/h")],
            "kind" => [("spot", "a spot"), ("line", "a line")],
            "who" =>
            [
                ("all", "everyone"),
                ("first", "the first"),
                ("winner", "the winner"),
                ("loser", "the loser"),
                ("actor", "whoever was tapped"),
            ],
            "on" =>
            [
                ("round", "rounds"),
                ("turn", "turns"),
                ("tap", "taps"),
                ("success", "makes"),
                ("failure", "misses"),
                ("attempts", "goes"),
                ("manual", "the coach's word"),
            ],
            "per" => [("drill", "in all"), ("group", "for each group"), ("player", "for each player")],
            "effort" => [("1", "1, calm"), ("2", "2, easy"), ("3", "3, steady"), ("4", "4, hard"), ("5", "5, flat out")],
            "load" => [("attempt", "every go"), ("tap", "every tap")],
            _ => [],
        };

    /// <summary>What an outcome can do, in the order of the format.</summary>
    public static IReadOnlyList<(string Value, string Words)> Effects { get; } =
    [
        ("reset", "own points to nought"),
        ("win", "wins at once"),
        ("lose", "loses at once"),
        ("turnOver", "the ball changes hands"),
        ("next", "the turn passes"),
        ("leave", "leaves with the next place"),
        ("out", "is an out"),
    ];
}
