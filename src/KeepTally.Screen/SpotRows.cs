using KeepTally.Core.Measures;
using KeepTally.Core.Places;

namespace KeepTally.Screen;

/// <summary>A row of spots on a board, the furthest row first.</summary>
/// <param name="Columns">How many columns the row is divided into.</param>
/// <param name="Spots">Each with its column, from 0.</param>
internal sealed record SpotRow(int Columns, IReadOnlyList<(Place Spot, int Column)> Spots);

/// <summary>
/// Spots in rows and columns: as they lie on the floor where all of them are drawn, in one row or in a far and a near one, else
/// as evenly as can be.
/// </summary>
internal static class SpotRows
{
    private const int Most = 4;

    /// <summary>Where they lie this much wider than deep, one row shows how they lie.</summary>
    private const double Flat = 3;

    /// <param name="spots">The spots that lie on the floor.</param>
    /// <param name="at">The spot of a place; null where it is not drawn.</param>
    /// <param name="flat">Few spots stand in one row, left to right as they lie: beside other boards two rows would be small.</param>
    internal static IReadOnlyList<SpotRow> Of(Place[] spots, Func<Place, Spot?> at, bool flat = false)
    {
        var drawn = spots.Select(spot => (Spot: spot, At: at(spot))).ToArray();
        return spots.Length is > 1 and <= 2 * Most && Array.TrueForAll(drawn, each => each.At is not null)
            ? OnFloor([.. drawn.Select(each => (each.Spot, each.At!.Value))], flat && spots.Length < Most)
            :
            [
                .. spots
                    .Chunk(Even(spots.Length))
                    .Select(row => new SpotRow(row.Length, [.. row.Select((spot, index) => (spot, index))])),
            ];
    }

    /// <summary>A far row and a near one, parted where nobody stands between. More would be small from afar.</summary>
    private static SpotRow[] OnFloor((Place Spot, Spot At)[] drawn, bool flat)
    {
        var (left, far) = (drawn.Min(each => each.At.X), drawn.Max(each => each.At.Y));
        var (wide, deep) = (drawn.Max(each => each.At.X) - left, far - drawn.Min(each => each.At.Y));
        var byDepth = drawn.OrderByDescending(each => each.At.Y).ToArray();
        var parted =
            flat || (drawn.Length <= Most && wide > deep * Flat)
                ? drawn.Length
                : Enumerable
                    .Range(1, drawn.Length - 1)
                    .Where(first => first <= Most && drawn.Length - first <= Most)
                    .MaxBy(first => byDepth[first - 1].At.Y - byDepth[first].At.Y);
        (Place Spot, Spot At)[][] rows = [byDepth[..parted], byDepth[parted..]];
        var columns = rows.Max(row => row.Length);
        return
        [
            .. rows.Where(row => row.Length > 0)
                .Select(row => new SpotRow(columns, [.. InColumns([.. row.OrderBy(each => each.At.X)], columns, left, wide)])),
        ];
    }

    /// <summary>Each as near to its own side as those beside it leave room for.</summary>
    private static IEnumerable<(Place Spot, int Column)> InColumns(
        (Place Spot, Spot At)[] row,
        int columns,
        double left,
        double wide
    )
    {
        var least = 0;
        for (var i = 0; i < row.Length; i++)
        {
            var wished = wide > 0 ? (int)Math.Round((row[i].At.X - left) / wide * (columns - 1)) : i;
            var column = Math.Clamp(wished, least, columns - (row.Length - i));
            yield return (row[i].Spot, column);
            least = column + 1;
        }
    }

    /// <summary>The number of spots in a row, so that the rows are as even as possible.</summary>
    private static int Even(int spots)
    {
        var rows = Math.Max(1, (spots + Most - 1) / Most);
        return Math.Max(1, (spots + rows - 1) / rows);
    }
}
