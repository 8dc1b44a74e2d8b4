using System.Xml.Linq;
using KeepTally.Core.Layout;
using KeepTally.Core.Measures;
using KeepTally.Core.SetUp;

namespace KeepTally.Web.Drawing;

/// <summary>One rep on its layout: everybody at their start, and the ways numbered by step.</summary>
public sealed class RepDrawing(Scene scene, string key, Pacing pacing) : SceneDrawing(scene, key, pacing)
{
    private readonly RepPlay _play = RepPlay.Of(scene);

    /// <summary>The rep that is played on it.</summary>
    public RepPlay Play => _play;

    /// <summary>The kinds of way that are drawn, for the key.</summary>
    public IEnumerable<Travel> Kinds => Scene.Ways.Select(way => way.As).Distinct().Order();

    /// <summary>The text for a reader who cannot see it.</summary>
    public string InWords =>
        $"{(Scene.Surface.Name.Length > 0 ? Scene.Surface.Name : "A space")}, {DistanceWords.In(Scene.Surface.Length, Pacing.Unit, Pacing.Stride)} by {DistanceWords.In(Scene.Surface.Width, Pacing.Unit, Pacing.Stride)}. "
        + string.Join(" ", _play.Beats.Select(beat => beat.Text));

    /// <summary>The rep, with everybody at their start and the ways numbered by step.</summary>
    public XElement Rep() =>
        Frame(
            "scene-rep",
            InWords,
            [.. Floor(), .. Stands(), .. Ways(), .. Labels(), .. Pieces()],
            Bounds(Scene.OnFloor.SelectMany(mark => mark.Outline))
        );

    /// <summary>The rep as data for the player of it: who goes where in each step, in units of the drawing.</summary>
    public string Beats() =>
        System.Text.Json.JsonSerializer.Serialize(
            _play.Beats.Select(beat => new
            {
                seconds = Math.Round(beat.Seconds, 2),
                moves = beat.Moves.Select(move => new
                {
                    piece = move.Piece,
                    x = Math.Round(Draw(move.To, Aside(move.Piece)).X, 3),
                    y = Math.Round(Draw(move.To, Aside(move.Piece)).Y, 3),
                    seconds = Math.Round(move.Seconds, 2),
                }),
            })
        );

    /// <summary>The labels of the marks: within a zone, beside any other mark.</summary>
    private IEnumerable<XElement> Labels() =>
        Scene
            .OnFloor.Where(mark => mark.Label.Length > 0 && mark.Kind is not (MarkKind.Player or MarkKind.Coach) && !IsPlain(mark))
            .Select(mark =>
            {
                var middle = Draw(mark.Middle);
                var left = mark.Middle.X < Scene.Surface.Length * 0.75;
                return mark.Kind switch
                {
                    MarkKind.Zone => Text("floor-label", middle.Plus(0, Unit * 0.6), mark.Label, Fitting(mark), "middle"),
                    MarkKind.Goal or MarkKind.Line when left => Label(
                        middle.X + Unit,
                        Draw(mark.Outline[1]).Y - (Unit * 0.8),
                        mark.Label,
                        "start"
                    ),
                    MarkKind.Goal or MarkKind.Line => Label(
                        middle.X - Unit,
                        Draw(mark.Outline[1]).Y - (Unit * 0.8),
                        mark.Label,
                        "end"
                    ),
                    _ => Label(middle.X, middle.Y + (Unit * 2.6), mark.Label, "middle"),
                };
            });

    /// <summary>A goal that is only called a goal is seen to be one.</summary>
    private static bool IsPlain(Placed mark) => mark.Kind == MarkKind.Goal && mark.Label == "goal";

    /// <summary>Players and balls where they begin, each a group that the player of the rep can move.</summary>
    private IEnumerable<XElement> Pieces() =>
        _play
            .Pieces.OrderBy(piece => piece.Kind == PieceKind.Ball)
            .Select(piece =>
            {
                var at = Draw(piece.Start, Aside(piece.Index));
                var isCoach = Scene.Find(piece.Mark)?.Kind == MarkKind.Coach;
                return new XElement(
                    "g",
                    new XAttribute(
                        "class",
                        piece.Kind == PieceKind.Ball ? "piece piece-ball"
                            : isCoach ? "piece piece-coach"
                            : "piece piece-player"
                    ),
                    new XAttribute("data-piece", piece.Index),
                    new XAttribute("data-x", N(at.X)),
                    new XAttribute("data-y", N(at.Y)),
                    new XAttribute("transform", $"translate({N(at.X)} {N(at.Y)})"),
                    piece.Kind == PieceKind.Ball
                        ? new XElement(
                            "circle",
                            new XAttribute("r", N(Unit * 0.55)),
                            new XAttribute("stroke-width", N(Unit * 0.22))
                        )
                        : new XElement(
                            "rect",
                            new XAttribute("x", N(-Unit * 0.85)),
                            new XAttribute("y", N(-Unit * 0.85)),
                            new XAttribute("width", N(Unit * 1.7)),
                            new XAttribute("height", N(Unit * 1.7)),
                            new XAttribute("rx", N(Unit * (isCoach ? 0 : 0.55))),
                            new XAttribute("stroke-width", N(Unit * 0.15))
                        ),
                    piece.Name.Length > 0 && Scene.Find(piece.Mark)?.Kind is MarkKind.Player or MarkKind.Coach
                        ? Text("floor-label", new Spot(0, Unit * 2.5), piece.Name, Unit * 1.7, "middle")
                        : null
                );
            });

    /// <summary>Who stands at a cone is drawn beside it, and a ball beside who has it, so that all are seen.</summary>
    private (double X, double Y) Aside(int index)
    {
        var piece = _play.Pieces[index];
        return piece.Kind == PieceKind.Ball ? (Unit * 1.1, Unit * 0.5)
            : Scene.Find(piece.Mark)?.Kind is MarkKind.Player or MarkKind.Coach ? (0, 0)
            : (-Unit * 1.3, -Unit * 0.4);
    }

    /// <summary>What is written in a zone stays within it, as far as it can be read.</summary>
    private double Fitting(Placed zone)
    {
        var wide = zone.Outline.Max(spot => spot.X) - zone.Outline.Min(spot => spot.X);
        return Math.Clamp(wide / (zone.Label.Length * 0.46), Unit * 0.9, Unit * 1.7);
    }
}
