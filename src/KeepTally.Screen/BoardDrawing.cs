using System.Globalization;
using System.Net;
using System.Text;
using KeepTally.Screen.Views;

namespace KeepTally.Screen;

/// <summary>
/// Draws a board of places as SVG: boxes, bibs and the next move as arrows. The server draws it before any script has run, and
/// the page draws it anew by the same hand.
/// </summary>
internal static class BoardDrawing
{
    /// <summary>A bib is drawn this wide and high, and then brought to its size.</summary>
    private const double Drawn = 24;

    private const double LargestName = 6.4;
    private const int WidestUnderBib = 7;
    private const string Vest = "M-9 -11 L-4 -11 Q0 -5 4 -11 L9 -11 Q8 -3 11 1 L11 11 L-11 11 L-11 1 Q-8 -3 -9 -11 Z";

    private static readonly string[] Hems =
    [
        "M-11 6 H11",
        "M-11 6 H11 M-11 7.7 H11 M-11 9.4 H11",
        "M-11 6 H11 V11 H-11 Z",
        "M-9.6 6.4 H10 M-8.4 8.8 H9",
    ];

    /// <summary>The scores, the lead as it went, where it is told, and the places.</summary>
    internal static string Of(BoardView board, string lead)
    {
        var svg = new StringBuilder();
        Scores(svg, board.Scores);
        if (lead.Length > 0)
        {
            svg.Append("<div class=\"board-lead\">").Append(lead).Append("</div>");
        }

        var label = string.Join("; ", board.Bibs.Select(bib => $"{bib.Name}: {PlaceOf(board, bib)}"));
        svg.Append(
            CultureInfo.InvariantCulture,
            $"<svg viewBox=\"-1 -1 {board.Width + 2} {board.Height + 2}\" role=\"img\" aria-label=\"{Text(label)}\">"
        );
        foreach (var place in board.Places)
        {
            Box(svg, place);
        }

        foreach (var bib in board.Bibs.Where(bib => bib.Arrow.Length > 0))
        {
            Arrow(svg, bib);
        }

        foreach (var bib in board.Bibs)
        {
            Bib(svg, bib);
        }

        return svg.Append("</svg>").ToString();
    }

    /// <summary>The scores stand above the places, as a list: they are read from the back of a hall.</summary>
    private static void Scores(StringBuilder html, IReadOnlyList<BoardScore> scores)
    {
        if (scores.Count == 0)
        {
            return;
        }

        html.Append("<ol class=\"board-scores\">");
        foreach (var score in scores)
        {
            var kind = $"{(score.Leads ? "leads " : "")}{(score.Turn ? "turn" : "")}".Trim();
            html.Append(
                CultureInfo.InvariantCulture,
                $"<li class=\"{kind}\"><span>{Text(score.Name)}</span> <b>{Text(score.Figure)}</b></li>"
            );
        }

        html.Append("</ol>");
    }

    private static void Box(StringBuilder svg, BoardBox place)
    {
        // A long name is written smaller, so that it stays in its box.
        var size = Math.Min(LargestName, (place.W - 4) / (place.Name.Length * 0.5));
        svg.Append(
            CultureInfo.InvariantCulture,
            $"<g class=\"board-place{(place.Line ? " is-line" : "")}{(place.Active ? " is-active" : "")}\"><rect x=\"{place.X}\" y=\"{place.Y}\" width=\"{place.W}\" height=\"{place.H}\" rx=\"1\"/><text x=\"{place.X + 2}\" y=\"{place.Y + 6.6}\" font-size=\"{size:0.##}\">{Text(place.Name)}</text></g>"
        );
    }

    /// <summary>The way of a bib, and the head of its arrow turned the way the curve comes in.</summary>
    private static void Arrow(StringBuilder svg, BibView bib)
    {
        var figures = bib.Arrow.Split([' ', 'M', 'Q'], StringSplitOptions.RemoveEmptyEntries);
        var (mx, my, x, y) = (Figure(figures[2]), Figure(figures[3]), Figure(figures[4]), Figure(figures[5]));
        var turn = Math.Atan2(y - my, x - mx) * 180 / Math.PI;
        svg.Append(
            CultureInfo.InvariantCulture,
            $"<path class=\"board-arrow\" d=\"{bib.Arrow}\" pathLength=\"1\"/><path class=\"board-tip\" d=\"M0 0 L-5 -3 L-5 3 Z\" transform=\"translate({x} {y}) rotate({turn:0.#})\"/>"
        );
    }

    private static void Bib(StringBuilder svg, BibView bib)
    {
        var narrow = bib.Name.Length > WidestUnderBib ? " textLength=\"24\" lengthAdjust=\"spacingAndGlyphs\"" : "";
        svg.Append(
            CultureInfo.InvariantCulture,
            $"<g class=\"board-bib hem-{bib.Pattern}\" data-bib=\"{Text(bib.Id)}\" transform=\"translate({bib.X} {bib.Y}) scale({bib.Size / Drawn})\"><path class=\"vest\" d=\"{Vest}\"/><path class=\"hem\" d=\"{Hems[bib.Pattern]}\"/><text class=\"bib-letters\" y=\"4\">{Text(bib.Letters)}</text><text class=\"bib-name\" y=\"19.5\"{narrow}>{Text(bib.Name)}</text></g>"
        );
    }

    private static string PlaceOf(BoardView board, BibView bib) =>
        board
            .Places.FirstOrDefault(place =>
                bib.X >= place.X && bib.X <= place.X + place.W && bib.Y >= place.Y && bib.Y <= place.Y + place.H
            )
            ?.Name
        ?? "";

    private static double Figure(string text) => double.Parse(text, CultureInfo.InvariantCulture);

    private static string Text(string words) => WebUtility.HtmlEncode(words);
}
