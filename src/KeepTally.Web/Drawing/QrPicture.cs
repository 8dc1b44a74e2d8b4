using System.Globalization;
using System.Text;
using QRCoder;

namespace KeepTally.Web.Drawing;

/// <summary>A text as a code that phones read: as SVG for a page, as blocks for a terminal.</summary>
public static class QrPicture
{
    private const string Block = "██";
    private const string Gap = "  ";

    /// <summary>An SVG, a unit for each square, with the quiet edge that readers need.</summary>
    public static string Svg(string text, string label)
    {
        var rows = Rows(text);
        var path = new StringBuilder();
        for (var y = 0; y < rows.Count; y++)
        {
            for (var x = 0; x < rows[y].Length; x++)
            {
                if (rows[y][x])
                {
                    path.Append(CultureInfo.InvariantCulture, $"M{x} {y}h1v1h-1z");
                }
            }
        }

        return $"""<svg class="qr" viewBox="0 0 {rows.Count} {rows.Count}" role="img" aria-label="{label}" shape-rendering="crispEdges"><rect width="100%" height="100%" fill="#fff"/><path d="{path}" fill="#000"/></svg>""";
    }

    /// <summary>Lines for a terminal with a dark ground: what is dark in the code is left out, what is light is drawn.</summary>
    public static IEnumerable<string> Lines(string text) =>
        Rows(text).Select(row => string.Concat(row.Cast<bool>().Select(dark => dark ? Gap : Block)));

    private static List<System.Collections.BitArray> Rows(string text)
    {
        using var code = QRCodeGenerator.GenerateQrCode(text, QRCodeGenerator.ECCLevel.M);
        return code.ModuleMatrix;
    }
}
