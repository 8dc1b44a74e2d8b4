using KeepTally.Core.Measures;
using KeepTally.Core.Text;

namespace KeepTally.Core.SetUp;

/// <summary>Distances as they are said and shown.</summary>
public static class DistanceWords
{
    /// <summary>"four paces, a foot short", "seven paces and half a foot", "a foot".</summary>
    public static string Paces(double metres, Stride stride)
    {
        var count = PaceCount.Of(metres, stride);
        if (count.Paces == 0)
        {
            return count.HalfFeet == 0 ? "no step" : Feet(count.HalfFeet);
        }

        var paces = Phrase.Of(count.Paces, "pace");
        return count.HalfFeet switch
        {
            0 => paces,
            < 0 => $"{paces}, {Feet(-count.HalfFeet)} short",
            > 0 => $"{paces} and {Feet(count.HalfFeet)}",
        };
    }

    /// <summary>A number of a unit: "3.5 m", "12 ft", "4 yd"; paces in words.</summary>
    public static string In(double metres, LengthUnit unit, Stride stride) =>
        unit == LengthUnit.Paces
            ? Paces(metres, stride)
            : $"{Measure.From(metres, unit, stride).Rounded(Measure.StepOf(unit)).Figure} {Sign(unit)}";

    /// <summary>In a coach's unit, and in paces, too: "3.5 m (five paces, a foot short)".</summary>
    public static string Both(double metres, LengthUnit unit, Stride stride) =>
        unit == LengthUnit.Paces
            ? $"{Paces(metres, stride)} ({In(metres, LengthUnit.Metres, stride)})"
            : $"{In(metres, unit, stride)} ({Paces(metres, stride)})";

    /// <summary>The sign of a unit beside a number.</summary>
    public static string Sign(LengthUnit unit) =>
        unit switch
        {
            LengthUnit.Metres => "m",
            LengthUnit.Feet => "ft",
            LengthUnit.Yards => "yd",
            LengthUnit.Paces => "paces",
            _ => throw new ArgumentOutOfRangeException(nameof(unit)),
        };

    private static string Feet(int halves) =>
        halves switch
        {
            1 => "half a foot",
            2 => "a foot",
            3 => "a foot and a half",
            _ when halves % 2 == 0 => $"{Phrase.Count(halves / 2)} feet",
            _ => $"{Phrase.Count(halves / 2)} and a half feet",
        };
}
