namespace KeepTally.Core.Planning;

/// <summary>
/// A timing sheet: what is done in a practice, in which order and for how long, and with whom and what. A value: every edit
/// makes another. Source: docs/formats.md, section 5.
/// </summary>
public sealed record Plan
{
    /// <summary>The title of the practice; may be empty.</summary>
    public string Title { get; init; } = "";

    /// <summary>The day, or null for a sheet of no day, as a template is.</summary>
    public DateOnly? Date { get; init; }

    /// <summary>When it begins, by the clock on the wall.</summary>
    public required TimeOnly Start { get; init; }

    /// <summary>Where it is; may be empty.</summary>
    public string Place { get; init; } = "";

    /// <summary>How many minutes there are.</summary>
    public required double Minutes { get; init; }

    /// <summary>How many players there are.</summary>
    public required int Players { get; init; }

    /// <summary>How many coaches there are; null where that is not judged.</summary>
    public int? Coaches { get; init; }

    /// <summary>How old the players are, in years; null where that is not known.</summary>
    public int? Age { get; init; }

    /// <summary>How many of each thing there are; null where that is not judged. What is not named is not there.</summary>
    public IReadOnlyDictionary<string, int>? Equipment { get; init; }

    /// <summary>The limits of the sheet.</summary>
    public Caps Caps { get; init; } = Caps.Usual;

    /// <summary>The blocks, in order.</summary>
    public required IReadOnlyList<PlanBlock> Blocks { get; init; }

    /// <summary>Drills to fall back on, by card.</summary>
    public IReadOnlyList<string> Reserve { get; init; } = [];

    /// <summary>The longest block in minutes that goes without a word, or null where nobody minds.</summary>
    public double? LongestDrill => Caps.DrillMinutes ?? Caps.UsualDrillMinutes(Age);

    /// <summary>The longest wait between goes, in seconds, that goes without a word.</summary>
    public double LongestWait => Caps.WaitSeconds ?? Caps.UsualWaitSeconds;
}

/// <summary>The limits of a sheet; null means the default.</summary>
/// <param name="DrillMinutes">The longest drill, in minutes.</param>
/// <param name="WaitSeconds">The longest wait between two goes, in seconds.</param>
/// <param name="GroupSize">The largest group.</param>
public sealed record Caps(double? DrillMinutes, double? WaitSeconds, int? GroupSize)
{
    /// <summary>The wait that goes without a word where nothing else is said.</summary>
    public const double UsualWaitSeconds = 45;

    private const int Young = 10;

    /// <summary>As usual in everything.</summary>
    public static Caps Usual { get; } = new(null, null, null);

    /// <summary>
    /// Minutes a group of an age stays with one thing: five under ten, ten later; null where the age is not known. Common
    /// practice; a coach may say otherwise.
    /// </summary>
    public static double? UsualDrillMinutes(int? age) =>
        age switch
        {
            null => null,
            < Young => 5,
            _ => 10,
        };
}
