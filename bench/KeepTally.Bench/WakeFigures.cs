namespace KeepTally.Bench;

/// <summary>
/// How soon a run screen is awake: opened on a phone, a pad pressed at once, until that press is judged; and where the time goes, from the
/// moment it is opened. See <c>bench/browser/wake.mjs</c>.
/// </summary>
internal static class WakeFigures
{
    private static readonly (string Mark, string Words)[] _marks =
    [
        ("pressed", "a pad is there and pressed"),
        ("core:fetched", "the loader is there"),
        ("core:running", "the runtime has started"),
        ("core:bound", "its functions can be called"),
        ("core:opened", "the practice is open"),
    ];

    internal static IEnumerable<Figure> All()
    {
        using var result = BrowserScript.Run("wake.mjs");
        foreach (
            var (pass, opening, words, most) in new[]
            {
                ("plain", "cold", "in a new browser", 2000),
                ("plain", "again", "again", 1200),
                ("slowed", "cold", "in a new browser, slowed four times", 5000),
                ("slowed", "again", "again, slowed four times", 4000),
            }
        )
        {
            var times = result.RootElement.GetProperty(pass).GetProperty(opening);
            yield return new Figure(
                $"opened to press judged, {words}",
                times.GetProperty("run:shown").GetDouble(),
                "ms",
                Most: most
            );
            foreach (var (mark, what) in _marks)
            {
                yield return new Figure($"  {what}", times.GetProperty(mark).GetDouble(), "ms");
            }
        }
    }
}
