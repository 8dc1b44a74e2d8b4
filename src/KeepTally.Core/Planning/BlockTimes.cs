namespace KeepTally.Core.Planning;

/// <summary>A block as far as its time goes. Source: docs/formats.md, section 5.</summary>
/// <param name="Minutes">How long the block itself takes.</param>
/// <param name="ChangeSeconds">What comes before it: walking, setting up.</param>
public readonly record struct BlockSpan(double Minutes, double ChangeSeconds);

/// <summary>When a block begins and ends, in seconds from the start of the practice.</summary>
/// <param name="ChangeFrom">When the change-over before it begins.</param>
public readonly record struct BlockTime(double ChangeFrom, double Start, double End);

/// <summary>The arithmetic of a timing sheet.</summary>
public static class BlockTimes
{
    /// <summary>When each block begins and ends, one after the other.</summary>
    public static IReadOnlyList<BlockTime> Of(IReadOnlyList<BlockSpan> blocks)
    {
        var at = 0.0;
        var times = new BlockTime[blocks.Count];
        for (var i = 0; i < blocks.Count; i++)
        {
            var start = at + blocks[i].ChangeSeconds;
            times[i] = new BlockTime(at, start, start + (blocks[i].Minutes * 60));
            at = times[i].End;
        }

        return times;
    }

    /// <summary>How much of the practice is left over, in seconds; below nought where it does not fit.</summary>
    public static double Slack(IReadOnlyList<BlockTime> times, double practiceMinutes) =>
        (practiceMinutes * 60) - (times.Count == 0 ? 0 : times[^1].End);
}
