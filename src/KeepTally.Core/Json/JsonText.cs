using System.Text;
using System.Text.Json;
using KeepTally.Core.Faults;

namespace KeepTally.Core.Json;

/// <summary>Turns text into JSON, or into one fault that says where the text breaks off.</summary>
internal static class JsonText
{
    private static readonly JsonDocumentOptions Strict = new() { AllowDuplicateProperties = false, MaxDepth = 32 };

    internal static JsonDocument? Parse(string text, List<Fault> faults)
    {
        if (HalfCharacter(text) is { } half)
        {
            faults.Add(half);
            return null;
        }

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

    /// <summary>
    /// Half of a character that takes two (a lone surrogate), written as it is or as <c>\ud83d</c>: no text can hold it, and
    /// the framework throws where it is read.
    /// </summary>
    private static Fault? HalfCharacter(string text)
    {
        for (var i = text.AsSpan().IndexOfAnyInRange('\ud800', '\udfff'); i >= 0 && i < text.Length; i++)
        {
            if (char.IsHighSurrogate(text[i]) && i + 1 < text.Length && char.IsLowSurrogate(text[i + 1]))
            {
                i++;
            }
            else if (char.IsSurrogate(text[i]))
            {
                return Half(text, i);
            }
        }

        return text.Contains("\\ud", StringComparison.OrdinalIgnoreCase) ? EscapedHalf(text) : null;
    }

    private static Fault? EscapedHalf(string text)
    {
        var bytes = Encoding.UTF8.GetBytes(text);
        var reader = new Utf8JsonReader(bytes);
        try
        {
            while (reader.Read())
            {
                if (reader.TokenType is JsonTokenType.String or JsonTokenType.PropertyName && reader.ValueIsEscaped)
                {
                    reader.GetString();
                }
            }
        }
        catch (InvalidOperationException)
        {
            return Half(text, Encoding.UTF8.GetCharCount(bytes, 0, (int)reader.TokenStartIndex));
        }
        catch (JsonException)
        {
            // Broken otherwise, which is told where it is parsed.
        }

        return null;
    }

    private static Fault Half(string text, int index)
    {
        var line = text.AsSpan(0, index).Count('\n');
        var column = index - (text.AsSpan(0, index).LastIndexOf('\n') + 1);
        return new Fault(
            $"line {line + 1}, column {column + 1}",
            "half of a character stands here",
            "write the whole character, or remove it"
        );
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
