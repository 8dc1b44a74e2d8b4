namespace KeepTally.Bench;

/// <summary>What a tap takes in the browser, beside a fixed piece of script in the same page; see <c>bench/browser/tap.mjs</c>.</summary>
internal static class BrowserFigures
{
    internal static IEnumerable<Figure> All()
    {
        using var result = BrowserScript.Run("tap.mjs");
        var board = result.RootElement.GetProperty("board");
        yield return new Figure(
            "press to the board on another device, drawn, median",
            board.GetProperty("median").GetDouble(),
            "ms"
        );
        yield return new Figure(
            "press to the board on another device, drawn, p95",
            board.GetProperty("p95").GetDouble(),
            "ms",
            Most: 100
        );
        foreach (var (name, words) in new[] { ("plain", ""), ("slowed", ", slowed four times") })
        {
            var pass = result.RootElement.GetProperty(name);
            var beside = pass.GetProperty("yardstick").GetDouble();
            yield return new Figure($"fixed piece of script{words}", beside, "ms");
            var press = pass.GetProperty("press");
            foreach (var (figure, most) in new[] { ("median", (double?)null), ("p95", 16) })
            {
                var value = press.GetProperty(figure).GetDouble();
                yield return new Figure($"press to changed screen{words}, {figure}", value, "ms", value / beside, "script", most);
            }

            var all = pass.GetProperty("scriptPerTap").GetDouble();
            yield return new Figure($"all script of a press{words}", all, "ms", all / beside, "script");
        }
    }
}
