using System.Text.Json;
using System.Text.Json.Nodes;
using KeepTally.Core.Archive;
using KeepTally.Core.Cards;
using KeepTally.Core.Chance;
using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Formats;
using KeepTally.Core.Layout;
using KeepTally.Core.Planning;
using KeepTally.Core.Simulation;
using KeepTally.Core.Time;
using KeepTally.Core.Words;

namespace KeepTally.Core.Tests.Fuzz;

/// <summary>
/// Gives every reader of a format spoilt texts of what ships and of the check cases. A reader either tells faults, at most
/// fifty of them and each with its fix, or what it has read can be said, played and written down.
/// </summary>
/// <param name="root">The root of the repository.</param>
public sealed class FormatFuzz(string root)
{
    private static readonly JsonDocumentOptions Plain = new() { AllowTrailingCommas = false };

    private readonly string[] _cards = Texts(Path.Combine(root, "src/KeepTally.Store/Book/Cards"), "*.json");
    private readonly string[] _plans = Texts(Path.Combine(root, "tests/cases"), "plan.json");
    private readonly string[] _logs = Texts(Path.Combine(root, "tests/cases"), "log.jsonl");

    private readonly CardShelf _shelf = CardShelf.Of(
        Texts(Path.Combine(root, "src/KeepTally.Store/Book/Cards"), "*.json").Select(card => CardReader.Read(card).Require())
    );

    /// <summary>The kinds of text there are.</summary>
    public static IReadOnlyList<string> Kinds { get; } = ["card", "book", "layout", "plan", "head", "event", "archive"];

    /// <summary>How many of the texts so far could be read although they were spoilt.</summary>
    public int Read { get; private set; }

    /// <summary>Spoils one text and reads it.</summary>
    /// <param name="kind">One of <see cref="Kinds"/>.</param>
    /// <param name="seed">Which text, and how it is spoilt.</param>
    /// <exception cref="InvalidOperationException">What it told cannot be shown to a coach.</exception>
    public void Try(string kind, int seed)
    {
        var draw = new SeededDraw(seed, 7);
        string One(string[] texts) => texts[draw.Below(texts.Length)];
        string Line(int from)
        {
            var lines = One(_logs).Split('\n', StringSplitOptions.RemoveEmptyEntries);
            return from == 0 ? lines[0] : lines[1 + draw.Below(lines.Length - 1)];
        }

        switch (kind)
        {
            case "card":
                Check(CardReader.Read(JsonMutation.Of(One(_cards), seed)), Say);
                break;
            case "book":
                var book = new JsonObject
                {
                    ["format"] = "keep-tally/book@1",
                    ["cards"] = new JsonArray(JsonNode.Parse(One(_cards)), JsonNode.Parse(One(_cards))),
                };
                Check(
                    BookReader.Read(JsonMutation.Of(book.ToJsonString(), seed)),
                    cards =>
                    {
                        foreach (var card in cards)
                        {
                            CardReader.Read(card.Json).Require();
                        }
                    }
                );
                break;
            case "layout":
                var layouts = _cards.Select(card => JsonNode.Parse(card, null, Plain)!["layout"]).OfType<JsonObject>().ToArray();
                Check(LayoutReader.Read(JsonMutation.Of(layouts[draw.Below(layouts.Length)].ToJsonString(), seed)), _ => { });
                break;
            case "plan":
                Check(
                    PlanReader.Read(JsonMutation.Of(One(_plans), seed)),
                    plan =>
                    {
                        PlanReader.Read(PlanWriter.Write(plan)).Require();
                        PlanReport.Of(plan, _shelf);
                    }
                );
                break;
            case "head":
                Check(HeadReader.Read(JsonMutation.Of(Line(0), seed)), head => HeadReader.Read(HeadReader.Write(head)).Require());
                break;
            case "event":
                Check(
                    EventReader.Read(JsonMutation.Of(Line(1), seed)),
                    said =>
                    {
                        if (EventReader.Read(EventWriter.Write(said)).Require().Id != said.Id)
                        {
                            throw new InvalidOperationException("An event was written down as another.");
                        }
                    }
                );
                break;
            case "archive":
                Check(
                    ArchiveReader.Read(JsonMutation.Of(Archive(One), seed)),
                    practice => ArchiveReader.Read(ArchiveWriter.Write(practice)).Require()
                );
                break;
            default:
                throw new ArgumentOutOfRangeException(nameof(kind), kind, "There is no such kind of text.");
        }
    }

    /// <summary>A practice of one block, made of a check case.</summary>
    private static string Archive(Func<string[], string> one)
    {
        var cases = Directory.GetDirectories(Path.Combine(Root(), "tests/cases"));
        var folder = one([.. cases.Where(each => File.Exists(Path.Combine(each, "log.jsonl")))]);
        var lines = File.ReadAllLines(Path.Combine(folder, "log.jsonl")).Where(line => line.Length > 0).ToArray();
        var sheet = new JsonObject
        {
            ["name"] = "",
            ["head"] = JsonNode.Parse(lines[0]),
            ["events"] = new JsonArray([.. lines.Skip(1).Select(line => JsonNode.Parse(line))]),
        };
        return new JsonObject
        {
            ["format"] = ArchiveReader.Format,
            ["title"] = "Saltmarsh evening",
            ["team"] = "Terns",
            ["date"] = "2026-10-03",
            ["start"] = "17:30",
            ["origin"] = 1_790_000_000_000,
            ["blocks"] = new JsonArray(
                new JsonObject
                {
                    ["minutes"] = 10,
                    ["changeSeconds"] = 60,
                    ["card"] = JsonNode.Parse(File.ReadAllText(Path.Combine(folder, "card.json"))),
                    ["sheets"] = new JsonArray(sheet),
                }
            ),
        }.ToJsonString();
    }

    /// <summary>A card that is read can be said in words and played.</summary>
    private static void Say(DrillCard card)
    {
        CardWords.InFull(card);
        CardDoubts.Of(card);
        CautionWords.Of(card);
        CardForecast.Of(card);
        for (var stage = 0; stage < card.Stages.Count; stage++)
        {
            if (DrillSkill.Of(card.Stages[stage], 0.5) is { } skill && Simulator.Open(card, stage, skill) is { IsOk: true } played)
            {
                played.Value.Run(new SimulationSettings(Duration.FromSeconds(5)) { Runs = 2, Cap = 50 });
            }
        }
    }

    private void Check<T>(Result<T> read, Action<T> use)
        where T : notnull
    {
        if (read.IsOk)
        {
            Read++;
            use(read.Value);
            return;
        }

        if (read.Faults.Count is 0 or > Fault.Most || read.Faults.Any(fault => fault.Problem.Length == 0 || fault.Fix.Length == 0))
        {
            throw new InvalidOperationException($"{read.Faults.Count} faults, or one that does not say what is wrong and its fix.");
        }
    }

    /// <summary>The root of the repository, from wherever the tests run.</summary>
    public static string Root()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(folder.FullName, "KeepTally.slnx")))
        {
            folder = folder.Parent!;
        }

        return folder.FullName;
    }

    private static string[] Texts(string folder, string name) =>
        [.. Directory.GetFiles(folder, name, SearchOption.AllDirectories).Order().Select(File.ReadAllText)];
}
