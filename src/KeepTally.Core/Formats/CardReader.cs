using KeepTally.Core.Cards;
using KeepTally.Core.Faults;
using KeepTally.Core.Json;
using KeepTally.Core.Layout;
using KeepTally.Core.Rulebook;

namespace KeepTally.Core.Formats;

/// <summary>Reads <c>keep-tally/drill@1</c>. Source: docs/formats.md, section 1.</summary>
public static class CardReader
{
    /// <summary>The name and version of the format.</summary>
    public const string Format = "keep-tally/drill@1";

    private static readonly IReadOnlyDictionary<string, string> NothingChosen = new Dictionary<string, string>();

    /// <summary>Whether a text is JSON at all, by the rule every reader goes by; what it says is another matter.</summary>
    public static bool IsJson(string text)
    {
        using var document = JsonText.Parse(text, []);
        return document is not null;
    }

    /// <summary>Reads a card with its own default house rules.</summary>
    public static Result<DrillCard> Read(string json) => Read(json, NothingChosen);

    /// <summary>Reads a card; <paramref name="chosen"/> overrides the defaults of its options.</summary>
    public static Result<DrillCard> Read(string json, IReadOnlyDictionary<string, string> chosen) =>
        Read(json, chosen, StandardRules.All);

    /// <summary>Reads a card by a set of rules.</summary>
    public static Result<DrillCard> Read(string json, IReadOnlyDictionary<string, string> chosen, RuleSet rules)
    {
        var faults = new List<Fault>();
        using var document = JsonText.Parse(json, faults);
        if (document is null)
        {
            return Result<DrillCard>.Fail(faults);
        }

        if (json.Length > CardSizes.Longest)
        {
            faults.Add(
                new Fault(
                    "",
                    $"the card has {json.Length} characters",
                    $"a card has at most {CardSizes.Longest}: remove what no coach will read"
                )
            );
            return Result<DrillCard>.Fail(faults);
        }

        var root = JsonPlace.Root(document.RootElement, faults);
        CardSizes.Check(root);
        // What holds too much is not read any further: it would only be told again, line by line.
        if (faults.Count > 0)
        {
            return Result<DrillCard>.Fail(faults);
        }

        var card = ReadCard(root, chosen, rules, faults);
        if (card.VariantOf is { } parent && parent == card.Id)
        {
            root.Find("variantOf")?.Wrong("the card is a variant of itself", "name another card, or take this out");
        }

        return faults.Count == 0 ? Result<DrillCard>.Ok(card) : Result<DrillCard>.Fail(faults);
    }

    private static DrillCard ReadCard(JsonPlace root, IReadOnlyDictionary<string, string> chosen, RuleSet rules, List<Fault> faults)
    {
        root.Only(
            "format",
            "id",
            "name",
            "purpose",
            "sports",
            "skills",
            "intensity",
            "players",
            "minutes",
            "secondsPerRep",
            "equipment",
            "coaches",
            "setUp",
            "cues",
            "faults",
            "cautions",
            "easier",
            "harder",
            "variantOf",
            "load",
            "options",
            "stages",
            "layout"
        );
        if (!root.IsObject)
        {
            return Unread;
        }

        root.Need("format", $"\"format\": \"{Format}\"")?.OneOf((Format, true));
        var options = ReadOptions(root);
        var inForce = Choose(options, chosen, faults);

        var stages = root.Need("stages", "at least one stage") is { } list
            ? list.WithChosen(inForce).Items().Select(stage => StageReader.Read(stage, rules)).ToArray()
            : [];
        if (stages.Length == 0)
        {
            root.Find("stages")?.Wrong("the list is empty", "write at least one stage");
        }

        return new DrillCard
        {
            Id = root.NeedText("id", "a short id such as \"gate-shots\""),
            Name = root.NeedText("name", "the name of the drill"),
            Purpose = root.TextOr("purpose", ""),
            Sports = root.FilledTexts("sports"),
            Skills = root.FilledTexts("skills"),
            Intensity = root.Find("intensity")?.Whole(1, 5) ?? 3,
            Players = ReadGroupSize(root),
            Minutes = root.Find("minutes")?.Number(0, 600) ?? 0,
            SecondsPerRep = root.Find("secondsPerRep")?.Number(0.1, 3600) ?? 6,
            Equipment = root.List("equipment", EquipmentReader.Read),
            Coaches = root.Find("coaches")?.Whole(0, 50) ?? 0,
            SetUp = root.Texts("setUp"),
            Cues = root.Texts("cues"),
            Faults = root.Texts("faults"),
            Cautions = root.List("cautions", ReadCaution),
            Easier = root.Texts("easier"),
            Harder = root.Texts("harder"),
            VariantOf = root.Find("variantOf")?.Text(),
            Load = ReadLoad(root),
            Options = options,
            Chosen = inForce,
            Stages = stages,
            Layout = root.Find("layout") is { } layout ? LayoutReader.Read(layout) : null,
        };
    }

