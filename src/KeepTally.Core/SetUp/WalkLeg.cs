using KeepTally.Core.Measures;

namespace KeepTally.Core.SetUp;

/// <summary>The way to one thing that is put down, from a spot that is known already.</summary>
/// <param name="From">Where it begins.</param>
/// <param name="Place">What is put down at its end.</param>
/// <param name="Stretches">One or two straight pieces; none where it goes down on the very spot.</param>
public sealed record WalkLeg(Spot From, ToPlace Place, IReadOnlyList<Stretch> Stretches)
{
    /// <summary>How long it is, in metres.</summary>
    public double Metres => Stretches.Sum(stretch => stretch.Metres);
}

/// <summary>A straight piece of a walk.</summary>
/// <param name="Turn">How one turns before it.</param>
/// <param name="Facing">Where one then looks.</param>
/// <param name="Metres">How far one goes.</param>
public readonly record struct Stretch(Turn Turn, Facing Facing, double Metres)
{
    /// <summary>Where one is after it.</summary>
    public Spot End(Spot from) =>
        Facing switch
        {
            Facing.RightEnd => from.Plus(Metres, 0),
            Facing.FarSide => from.Plus(0, Metres),
            Facing.LeftEnd => from.Plus(-Metres, 0),
            Facing.NearSide => from.Plus(0, -Metres),
            _ => throw new InvalidOperationException("A side nobody knows."),
        };
}

/// <summary>A turn on the spot.</summary>
public enum Turn
{
    /// <summary>None: straight on.</summary>
    On,

    /// <summary>A quarter to the left.</summary>
    Left,

    /// <summary>A quarter to the right.</summary>
    Right,

    /// <summary>Half round.</summary>
    About,
}

/// <summary>Where one looks, as the picture lies; each is a quarter to the left of the one before.</summary>
public enum Facing
{
    /// <summary>Toward the right end.</summary>
    RightEnd,

    /// <summary>Toward the far side.</summary>
    FarSide,

    /// <summary>Toward the left end.</summary>
    LeftEnd,

    /// <summary>Toward the near side.</summary>
    NearSide,
}
