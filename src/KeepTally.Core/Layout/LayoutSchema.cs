using KeepTally.Core.Courts;
using KeepTally.Core.Json;

namespace KeepTally.Core.Layout;

/// <summary>The part of the schema of cards that says what a layout is.</summary>
internal static class LayoutSchema
{
    private static Schema Distance { get; } =
        Schema
            .Any(Schema.PlainAnyNumber, Schema.TextLike("^-?[0-9]+([.,][0-9]+)? ?(m|ft|yd|p)?$"))
            .Described("Metres, or paces, feet and yards as 4p, 15ft, 15yd.");

    internal static Schema Layout { get; } =
        Schema
            .Object(
                new SchemaProperty("surface", Schema.Any(Court, Floor)),
                new SchemaProperty("marks", Schema.List(Mark)),
                new SchemaProperty("paths", Schema.List(Way)),
                new SchemaProperty("steps", Schema.Any(Schema.List(Schema.Any(Schema.AnyText, Step)), NoList))
            )
            .Open();

    /// <summary>Passed over where steps are meant.</summary>
    private static Schema NoList => Schema.Not(Schema.AnyList);

    private static Schema Court => Schema.OneOf(CourtList.All.Select(court => court.Id));

    private static Schema Floor =>
        Schema.Object(
            new SchemaProperty("court", Court),
            new SchemaProperty("part", Schema.OneOf(LayoutChoices.Parts)),
            new SchemaProperty("length", Distance),
            new SchemaProperty("width", Distance)
        );

    private static Schema Mark =>
        Schema.Object(
            new SchemaProperty("id", Schema.AnyText),
            new SchemaProperty("kind", Schema.OneOf(LayoutChoices.Kinds)),
            new SchemaProperty("x", Distance),
            new SchemaProperty("y", Distance),
            new SchemaProperty("length", Distance),
            new SchemaProperty("width", Distance),
            new SchemaProperty("height", Distance),
            new SchemaProperty("label", Schema.AnyText),
            new SchemaProperty("in", Schema.AnyText.Described("The goal in whose mouth the zone hangs.")),
            new SchemaProperty("corners", Schema.List(Schema.List(Distance)))
        );

    private static Schema Way =>
        Schema.Object(
            new SchemaProperty("from", Schema.FilledText, IsNeeded: true),
            new SchemaProperty("to", Schema.FilledText, IsNeeded: true),
            new SchemaProperty("as", Schema.OneOf(LayoutChoices.Travels)),
            new SchemaProperty("step", Schema.Whole(0, 99))
        );

    private static Schema Step =>
        Schema.Object(new SchemaProperty("text", Schema.AnyText), new SchemaProperty("seconds", Schema.Number(0.1, 600)));
}
