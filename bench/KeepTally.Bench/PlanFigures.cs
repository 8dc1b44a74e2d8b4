using System.Reflection;
using KeepTally.Core.Cards;
using KeepTally.Core.Formats;
using KeepTally.Core.Planning;

namespace KeepTally.Bench;

/// <summary>What the core takes for a timing sheet: its arithmetic with every fix, and three whole sheets worked out.</summary>
internal static class PlanFigures
{
    private static readonly DrillCard[] Book = [.. Texts().Select(text => CardReader.Read(text).Require())];

    internal static IEnumerable<Figure> All()
    {
        var shelf = CardShelf.Of(Book);
        var wish = new SheetWish(Frame(75), [.. Book.Select((card, index) => new BookDrill(card, index * 2))], ["shooting"]);
        var sheet = SheetOffers.Make(wish, 1)[0].Plan with { Players = 17, Coaches = 1 };
        yield return new Figure(
            "a sheet of 75 minutes with every warning and mend",
            Measure.Milliseconds(() => sheet, each => Judge(each, shelf)),
            "ms",
            Most: 20
        );
        yield return new Figure(
            "three whole sheets of 75 minutes",
            Measure.Milliseconds(() => wish, each => SheetOffers.Make(each, 1)),
            "ms",
            Most: 1000
        );
        yield return new Figure(
            "three whole sheets of 180 minutes",
            Measure.Milliseconds(() => wish with { Frame = Frame(180) }, each => SheetOffers.Make(each, 1)),
            "ms",
            Most: 1000
        );
    }

    private static void Judge(Plan plan, CardShelf shelf)
    {
        var fixes = new PlanFixes(plan, shelf, [.. Book.Select(card => card.Id)]);
        foreach (var warning in PlanReport.Of(plan, shelf).Warnings)
        {
            fixes.For(warning);
        }
    }

    private static Plan Frame(double minutes) =>
        new()
        {
            Start = new TimeOnly(17, 30),
            Minutes = minutes,
            Players = 14,
            Age = 13,
            Coaches = 3,
            Equipment = new Dictionary<string, int>
            {
                ["ball"] = 16,
                ["cone"] = 40,
                ["bib"] = 16,
                ["disc"] = 20,
            },
            Blocks = [],
        };

    private static IEnumerable<string> Texts()
    {
        var assembly = Assembly.GetExecutingAssembly();
        foreach (var name in assembly.GetManifestResourceNames().Where(name => name.StartsWith("cards/", StringComparison.Ordinal)))
        {
            using var reader = new StreamReader(assembly.GetManifestResourceStream(name)!);
            yield return reader.ReadToEnd();
        }
    }
}
