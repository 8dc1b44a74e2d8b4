using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Formats;
using KeepTally.Core.Identity;
using KeepTally.Core.Json;
using KeepTally.Core.Live;
using KeepTally.Core.Rulebook;
using KeepTally.Core.Rules;
using KeepTally.Core.Rules.Effects;
using KeepTally.Core.Rules.Endings;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Tallies;
using KeepTally.Core.Time;
using KeepTally.Core.Words;

namespace KeepTally.Core.Tests.Rules;

/// <summary>
/// A rule of the stage, an ending and an effect that Keep Tally does not have, made from outside: they read, judge, are told,
/// stand in the schema and in the print, and whatever one of them lacks is found.
/// </summary>
public sealed class MadeUpRuleTests
{
    private const string Outcomes =
        """[{"id":"make","label":"Make","result":"success","points":1,"does":["half"]},{"id":"miss","label":"Miss","result":"failure"}]""";

    /// <summary>Every so many makes are worth something more.</summary>
    private sealed record Bonus(int Every, double Points) : StageRule
    {
        internal static StageRuleKind Kind(
            string label = "A bonus",
            string template = """{"every":3,"points":2}""",
            Schema? schema = null,
            IReadOnlyList<string>? wording = null,
            string said = "Every third make is worth more."
        ) =>
            new(
                "bonus",
                label,
                template,
                schema
                    ?? Schema.Object(new SchemaProperty("every", Schema.Whole(1)), new SchemaProperty("points", Schema.AnyNumber)),
                stage => stage.Find("bonus") is { } place ? Read(place) with { Told = said } : null
            )
            {
                Defaults = [("every", "1")],
                Wording = wording ?? [],
            };

        private string Told { get; init; } = "";

        internal override IEnumerable<string> Words(Stage stage) => Told.Length == 0 ? [] : [Told];

        internal override TapJudge Judge(Stage stage) => new BonusJudge(this);

        private static Bonus Read(JsonPlace place)
        {
            place.Only("every", "points");
            return new Bonus(place.Find("every")?.Whole(1) ?? 1, place.Find("points")?.Number() ?? 0);
        }
    }

    private sealed class BonusJudge(Bonus bonus) : TapJudge, IPointsJudge
    {
        public double Points(UnitTally unit, int zone, bool? attempt) =>
            attempt == true && unit.Successes % bonus.Every == 0 ? bonus.Points : 0;
    }

    /// <summary>A number of failed attempts.</summary>
    private sealed record MissesEnding(int Count, string Told) : Ending
    {
        internal static EndingKind Kind(string label = "misses", string said = "over at so many misses") =>
            new("misses", label, "3", Schema.Whole(1), (amount, _) => new MissesEnding(amount.Whole(1), said));

        internal override string Words(Stage stage) => Told;

        internal override bool IsMet(UnitTally unit, UnitTally[] units, Play play) => unit.Attempts - unit.Successes >= Count;
    }

    private static Effect Half(string label = "halves", string told = "halves the points") =>
        new("half", label, _ => told, static (ref scene) => scene.Unit.Points /= 2);

    private static RuleSet With(StageRuleKind? bonus = null, EndingKind? misses = null, Effect? half = null) =>
        new(
            [
                .. StandardRules.All.Stage.Where(kind => kind.Property != "until"),
                Until.KindOf([.. StandardRules.Endings, misses ?? MissesEnding.Kind()]),
                bonus ?? Bonus.Kind(),
            ],
            [.. OutcomeEffects.All, half ?? Half()]
        );

    [Fact]
    public void Every_rule_of_the_format_has_all_its_parts() => Assert.Empty(RuleProof.Problems(StandardRules.All));

    [Fact]
    public void A_made_up_rule_has_all_its_parts_too() => Assert.Empty(RuleProof.Problems(With()));

