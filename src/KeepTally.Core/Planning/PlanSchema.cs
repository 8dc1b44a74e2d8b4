using KeepTally.Core.Json;

namespace KeepTally.Core.Planning;

/// <summary>The JSON Schema (2020-12) of <c>keep-tally/plan@1</c>.</summary>
public static class PlanSchema
{
    /// <summary>The schema, as JSON.</summary>
    public static string Text =>
        Sheet
            .Published(
                "plan@1",
                $"Keep Tally timing sheet, {PlanReader.Format}",
                "What is done in a practice, in which order and for how long. The meaning stands in docs/formats.md, section 5."
            )
            .Text;

    private static Schema Minutes => Schema.PlainNumber(0.1, PlanReader.MostMinutes);

    private static Schema Seconds => Schema.PlainNumber(0, PlanReader.MostSeconds);

    private static Schema Sheet =>
        Schema.Object(
            new SchemaProperty("format", Schema.Const(PlanReader.Format), IsNeeded: true),
            new SchemaProperty("title", Schema.AnyText),
            new SchemaProperty("date", Schema.TextLike(@"^\d{4}-\d{2}-\d{2}$")),
            new SchemaProperty("start", Schema.TextLike(@"^\d{2}:\d{2}(:\d{2})?$"), IsNeeded: true),
            new SchemaProperty("place", Schema.AnyText),
            new SchemaProperty("minutes", Schema.PlainNumber(1, PlanReader.MostMinutes), IsNeeded: true),
            new SchemaProperty("players", Schema.PlainWhole(0, PlanReader.MostPlayers), IsNeeded: true),
            new SchemaProperty("coaches", Schema.PlainWhole(0, PlanReader.MostPlayers)),
            new SchemaProperty("age", Schema.PlainWhole(1, 120)),
            new SchemaProperty("equipment", Schema.Map(Schema.PlainWhole(0, PlanReader.MostThings))),
            new SchemaProperty(
                "caps",
                Schema.Object(
                    new SchemaProperty("drillMinutes", Minutes),
                    new SchemaProperty("waitSeconds", Seconds),
                    new SchemaProperty("groupSize", Schema.PlainWhole(1, PlanReader.MostPlayers))
                )
            ),
            new SchemaProperty("blocks", Schema.List(Schema.Any(Drill, Circuit, Pause("break"), Pause("talk"))), IsNeeded: true),
            new SchemaProperty("reserve", Texts)
        );

    private static Schema Texts => Schema.List(Schema.AnyText);

    private static Schema Drill =>
        Line(
            new SchemaProperty("drill", Schema.FilledText, IsNeeded: true),
            new SchemaProperty("minutes", Minutes, IsNeeded: true),
            new SchemaProperty("groups", Schema.PlainWhole(1, PlanReader.MostGroups)),
            new SchemaProperty("stage", Schema.PlainWhole(0, 50)),
            new SchemaProperty("options", Schema.Map(Schema.AnyText)),
            new SchemaProperty("fitsClock", Schema.Boolean),
            new SchemaProperty("versus", Schema.PlainWhole(1, 20))
        );

    private static Schema Circuit =>
        Line(
            new SchemaProperty("circuit", Texts.AtLeastOne(), IsNeeded: true),
            new SchemaProperty("minutesEach", Minutes, IsNeeded: true),
            new SchemaProperty("groups", Schema.PlainWhole(1, PlanReader.MostGroups)),
            new SchemaProperty("changeSeconds", Seconds),
            new SchemaProperty("changeInside", Schema.Boolean),
            new SchemaProperty("reverse", Schema.Boolean),
            new SchemaProperty("coachesMove", Schema.Boolean)
        );

    private static Schema Pause(string name) =>
        Line(new SchemaProperty(name, Schema.FilledText, IsNeeded: true), new SchemaProperty("minutes", Minutes, IsNeeded: true));

    private static Schema Line(params SchemaProperty[] own) =>
        Schema.Object([.. own, new SchemaProperty("change", Seconds), new SchemaProperty("takes", Texts)]);
}
