using System.Globalization;
using System.Xml.Linq;
using KeepTally.Core.Layout;
using KeepTally.Core.Measures;
using KeepTally.Core.SetUp;

namespace KeepTally.Web.Drawing;

/// <summary>The walk that sets a layout out.</summary>
public sealed class WalkDrawing(Scene scene, string key, Pacing pacing) : SceneDrawing(scene, key, pacing)
{
    /// <summary>The walk with an armful of cones: what goes down, numbered in its order, and every leg with its length.</summary>
    public XElement Walk(WalkList walk) =>
        Frame(
            "scene-walk",
            $"The walk in {walk.Legs.Count} legs; each is told beside the picture.",
            [.. Floor(), .. Stands(), .. Legs(walk)],
            Bounds(Scene.OnFloor.SelectMany(mark => mark.Outline))
        );

    private IEnumerable<XElement> Legs(WalkList walk)
    {
        foreach (var leg in walk.Legs)
        {
            var at = leg.From;
            foreach (var stretch in leg.Stretches)
            {
                var to = stretch.End(at);
                var line = Straight("walk-leg", Draw(at), Draw(to), false);
                line.Add(
                    new XAttribute("stroke-width", N(Unit * 0.28)),
                    new XAttribute("stroke-dasharray", $"{N(Unit * 0.5)} {N(Unit * 0.5)}")
                );
                yield return line;
                if (stretch.Metres > Unit * 3)
                {
                    var middle = Draw(at.Toward(to, 0.5));
                    yield return Text(
                        "floor-label walk-length",
                        new Spot(middle.X, middle.Y - (Unit * 0.6)),
                        Short(stretch.Metres),
                        Unit * 1.7,
                        "middle"
                    );
                }

                at = to;
            }
        }

        yield return Badge(Draw(walk.Start.At), "S", "walk-start");
        foreach (var (index, leg) in walk.Legs.Index())
        {
            yield return Badge(Draw(leg.Place.At), (index + 1).ToString(CultureInfo.InvariantCulture), "walk-stop");
        }
    }
}
