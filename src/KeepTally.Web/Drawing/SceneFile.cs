using System.Text;
using System.Xml.Linq;

namespace KeepTally.Web.Drawing;

/// <summary>A drawing as a file of its own, with the few rules of looks it needs on white paper.</summary>
public static class SceneFile
{
    private const string Looks = """
        svg{background:#fff;font-family:sans-serif}
        .floor-ground{fill:#fff;stroke:#999}.floor-paint *{fill:none;stroke:#888}.floor-paint .is-point{fill:#888}.floor-paint .stands{stroke:#222}
        .floor-zone{fill:#e3ebe6;stroke:#2d5a4a}.floor-line{stroke:#555}.floor-goal,.floor-frame{stroke:#222;fill:none}
        .floor-cone{fill:#d9702b;stroke:#222}.floor-disc{fill:#fff;stroke:#222}.floor-label{fill:#222;paint-order:stroke;stroke:#fff;stroke-width:.2}
        .piece-player rect{fill:#2d5a4a;stroke:#fff}.piece-coach rect{fill:#222;stroke:#fff}.piece-ball circle{fill:#fff;stroke:#222}
        .way{stroke:#222;fill:none}.way-rotate{stroke:#777}.way-step circle,.walk-stop circle,.walk-start circle{fill:#fff;stroke:#222}
        .walk-leg{stroke:#b4541a}.scale-bar path{fill:none;stroke:#222}marker path{fill:#222}
        """;

    /// <summary>The bytes of the file.</summary>
    public static byte[] Of(XElement svg)
    {
        var file = new XElement(svg);
        file.AddFirst(new XElement("style", Looks));
        // Within a page the drawing has no namespace of its own; a file must name it.
        return Encoding.UTF8.GetBytes(
            "<svg xmlns=\"http://www.w3.org/2000/svg\"" + file.ToString(SaveOptions.DisableFormatting)["<svg".Length..]
        );
    }
}
