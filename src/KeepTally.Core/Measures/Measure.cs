using System.Globalization;

namespace KeepTally.Core.Measures;

/// <summary>
/// A distance as a coach wrote it: a number of metres, feet, yards or paces. Paces have a length only once it is known whose they
/// are. Source: docs/formats.md, section 6; the foot and the yard of the agreement of 1959.
/// </summary>
/// <param name="Amount">How many of the unit.</param>
/// <param name="Unit">The unit.</param>
public readonly record struct Measure(double Amount, LengthUnit Unit)
{
    /// <summary>A foot, in metres.</summary>
    public const double Foot = 0.3048;

    /// <summary>A yard, in metres.</summary>
    public const double Yard = 0.9144;

    private static readonly (string Ending, LengthUnit Unit)[] Endings =
    [
        ("ft", LengthUnit.Feet),
        ("yd", LengthUnit.Yards),
        ("m", LengthUnit.Metres),
        ("p", LengthUnit.Paces),
    ];

    /// <summary>Nought.</summary>
    public static Measure Zero => default;

    /// <summary>Creates a measure from metres.</summary>
    public static Measure OfMetres(double metres) => new(metres, LengthUnit.Metres);

    /// <summary>How long one of a unit is, in metres.</summary>
    public static double LengthOf(LengthUnit unit, Stride stride) =>
        unit switch
        {
            LengthUnit.Metres => 1,
            LengthUnit.Feet => Foot,
            LengthUnit.Yards => Yard,
            LengthUnit.Paces => stride.Metres,
            _ => throw new ArgumentOutOfRangeException(nameof(unit)),
        };

    /// <summary>The finest step that is set out in a unit: nobody paces a third of a pace.</summary>
    public static double StepOf(LengthUnit unit) =>
        unit switch
        {
            LengthUnit.Metres => 0.1,
            LengthUnit.Feet => 0.5,
            LengthUnit.Yards or LengthUnit.Paces => 0.25,
            _ => throw new ArgumentOutOfRangeException(nameof(unit)),
        };

    /// <summary>The step a mark is moved by.</summary>
    public static double SnapOf(LengthUnit unit) => unit == LengthUnit.Feet ? 1 : 0.5;

    /// <summary>The distance in metres, by a coach's stride.</summary>
    public double Metres(Stride stride) => Amount * LengthOf(Unit, stride);

    /// <summary>A length in metres in another unit.</summary>
    public static Measure From(double metres, LengthUnit unit, Stride stride) => new(metres / LengthOf(unit, stride), unit);

    /// <summary>The same, to the nearest whole number of steps.</summary>
    public Measure Rounded(double step) =>
        this with
        {
            Amount = Math.Round(Math.Round(Amount / step, MidpointRounding.AwayFromZero) * step, 6),
        };

    /// <summary>Reads <c>"4p"</c>, <c>"15ft"</c>, <c>"15yd"</c>, <c>"3.5 m"</c>; a bare number is of the unit given.</summary>
    public static Measure? Parse(string text, LengthUnit bare = LengthUnit.Metres)
    {
        var trimmed = text.Trim().Replace(',', '.');
        foreach (var (ending, unit) in Endings)
        {
            if (trimmed.EndsWith(ending, StringComparison.OrdinalIgnoreCase))
            {
                return Number(trimmed[..^ending.Length]) is { } amount ? new Measure(amount, unit) : null;
            }
        }

        return Number(trimmed) is { } plain ? new Measure(plain, bare) : null;
    }

    /// <summary>As it is written in a card: metres as a bare number, else with the ending of its unit.</summary>
    public string Written =>
        Figure
        + Unit switch
        {
            LengthUnit.Metres => "",
            LengthUnit.Feet => "ft",
            LengthUnit.Yards => "yd",
            LengthUnit.Paces => "p",
            _ => throw new InvalidOperationException("A unit no format knows."),
        };

    /// <summary>The number alone, with three decimals at most.</summary>
    public string Figure => Amount.ToString("0.###", CultureInfo.InvariantCulture);

    private static double? Number(string text) =>
        double.TryParse(
            text,
            NumberStyles.AllowLeadingSign | NumberStyles.AllowDecimalPoint | NumberStyles.AllowTrailingWhite,
            CultureInfo.InvariantCulture,
            out var number
        ) && double.IsFinite(number)
            ? number
            : null;
}
