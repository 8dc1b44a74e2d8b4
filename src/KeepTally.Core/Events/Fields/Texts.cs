using System.Text.Json;

namespace KeepTally.Core.Events.Fields;

/// <summary>Takes a text that is at once clear.</summary>
internal static class Texts
{
    /// <summary>False where it is none, or too long; a dollar sign may stand for a house rule.</summary>
    internal static bool TryTake(ref Utf8JsonReader json, int longest, out object? value)
    {
        value =
            json.Read()
            && json.TokenType == JsonTokenType.String
            && json.GetString() is { } text
            && text.Length <= longest
            && !text.StartsWith('$')
                ? text
                : null;
        return value is not null;
    }
}
