using KeepTally.Core.Cards;
using KeepTally.Core.Json;
using KeepTally.Core.Text;

namespace KeepTally.Core.Rules.Zones;

/// <summary>
/// Zones asked for in a fixed order, the whole list <paramref name="Rounds"/> times over. Source: docs/formats.md, section 1,
/// "Targets".
/// </summary>
/// <param name="Zones">The zones in the order they are asked; one may be asked more than once.</param>
/// <param name="Rounds">How many times over, 1 or more.</param>
/// <param name="Points">Points for hitting the zone asked.</param>
public sealed record Targets(IReadOnlyList<string> Zones, int Rounds, double Points) : StageRule
{
    /// <summary>Where a ball went that hit no zone.</summary>
    public const string None = "none";

    /// <summary>How the rule stands on a card.</summary>
    public static StageRuleKind Kind { get; } =
        new(
            property: "targets",
            label: "Zones",
            template: """{"zones":["high-left","low-right"],"rounds":5,"points":1}""",
            schema: Schema.Named("targets"),
            read: Read
        )
        {
            Definitions =
            [
                (
                    "targets",
                    Schema.Object(
                        new SchemaProperty("zones", Schema.Texts.AtLeastOne(), IsNeeded: true),
                        new SchemaProperty("rounds", Schema.Whole(1, 1000)),
                        new SchemaProperty("points", Schema.AnyNumber)
                    )
                ),
            ],
            Defaults = [("rounds", "1")],
        };

    /// <summary>How many balls are asked in all.</summary>
    public int Asked => Zones.Count * Rounds;

    /// <summary>Each zone once, in the order first asked.</summary>
    public IReadOnlyList<string> Names { get; } = [.. Zones.Distinct()];

    /// <summary>For each entry of the asked list, its index among <see cref="Names"/>.</summary>
    public IReadOnlyList<int> Order { get; } = [.. Zones.Select(zone => Zones.Distinct().ToList().IndexOf(zone))];

    internal override string Topic => "Zones";

    internal override string Ends => "over after the last ball asked";

    internal override IEnumerable<string> Words(Stage stage)
    {
        var order = Phrase.InOrder([.. Zones.Select(Phrase.Words)]);
        var rounds = Rounds == 1 ? "" : $", {Phrase.Times(Rounds)} over";
        yield return Phrase.Sentence($"asked in this order: {order}{rounds}; {Phrase.Of(Asked, "ball")} in all");
        if (Points != 0)
        {
            yield return Phrase.Sentence($"{Phrase.Figure(Points)} for hitting the zone asked");
        }

        yield return "Where each ball really went is recorded.";
    }

    internal override IEnumerable<string> Heart(Stage stage) => Words(stage).Take(1);

    internal override TapJudge Judge(Stage stage) => new TargetJudge(this);

    internal override string TellBall(in TapStory tap)
    {
        if (tap.Was.Asked is not { } asked || tap.Tap.Zone is not { } landed)
        {
            return "";
        }

        var next = tap.Now.Asked is { } coming ? $" Next: {Phrase.Words(coming)}." : "";
        var where = landed == None ? "elsewhere" : Phrase.Words(landed);
        return asked == landed
            ? $"{Phrase.Capital(Phrase.Words(asked))}, as asked.{next}"
            : $"Asked {Phrase.Words(asked)}, went {where}: a miss.{next}";
    }

    private static Targets? Read(JsonPlace stage)
    {
        if (stage.Find(Kind.Property) is not { } place)
        {
            return null;
        }

        place.Only("zones", "rounds", "points");
        var zones = place.Texts("zones");
        if (zones.Count == 0)
        {
            place.Wrong("no zone is asked for", "write zones: the zones in the order they are asked");
        }

        if (zones.Contains(None))
        {
            place.Find("zones")?.Wrong("\"none\" means no zone was hit", "give the zone another id");
        }

        return new Targets(zones, place.Find("rounds")?.Whole(1, 1000) ?? 1, place.Find("points")?.Number() ?? 1);
    }
}

/// <summary>Finds the rule on a stage.</summary>
public static class TargetsOfStage
{
    extension(Stage stage)
    {
        /// <summary>The zones the stage asks for, or null where it asks for none.</summary>
        public Targets? Targets => stage.Rule<Targets>();
    }
}
