using System.Globalization;
using KeepTally.Core.Layout;

namespace KeepTally.Web.Drawing;

/// <summary>A diagram as lengths on the page: the origin moves from the lower left to the upper left, metres stay metres.</summary>
public sealed class FloorPlan
{
    private readonly Diagram _diagram;
    private readonly Dictionary<string, Mark> _byId;

    public FloorPlan(Diagram diagram)
    {
        _diagram = diagram;
        _byId = diagram.Marks.Where(mark => mark.Id.Length > 0).DistinctBy(mark => mark.Id).ToDictionary(mark => mark.Id);
    }

    /// <summary>The size a cone is drawn at, in metres of the drawing.</summary>
    public double Unit => Math.Max(_diagram.Surface.Length, _diagram.Surface.Width * 1.6) / 70;

    public string ViewBox =>
        $"{N(-Unit * 2)} {N(-Unit * 2)} {N(_diagram.Surface.Length + (Unit * 4))} {N(_diagram.Surface.Width + (Unit * 4))}";

    public string InWords =>
        "Diagram: "
        + string.Join(
            "; ",
            _diagram
                .Paths.OrderBy(path => path.Step)
                .Select(path => $"{Name(path.From)} to {Name(path.To)}, {path.As.ToString().ToLowerInvariant()}")
        );

    /// <summary>Every mark with where its label goes: inside a zone, above a goal or line, beside anything else.</summary>
    public IEnumerable<(Mark Mark, double X, double Y, double LabelX, double LabelY, string Anchor)> Marks =>
        _diagram.Marks.Select(mark =>
        {
            var (x, y) = (mark.X, Flip(mark.Y));
            var left = mark.X < _diagram.Surface.Length / 2;
            return mark.Kind switch
            {
                MarkKind.Zone => (mark, x, y, x + (mark.Length / 2), y - (mark.Width / 2) + (Unit * 0.7), "middle"),
                MarkKind.Goal => (mark, x, y, x + (Unit * 1.2), y - mark.Width - Unit, "start"),
                MarkKind.Line => (mark, x, y, x + (mark.Length / 2), y - (mark.Width / 2) - Unit, "middle"),
                _ when left => (mark, x, y, x + (Unit * 1.6), y + (Unit * 1.9), "start"),
                _ => (mark, x, y, x - (Unit * 1.6), y + (Unit * 1.9), "end"),
            };
        });

    public IEnumerable<(string As, double X1, double Y1, double X2, double Y2)> Paths =>
        _diagram
            .Paths.Where(path => _byId.ContainsKey(path.From) && _byId.ContainsKey(path.To))
            .Select(path =>
            {
                var (from, to) = (Middle(_byId[path.From]), Middle(_byId[path.To]));
                var length = Math.Max(0.01, Math.Sqrt(Math.Pow(to.X - from.X, 2) + Math.Pow(to.Y - from.Y, 2)));
                var (dx, dy) = ((to.X - from.X) / length, (to.Y - from.Y) / length);
                var gap = Math.Min(Unit * 1.6, length / 4);
                return (
                    path.As.ToString().ToLowerInvariant(),
                    from.X + (dx * gap),
                    from.Y + (dy * gap),
                    to.X - (dx * gap),
                    to.Y - (dy * gap)
                );
            });

    /// <summary>The kinds of way that are drawn, for the key.</summary>
    public IEnumerable<string> Kinds => Paths.Select(path => path.As).Distinct();

    public string N(double number) => number.ToString("0.##", CultureInfo.InvariantCulture);

    private string Name(string id) => _byId.TryGetValue(id, out var mark) && mark.Label.Length > 0 ? mark.Label : id;

    private (double X, double Y) Middle(Mark mark) => (mark.X + (mark.Length / 2), Flip(mark.Y) - (mark.Width / 2));

    private double Flip(double y) => _diagram.Surface.Width - y;
}
