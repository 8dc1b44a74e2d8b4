using System.Xml.Linq;
using KeepTally.Core.Judgement;
using KeepTally.Core.Layout;
using KeepTally.Core.Measures;
using KeepTally.Core.Reports;
using KeepTally.Core.SetUp;
using KeepTally.Core.Text;
using KeepTally.Core.Words;

namespace KeepTally.Web.Drawing;

/// <summary>Goes by place on the drawn floor, as near as the places lie: at each its goes made, of all; the fuller, the more were made.</summary>
public sealed class PlaceDrawing : SceneDrawing
{
    /// <summary>How the picture is read, as a sentence below it.</summary>
    public const string Key = "Each place: how many of its goes were made; fuller is more.";

    /// <summary>With more places than this their names would cover each other; the table has them.</summary>
    private const int MostNamed = 6;

    /// <summary>The least of the floor that is shown, in metres.</summary>
    private const double LeastMetres = 6;

    private readonly IReadOnlyList<(string Name, Spot At, Share Goes)> _places;
    private readonly Spot _low;
    private readonly Spot _high;

    private PlaceDrawing(Scene scene, string key, IReadOnlyList<(string Name, Spot At, Share Goes)> places)
        : base(scene, key, Pacing.Usual)
    {
        _places = places;
        Spot[] near = [.. places.Select(place => place.At), .. Goals(scene, places)];
        var (width, height) = (
            near.Max(spot => spot.X) - near.Min(spot => spot.X),
            near.Max(spot => spot.Y) - near.Min(spot => spot.Y)
        );
        var edge = Math.Max(Math.Max(width, height), LeastMetres) * 0.2;
        _low = new Spot(near.Min(spot => spot.X) - edge, near.Min(spot => spot.Y) - edge);
        _high = new Spot(near.Max(spot => spot.X) + edge, near.Max(spot => spot.Y) + edge);
    }

    private protected override double Unit => Math.Max(_high.X - _low.X, (_high.Y - _low.Y) * 0.9) / 40;

    /// <summary>The picture; null where fewer than two places are drawn on the layout, or one of them is not.</summary>
    /// <param name="drill">The drill.</param>
    /// <param name="places">Its goes by place.</param>
    public static string? Of(DrillResult drill, IReadOnlyList<LateGoes> places)
    {
        if (drill.Card.Layout?.By(Stride.Usual) is not { } scene || places.Count < 2)
        {
            return null;
        }

        var drawn = places
            .Select(place => (Name: place.Place, At: StandingSpot.Of(scene, drill.Stage.Places, place.Place), Goes: place.All))
            .ToArray();
        return drawn.All(place => place.At is not null) && drawn.Select(place => place.At).Distinct().Count() == drawn.Length
            ? new PlaceDrawing(
                scene,
                $"places-{drill.Key}",
                [.. drawn.Select(place => (Phrase.Words(place.Name), place.At!.Value, place.Goes))]
            )
                .Map()
                .ToString(SaveOptions.DisableFormatting)
            : null;
    }

    private XElement Map() =>
        Frame(
            "scene-places",
            string.Join("; ", _places.Select(place => $"{place.Name}: {ShareWords.Plain(place.Goes)}")),
            [.. Floor(), .. Stands(), .. _places.SelectMany(Badge)],
            (_low, _high)
        );

    private IEnumerable<XElement> Badge((string Name, Spot At, Share Goes) place)
    {
        var (wide, high) = (Unit * 7.4, Unit * 2.8);
        var at = Draw(place.At).Plus(-wide / 2, -high / 2);
        yield return Box("landed-ground", at, wide, high);
        yield return Box("landed-share", at, wide * place.Goes.Value, high);
        yield return Box("place-frame", at, wide, high);
        yield return Text(
            "landed-figure-text",
            at.Plus(wide / 2, high * 0.72),
            $"{place.Goes.Made}/{place.Goes.Of}",
            Unit * 2.1,
            "middle"
        );
        if (_places.Count <= MostNamed)
        {
            yield return Text("floor-label", at.Plus(wide / 2, high + (Unit * 1.8)), place.Name, Unit * 1.7, "middle");
        }
    }

    private XElement Box(string kind, Spot at, double width, double height) =>
        new(
            "rect",
            new XAttribute("class", kind),
            new XAttribute("x", N(at.X)),
            new XAttribute("y", N(at.Y)),
            new XAttribute("width", N(width)),
            new XAttribute("height", N(height)),
            new XAttribute("stroke-width", N(Unit * 0.15))
        );

    /// <summary>The goal nearest to the places, so that one sees where they look; none where it is far off.</summary>
    private static IEnumerable<Spot> Goals(Scene scene, IReadOnlyList<(string Name, Spot At, Share Goes)> places)
    {
        const double Far = 20;
        var middle = new Spot(places.Average(place => place.At.X), places.Average(place => place.At.Y));
        return scene
            .OnFloor.Where(mark => mark.Kind == MarkKind.Goal && mark.Middle.To(middle) < Far)
            .OrderBy(mark => mark.Middle.To(middle))
            .Take(1)
            .SelectMany(mark => mark.Outline);
    }
}