    [Fact]
    public void A_made_up_rule_is_judged_like_any_other()
    {
        var card = CardReader
            .Read(
                $$"""
                {"format":"keep-tally/drill@1","id":"d","name":"D",
                 "stages":[{"outcomes":{{Outcomes}},"bonus":{"every":3,"points":2},"until":[{"misses":2}]}]}
                """,
                new Dictionary<string, string>(),
                With()
            )
            .Require();
        var sheet = Sheet
            .Open(
                card,
                new LogHead("d", 0, card.Chosen, [new Unit(new PlayerId("a"), "A", []), new Unit(new PlayerId("b"), "B", [])])
            )
            .Require();
        sheet.Add(new RunEvent.Start(new EventId(new DeviceId("s"), 1), new Instant(0)));

        sheet.Taps("a+ a+ a+ a- b-");
        Assert.Equal(((((0 + 1) / 2.0) + 1) / 2.0 + 2 + 1) / 2.0, sheet.Now().Of("a").Points);
        Assert.False(sheet.Now().Of("a").Done);

        sheet.Taps("a-");
        Assert.True(sheet.Now().Of("a").Done);
        Assert.False(sheet.Now().Of("b").Done);
    }

    [Fact]
    public void It_is_told_with_the_rules_of_its_stage()
    {
        var card = CardReader
            .Read(
                $$"""{"format":"keep-tally/drill@1","id":"d","name":"D","stages":[{"outcomes":{{Outcomes}},"bonus":{"points":2},"until":[{"misses":2}]}]}""",
                new Dictionary<string, string>(),
                With()
            )
            .Require();

        var words = CardWords.InFull(card);

        Assert.Contains("Every third make is worth more.", words, StringComparison.Ordinal);
        Assert.Contains("Over at so many misses.", words, StringComparison.Ordinal);
        Assert.Contains("A make halves the points.", words, StringComparison.Ordinal);
    }

    [Fact]
    public void A_card_that_uses_it_is_wrong_where_it_is_not_registered() =>
        Assert.Contains(
            CardReader.Read("""{"format":"keep-tally/drill@1","id":"d","name":"D","stages":[{"bonus":{"every":3}}]}""").Faults,
            fault => fault.Path == "stages[0].bonus"
        );

    public static TheoryData<string, Func<object>> Incomplete =>
        new()
        {
            { "has no label for the editor", () => With(bonus: Bonus.Kind(label: "")) },
            { "has no template", () => With(bonus: Bonus.Kind(template: " ")) },
            { "has no part in the schema", () => With(bonus: Bonus.Kind(schema: default(Schema))) },
            { "has no label for the editor", () => With(misses: MissesEnding.Kind(label: "")) },
            { "has no label for the editor", () => With(half: Half(label: "")) },
            { "Two rules are named", () => new RuleSet([Bonus.Kind(), Bonus.Kind()], OutcomeEffects.All) },
        };

    [Theory]
    [MemberData(nameof(Incomplete))]
    public void A_set_with_an_unfinished_rule_is_not_made(string missing, Func<object> make) =>
        Assert.Contains(missing, Assert.Throws<ArgumentException>(make).Message, StringComparison.Ordinal);

    public static TheoryData<string, Func<object>> Silent =>
        new()
        {
            { "bonus: it is not told in words", () => With(bonus: Bonus.Kind(said: "")) },
            { "half: it is not told in words", () => With(half: Half(told: "")) },
            {
                "bonus: its template does not validate",
                () => With(bonus: Bonus.Kind(schema: Schema.Object(new SchemaProperty("every", Schema.Whole(1)))))
            },
            { "bonus: its template does not read", () => With(bonus: Bonus.Kind(template: """{"never":3}""")) },
            { "bonus: it does not change the print of what scores", () => With(bonus: Bonus.Kind(wording: ["every", "points"])) },
        };

    [Theory]
    [MemberData(nameof(Silent))]
    public void What_a_rule_forgets_to_say_is_found(string problem, Func<object> make) =>
        Assert.Contains(RuleProof.Problems((RuleSet)make()), found => found.StartsWith(problem, StringComparison.Ordinal));

    [Fact]
    public void Every_measure_is_told_and_can_be_a_par()
    {
        var cards = MeasureKinds.All.Select(kind =>
            Given.Card(
                $$"""
                "measure":[{"by":"{{kind.Word}}","better":"low"}],"par":{"by":"{{kind.Word}}","value":2}
                """
            )
        );

        Assert.Equal(MeasureKinds.All.Count, cards.Select(CardWords.InFull).Distinct().Count());
        Assert.DoesNotContain(MeasureKinds.All, kind => kind.Label.Length == 0 || kind.Heading.Length == 0);
    }
}
