using KeepTally.Core.Courts;
using KeepTally.Core.Measures;

namespace KeepTally.Core.Layout;

/// <summary>The floor a drill is laid out on, as it is written: a court or a part of one, or any rectangle.</summary>
/// <param name="Court">The court, or null for a plain rectangle.</param>
/// <param name="Part">How much of the court.</param>
/// <param name="Length">The length of the rectangle, or of the whole court where the rule book leaves a choice.</param>
/// <param name="Width">The same of the width.</param>
public sealed record Ground(Court? Court, CourtPart Part, Measure? Length, Measure? Width)
{
    /// <summary>The default size of a floor, in metres.</summary>
    public const double UsualLength = 20;

    /// <summary>The default size of a floor, in metres.</summary>
    public const double UsualWidth = 10;

    /// <summary>A plain rectangle, in metres.</summary>
    public static Ground Plain(double length, double width) =>
        new(null, CourtPart.Whole, Measure.OfMetres(length), Measure.OfMetres(width));

    /// <summary>The floor in metres, by a coach's stride.</summary>
    public Surface By(Stride stride)
    {
        if (Court is null)
        {
            var (length, width) = (Length?.Metres(stride) ?? UsualLength, Width?.Metres(stride) ?? UsualWidth);
            return new Surface("", "", length, width, [], [new Landmark("the near left corner of your space", new Spot(0, 0))]);
        }

        var (whole, across) = (Length?.Metres(stride) ?? Court.Length.Usual, Width?.Metres(stride) ?? Court.Width.Usual);
        var taken = Part switch
        {
            CourtPart.Whole => whole,
            CourtPart.Half => whole / 2,
            CourtPart.Third => whole / 3,
            _ => throw new InvalidOperationException("A part nobody knows."),
        };
        return new Surface(
            Court.Name,
            Court.Source,
            taken,
            across,
            [.. Court.Paint(whole, across)],
            [.. Corners(whole, across).Concat(Court.Finds(whole, across)).Where(mark => mark.At.X <= taken + 0.01)]
        );
    }

    private static Landmark[] Corners(double length, double width) =>
        [
            new("the near left corner", new Spot(0, 0)),
            new("the far left corner", new Spot(0, width)),
            new("the near right corner", new Spot(length, 0)),
            new("the far right corner", new Spot(length, width)),
        ];
}
