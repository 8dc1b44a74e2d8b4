using System.Text.Encodings.Web;
using System.Text.Json;
using KeepTally.Core.Formats;
using KeepTally.Core.Rulebook;

namespace KeepTally.Core.Tests.Formats;

/// <summary>
/// The schema that is published is the one the rules make. Where a rule has changed, run the tests with KEEP_SCHEMA set to
/// the full path of <c>docs/schemas</c>, and read what changed before it is committed.
/// </summary>
public sealed class CardSchemaTests
{
    private static readonly JsonSerializerOptions Indented = new()
    {
        WriteIndented = true,
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    private const string Name = "drill@1.schema.json";

    [Fact]
    public void The_published_schema_is_the_one_the_rules_make()
    {
        using var made = JsonDocument.Parse(CardSchema.Of(StandardRules.All));
        if (Environment.GetEnvironmentVariable("KEEP_SCHEMA") is { Length: > 0 } folder)
        {
            File.WriteAllText(Path.Combine(folder, Name), JsonSerializer.Serialize(made.RootElement, Indented) + "\n");
        }

        using var published = JsonDocument.Parse(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "schemas", Name)));

        Assert.Null(CheckCase.Difference(published.RootElement, made.RootElement));
    }
}
