using KeepTally.Core.Time;

namespace KeepTally.Core.Scoring;

/// <summary>The games of a sheet that are over because another was begun on it.</summary>
internal sealed class GameLog
{
    private readonly List<ScoreReport> _over;

    internal GameLog() => _over = [];

    private GameLog(GameLog other) =>
        (_over, EndsChanged, LastOver, FirstBegan, Rounds) = (
            [.. other._over],
            other.EndsChanged,
            other.LastOver,
            other.FirstBegan,
            other.Rounds
        );

    internal GameLog Copy() => new(this);

    /// <summary>How each ended, the first one first.</summary>
    internal IReadOnlyList<ScoreReport> Over => _over;

    /// <summary>The sides have the ends that they did not begin with.</summary>
    internal bool EndsChanged { get; private set; }

    /// <summary>The clock time at which the last of them ended.</summary>
    internal ClockTime LastOver { get; private set; }

    /// <summary>How many rounds their clocks had, all games together.</summary>
    internal int Rounds { get; private set; }

    /// <summary>When the first one was started.</summary>
    internal Instant? FirstBegan { get; private set; }

    internal void Begin(Instant at) => FirstBegan ??= at;

    /// <param name="game">The game as it ended.</param>
    /// <param name="clock">What its clock read when it was over.</param>
    /// <param name="rounds">How many rounds its clock had.</param>
    /// <param name="changeEnds">True where the sides change ends.</param>
    internal void End(ScoreReport game, ClockTime clock, int rounds, bool changeEnds)
    {
        _over.Add(game);
        Rounds += rounds;
        LastOver = clock;
        EndsChanged ^= changeEnds;
    }
}
