using System.Text.Encodings.Web;
using System.Text.Json;
using KeepTally.Core.Events;
using KeepTally.Core.Formats;
using KeepTally.Core.Planning;
using KeepTally.Core.Rulebook;

namespace KeepTally.Core.Tests.Formats;

/// <summary>
/// The schema that is published is the one the rules make. Where a rule has changed, run the tests with KEEP_SCHEMA set to
/// the full path of <c>docs/schemas</c>, and read what changed before it is committed.
/// </summary>
public sealed class SchemaTests
{
    private static readonly JsonSerializerOptions Indented = new()
    {
        WriteIndented = true,
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    [Fact]
    public void The_published_schema_of_cards_is_the_one_the_rules_make() =>
        IsPublished("drill@1.schema.json", CardSchema.Of(StandardRules.All));

    [Fact]
    public void The_published_schema_of_timing_sheets_is_the_one_the_core_makes() =>
        IsPublished("plan@1.schema.json", PlanSchema.Text);

    [Fact]
    public void The_published_schema_of_logs_is_the_one_the_kinds_of_events_make() =>
        IsPublished("log@1.schema.json", LogSchema.Text);

    private static void IsPublished(string name, string text)
    {
        using var made = JsonDocument.Parse(text);
        if (Environment.GetEnvironmentVariable("KEEP_SCHEMA") is { Length: > 0 } folder)
        {
            File.WriteAllText(Path.Combine(folder, name), JsonSerializer.Serialize(made.RootElement, Indented) + "\n");
        }

        using var published = JsonDocument.Parse(File.ReadAllText(Path.Combine(AppContext.BaseDirectory, "schemas", name)));

        Assert.Null(CheckCase.Difference(published.RootElement, made.RootElement));
    }
}
