using KeepTally.Core.Tests.Fuzz;

namespace KeepTally.Bench;

/// <summary>Twenty thousand spoilt texts of all formats: how many of them brought something down.</summary>
internal static class FuzzFigures
{
    private const int Texts = 20_000;

    internal static IEnumerable<Figure> All()
    {
        var fuzz = new FormatFuzz(Server.Root());
        foreach (var kind in FormatFuzz.Kinds)
        {
            var (failed, before) = (0, fuzz.Read);
            var each = Texts / FormatFuzz.Kinds.Count;
            for (var seed = 0; seed < each; seed++)
            {
                try
                {
                    fuzz.Try(kind, seed);
                }
                catch (Exception failure)
                {
                    failed++;
                    Console.Error.WriteLine($"{kind} {seed}: {failure}");
                }
            }

            yield return new Figure($"{each} spoilt texts, {kind}: readable all the same", fuzz.Read - before, "");
            yield return new Figure("of them that brought something down", failed, "", Most: 0);
        }
    }
}
