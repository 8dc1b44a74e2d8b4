using KeepTally.Core.Faults;

namespace KeepTally.Core.Measures;

/// <summary>The length of one pace of a coach, in metres.</summary>
/// <param name="Metres">From <see cref="Least"/> to <see cref="Most"/>.</param>
public readonly record struct Stride(double Metres)
{
    /// <summary>No pace is shorter, in metres.</summary>
    public const double Least = 0.3;

    /// <summary>No pace is longer, in metres.</summary>
    public const double Most = 1.5;

    /// <summary>The shortest walk that tells a stride, in metres: over less the last half pace weighs too much.</summary>
    public const double ShortestWalk = 5;

    /// <summary>The usual pace until a coach's own is known. Source: common practice.</summary>
    public static Stride Usual { get; } = new(0.75);

    /// <summary>The stride of a coach who walked a known length.</summary>
    /// <param name="metres">How long the way was.</param>
    /// <param name="paces">How many paces it took.</param>
    public static Result<Stride> Walked(double metres, double paces)
    {
        if (!(metres >= ShortestWalk && metres <= 1000))
        {
            return Result.Fail<Stride>(
                new Fault(
                    "length",
                    "that way is too short or too long to tell a stride",
                    "walk 5 to 1,000 metres, a long side of the court is good"
                )
            );
        }

        return paces >= 1 && metres / paces is >= Least and <= Most
            ? Result.Ok(new Stride(metres / paces))
            : Result.Fail<Stride>(
                new Fault(
                    "paces",
                    "nobody's pace is that long or short",
                    $"count again; {Math.Ceiling(metres / Most):0} to {Math.Floor(metres / Least):0} paces are possible over that length"
                )
            );
    }
}
