using KeepTally.Core.Measures;
using KeepTally.Core.Places;

namespace KeepTally.Screen;

/// <summary>
/// Where the places of a stage are drawn on a board that players read from afar, and where each player's bib stands in
/// them: spots side by side above, as they lie on the drawn floor where they are drawn there, each line in which a player stands as a strip below, its head at the left. Lengths are
/// in units of the board, which is <see cref="Width"/> wide and as high as it needs to be.
/// </summary>
public sealed class PlaceBoard
{
    public const double Width = 120;

    /// <summary>The name of the strip for players without a place.</summary>
    public const string Waiting = "waiting";

    private const double Gap = 3;
    private const double Label = 9;

    /// <summary>Room between a box and the bibs in it.</summary>
    private const double Pad = 2;

    /// <summary>The height of a seat beside that of its bib: the name goes under the bib.</summary>
    private const double NameShare = 0.45;
    private const double LargestBib = 24;
    private const int LeastInALine = 6;

    private readonly Dictionary<string, (BoardPlace Box, int Columns, double Cell)> _boxes = new(StringComparer.Ordinal);

    private PlaceBoard(IReadOnlyList<BoardPlace> places, double height) => (Places, Height) = (places, height);

    public double Height { get; }

    public IReadOnlyList<BoardPlace> Places { get; }

    /// <param name="places">The places, in the order of the card.</param>
    /// <param name="most">The most players who stand at a place, and with <see cref="Waiting"/> who have none.</param>
    /// <param name="at">Where on the floor a spot is, y away from the viewer; null where it is not drawn.</param>
    /// <param name="flat">Few spots stand in one row, for want of room.</param>
    public static PlaceBoard Of(
        IReadOnlyList<Place> places,
        Func<string, int> most,
        Func<Place, Spot?>? at = null,
        bool flat = false
    )
    {
        var boxes = new List<(BoardPlace Box, int Columns, double Cell)>();
        var y = 0.0;
        var spots = places.Where(place => place.Kind == PlaceKind.Spot).ToArray();
        foreach (var row in SpotRows.Of(spots, at ?? (_ => null), flat))
        {
            var width = (Width - (Gap * (row.Columns - 1))) / row.Columns;
            var largest = row.Spots.Max(each => Math.Max(each.Spot.Size, most(each.Spot.Id)));
            var columns = Columns(largest, width - (2 * Pad));
            var cell = Math.Min(LargestBib, (width - (2 * Pad)) / columns);
            var height = Label + (Rows(largest, columns) * cell * (1 + NameShare));
            foreach (var (spot, column) in row.Spots)
            {
                boxes.Add(
                    (
                        new BoardPlace(spot.Id, spot.Name, false, spot.Active, column * (width + Gap), y, width, height),
                        columns,
                        cell
                    )
                );
            }

            y += height + Gap;
        }

        var lines = places
            .Where(place => place.Kind == PlaceKind.Line && most(place.Id) > 0)
            .Select(line => (line.Id, line.Name, line.Active))
            .Concat(most(Waiting) > 0 ? [(Waiting, Waiting, false)] : []);
        foreach (var (id, name, active) in lines)
        {
            var columns = Math.Max(LeastInALine, Math.Min(2 * LeastInALine, most(id)));
            var cell = Math.Min(LargestBib, (Width - (2 * Pad)) / columns);
            var height = Label + (Rows(most(id), columns) * cell * (1 + NameShare));
            boxes.Add((new BoardPlace(id, name, true, active, 0, y, Width, height), columns, cell));
            y += height + Gap;
        }

        var board = new PlaceBoard([.. boxes.Select(each => each.Box)], Math.Max(0, y - Gap));
        foreach (var each in boxes)
        {
            board._boxes[each.Box.Id] = each;
        }

        return board;
    }

    /// <summary>Where the bib of a place's player stands: its middle, and how wide and high it is.</summary>
    /// <param name="place">The place.</param>
    /// <param name="index">The player's place in the order of the spot or line, from 0.</param>
    public Seat SeatAt(string place, int index)
    {
        var (box, columns, cell) = _boxes[place];
        var (row, column) = (index / columns, index % columns);
        var left = box.IsLine ? box.X + Pad : box.X + ((box.Width - (columns * cell)) / 2);
        return new Seat(left + ((column + 0.5) * cell), box.Y + Label + (row * cell * (1 + NameShare)) + (cell / 2), cell);
    }

    private static int Columns(int players, double width) => Math.Clamp((int)(width / (LargestBib / 2)), 1, Math.Max(1, players));

    private static int Rows(int players, int columns) => (players + columns - 1) / columns;
}

/// <summary>A place as it is drawn: a box with its name above the bibs.</summary>
public sealed record BoardPlace(string Id, string Name, bool IsLine, bool Active, double X, double Y, double Width, double Height);

/// <summary>Where a bib stands: its middle, and its size.</summary>
public readonly record struct Seat(double X, double Y, double Size);
