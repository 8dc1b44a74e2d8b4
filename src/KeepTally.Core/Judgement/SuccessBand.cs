namespace KeepTally.Core.Judgement;

/// <summary>
/// How often a go should be made for a drill to teach: seldom enough to be work, often enough to be learnt from. The default,
/// a half to four fifths, is common practice; a coach chooses another.
/// </summary>
/// <param name="Low">Below it a drill is too hard.</param>
/// <param name="High">Above it a drill is too easy.</param>
public readonly record struct SuccessBand(double Low, double High)
{
    /// <summary>A half to four fifths.</summary>
    public static SuccessBand Usual { get; } = new(0.5, 0.8);

    /// <summary>Where a share lies. It is told for sure only where chance alone would seldom have brought it out of the band.</summary>
    public Difficulty Judge(Share share) =>
        share.Of == 0 ? Difficulty.Unknown
        : share.Bounds.High < Low ? Difficulty.TooHard
        : share.Bounds.Low > High ? Difficulty.TooEasy
        : share.Value < Low ? Difficulty.PerhapsTooHard
        : share.Value > High ? Difficulty.PerhapsTooEasy
        : Difficulty.Within;
}

/// <summary>How hard a drill is for its players.</summary>
public enum Difficulty
{
    /// <summary>Nobody has had a go.</summary>
    Unknown,

    /// <summary>As hard as it should be.</summary>
    Within,

    /// <summary>Below the band, though chance may have done it.</summary>
    PerhapsTooHard,

    /// <summary>Below the band, and not by chance.</summary>
    TooHard,

    /// <summary>Above the band, though chance may have done it.</summary>
    PerhapsTooEasy,

    /// <summary>Above the band, and not by chance.</summary>
    TooEasy,
}
