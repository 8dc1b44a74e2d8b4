using System.Text;
using System.Text.Json;
using KeepTally.Core.Faults;

namespace KeepTally.Core.Formats;

/// <summary>Turns text into JSON, or into one fault that says where the text breaks off.</summary>
internal static class JsonText
{
    private static readonly JsonDocumentOptions Strict = new() { AllowDuplicateProperties = false, MaxDepth = 32 };

    internal static JsonDocument? Parse(string text, List<Fault> faults)
    {
        try
        {
            return JsonDocument.Parse(text, Strict);
        }
        catch (JsonException broken)
        {
            faults.Add(WhereItBroke(text, broken));
            return null;
        }
    }

    /// <summary>The framework counts lines from nought and bytes within a line; people count lines and characters from one.</summary>
    private static Fault WhereItBroke(string text, JsonException broken)
    {
        if (broken.LineNumber is not { } line)
        {
            return new Fault(
                "",
                "a property is written twice in one object",
                "keep one of the two: " + FirstClause(broken.Message)
            );
        }

        var bytes = Encoding.UTF8.GetBytes(text.Split('\n')[(int)line]);
        var column = Encoding.UTF8.GetCharCount(bytes, 0, (int)Math.Min(broken.BytePositionInLine ?? 0, bytes.Length));
        return new Fault($"line {line + 1}, column {column + 1}", "this is not JSON", FirstClause(broken.Message));
    }

    private static string FirstClause(string message) => message.Split(". ")[0].TrimEnd('.');
}
