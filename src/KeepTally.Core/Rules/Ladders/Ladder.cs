namespace KeepTally.Core.Rules.Ladders;

/// <summary>Steps that each unit climbs on its own. Source: docs/formats.md, section 1, "Ladder".</summary>
public sealed record Ladder(Rungs Rungs, int Laps, Pass Pass, WindowShort Fail);

/// <summary>The steps: named ones, or a distance that grows.</summary>
public abstract record Rungs
{
    private Rungs() { }

    /// <summary>How many rungs one lap has; null where it never ends.</summary>
    public abstract int? Count { get; }

    public sealed record Named(IReadOnlyList<string> Names) : Rungs
    {
        public override int? Count => Names.Count;
    }

    /// <summary>Distances <c>start, start + step …</c> in <paramref name="Unit"/>.</summary>
    public sealed record Distances(double Start, double Step, string Unit, int? Limit) : Rungs
    {
        public override int? Count => Limit;

        public double At(int rung) => Start + (Step * rung);
    }
}

/// <summary>What clears a rung.</summary>
public abstract record Pass
{
    private Pass() { }

    /// <summary><paramref name="Successes"/> in a window of <paramref name="Of"/> attempts.</summary>
    public sealed record Window(int Successes, int Of, WindowStop Stop) : Pass;

    /// <summary>So many in all, however many attempts.</summary>
    public sealed record Makes(int Successes) : Pass;

    /// <summary>So many in a row.</summary>
    public sealed record InARow(int Streak) : Pass;
}

/// <summary>When a window closes before its last attempt.</summary>
[Flags]
public enum WindowStop
{
    None = 0,

    /// <summary>As soon as it cannot be passed any more.</summary>
    Fail = 1,

    /// <summary>As soon as it is passed.</summary>
    Pass = 2,
    Both = Fail | Pass,
}

/// <summary>What happens to a unit whose window closes short.</summary>
public enum WindowShort
{
    Retry,
    Back,
    First,
    Out,
}
