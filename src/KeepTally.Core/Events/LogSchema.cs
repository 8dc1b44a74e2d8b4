using KeepTally.Core.Clock;
using KeepTally.Core.Events.Fields;
using KeepTally.Core.Json;

namespace KeepTally.Core.Events;

/// <summary>The JSON Schema (2020-12) of a line of <c>keep-tally/log@1</c>: the head, or an event of one of the kinds.</summary>
public static class LogSchema
{
    /// <summary>The schema, as JSON.</summary>
    public static string Text =>
        Schema
            .Any([Head, .. EventFormats.All.Select(EventOf)])
            .Published(
                "log@1",
                $"One line of a Keep Tally run log, {HeadReader.Format}",
                "The first line is the head, every other line an event. Source: docs/formats.md, section 2."
            )
            .Text;

    private static Schema Number => Schema.PlainWhole(0, HeadReader.MostNumber).Described("The shirt number of a player.");

    private static Schema Person =>
        Schema.Object(Needed("id", Schema.FilledText), Optional("name", Schema.AnyText), Optional("number", Number));

    private static Schema Unit =>
        Schema.Object(
            Needed("id", Schema.FilledText),
            Optional("name", Schema.AnyText),
            Optional("number", Number),
            Optional("players", Schema.List(Person))
        );

    private static Schema Head =>
        Schema.Object(
            Needed("format", Schema.Const(HeadReader.Format)),
            Needed("drill", Schema.FilledText),
            Optional("stage", Schema.PlainWhole(0)),
            Optional("options", Schema.Map(Schema.AnyText)),
            Optional("seed", Schema.PlainWhole(0)),
            Needed("units", Schema.List(Unit).AtLeastOne()),
            Optional("bench", Schema.List(Person).Described("Who may come in.")),
            Optional(
                "countIn",
                Schema.PlainNumber(0, ClockReader.LongestSeconds).Described("Seconds of count-in in place of the card's.")
            )
        );

    private static Schema EventOf(EventFormat format) =>
        Schema.Object([
            Needed("device", Schema.TextOf(Limits.LongestDevice, 1)),
            Needed("n", Schema.PlainWhole(0)),
            Needed("at", Schema.PlainWhole(0, EventReader.LatestAt.Milliseconds)),
            Needed("type", Schema.Const(format.Type)),
            .. format.Fields.Select(field =>
                field.IsNeeded ? Needed(field.Name, field.Schema) : Optional(field.Name, field.Schema)
            ),
        ]);

    private static SchemaProperty Needed(string name, Schema value) => new(name, value, IsNeeded: true);

    private static SchemaProperty Optional(string name, Schema value) => new(name, value) { IsNeverNull = true };
}