    private static DrillCard Unread { get; } =
        new DrillCard
        {
            Id = "",
            Name = "",
            Purpose = "",
            Sports = [],
            Skills = [],
            Intensity = 3,
            Players = new(1, 1, 1),
            Minutes = 0,
            SecondsPerRep = 6,
            Equipment = [],
            Coaches = 0,
            SetUp = [],
            Cues = [],
            Faults = [],
            Cautions = [],
            Easier = [],
            Harder = [],
            VariantOf = null,
            Load = null,
            Options = new Dictionary<string, HouseRule>(),
            Chosen = NothingChosen,
            Stages = [],
            Layout = null,
        };

    private static GroupSize ReadGroupSize(JsonPlace root)
    {
        if (root.Find("players") is not { } players)
        {
            return new GroupSize(1, 1, 99);
        }

        players.Only("min", "best", "max");
        var min = players.Find("min")?.Whole(1, 99) ?? 1;
        var max = players.Find("max")?.Whole(1, 99) ?? 99;
        var best = players.Find("best")?.Whole(1, 99) ?? min;
        if (min > best || best > max)
        {
            players.Wrong("min, best and max are out of order", "write min ≤ best ≤ max");
        }

        return new GroupSize(min, best, max);
    }

    private static Caution ReadCaution(JsonPlace place)
    {
        place.Only("kind", "text");
        return new Caution(place.NeedText("kind", "such as \"contact\""), place.NeedText("text", "the words of the caution"));
    }

    private static Load? ReadLoad(JsonPlace root)
    {
        if (root.Find("load") is not { } load)
        {
            return null;
        }

        load.Only("kind", "per");
        return new Load(load.NeedText("kind", "such as \"throw\""), load.TextOr("per", "attempt"));
    }

    private static Dictionary<string, HouseRule> ReadOptions(JsonPlace root)
    {
        var options = new Dictionary<string, HouseRule>(StringComparer.Ordinal);
        if (root.Find("options") is not { } found)
        {
            return options;
        }

        foreach (var (name, place) in found.Properties())
        {
            place.Only("label", "choices", "default");
            var choices = new Dictionary<string, string>(StringComparer.Ordinal);
            foreach (var (value, words) in place.Need("choices", "the schools, each with its words")?.Properties() ?? [])
            {
                choices[value] = words.Text();
            }

            var preset = place.NeedText("default", "the choice taken unless another is made");
            if (preset.Length > 0 && !choices.ContainsKey(preset))
            {
                place
                    .Find("default")
                    ?.Wrong($"\"{preset}\" is not one of the choices", "write one of " + string.Join(", ", choices.Keys));
            }

            options[name] = new HouseRule(place.NeedText("label", "what is chosen"), choices, preset);
        }

        return options;
    }

    private static Dictionary<string, string> Choose(
        Dictionary<string, HouseRule> options,
        IReadOnlyDictionary<string, string> chosen,
        List<Fault> faults
    )
    {
        var inForce = options.ToDictionary(option => option.Key, option => option.Value.Default, StringComparer.Ordinal);
        foreach (var (name, value) in chosen)
        {
            if (!options.TryGetValue(name, out var rule))
            {
                faults.Add(new Fault($"options.{name}", "the card has no such option", "remove it from the log's options"));
            }
            else if (!rule.Choices.ContainsKey(value))
            {
                faults.Add(
                    new Fault(
                        $"options.{name}",
                        $"\"{value}\" is not one of the choices",
                        "write one of " + string.Join(", ", rule.Choices.Keys)
                    )
                );
            }
            else
            {
                inForce[name] = value;
            }
        }

        return inForce;
    }
}
