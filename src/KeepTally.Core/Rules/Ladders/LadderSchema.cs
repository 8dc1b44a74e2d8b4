using KeepTally.Core.Json;

namespace KeepTally.Core.Rules.Ladders;

/// <summary>The ladder's part of the schema.</summary>
internal static class LadderSchema
{
    internal static Schema Of(Choices fails) =>
        Schema.Object(
            new SchemaProperty("rungs", Rungs, IsNeeded: true),
            new SchemaProperty("laps", Schema.Whole(1, 1000)),
            new SchemaProperty("pass", Schema.Named("pass"), IsNeeded: true),
            new SchemaProperty("fail", Schema.OneOf(fails))
        );

    private static Schema Rungs =>
        Schema.Any(
            Schema.Texts.AtLeastOne(),
            Schema.Object(
                new SchemaProperty("start", Schema.AnyNumber, IsNeeded: true),
                new SchemaProperty("step", Schema.AnyNumber, IsNeeded: true),
                new SchemaProperty("unit", Schema.AnyText),
                new SchemaProperty("count", Schema.Whole(1, 1000))
            )
        );

    internal static Schema PassOf(Choices stops) =>
        Schema.One(
            Schema.Object(new SchemaProperty("streak", Schema.Whole(1), IsNeeded: true)),
            Schema.Object(new SchemaProperty("successes", Schema.Whole(1), IsNeeded: true)),
            Schema.Object(
                new SchemaProperty("successes", Schema.Whole(1), IsNeeded: true),
                new SchemaProperty("of", Schema.Whole(1), IsNeeded: true),
                new SchemaProperty("stop", Schema.OneOf(stops))
            )
        );
}
