using System.Text.Json;
using KeepTally.Core.Json;

namespace KeepTally.Core.Events.Fields;

/// <summary>What else a tap says, each by name; may be left out.</summary>
internal sealed class TagsField(string name) : Field<IReadOnlyDictionary<string, string>?>(name)
{
    internal override IReadOnlyDictionary<string, string>? Of(object? value) => (IReadOnlyDictionary<string, string>?)value;

    internal override object? ValueOf(IReadOnlyDictionary<string, string>? held) => held;

    internal override Schema Schema => Schema.Map(Schema.TextOf(Limits.LongestWord)).WithAtMost(Limits.MostTags);

    internal override bool TryTake(ref Utf8JsonReader json, out object? value)
    {
        value = null;
        if (!json.Read() || json.TokenType != JsonTokenType.StartObject)
        {
            return false;
        }

        var tags = new Dictionary<string, string>(StringComparer.Ordinal);
        while (json.Read() && json.TokenType == JsonTokenType.PropertyName)
        {
            var tag = json.GetString()!;
            if (
                tag.Length > Limits.LongestWord
                || !Texts.TryTake(ref json, Limits.LongestWord, out var text)
                || !tags.TryAdd(tag, (string)text!)
            )
            {
                return false;
            }
        }

        value = tags;
        return tags.Count <= Limits.MostTags && json.TokenType == JsonTokenType.EndObject;
    }

    internal override object? Read(JsonPlace place)
    {
        if (place.Find(Name) is not { } tags)
        {
            return null;
        }

        var values = tags.Properties()
            .ToDictionary(tag => tag.Name, tag => tag.Value.Limited(Limits.LongestWord), StringComparer.Ordinal);
        if (values.Count > Limits.MostTags || values.Keys.Any(tag => tag.Length > Limits.LongestWord))
        {
            tags.Wrong(
                "this is too much for one tap",
                $"write at most {Limits.MostTags} tags, each name at most {Limits.LongestWord} characters"
            );
        }

        return values;
    }

    internal override void Write(Utf8JsonWriter json, object value)
    {
        json.WriteStartObject(Name);
        foreach (var (tag, said) in (IReadOnlyDictionary<string, string>)value)
        {
            json.WriteString(tag, said);
        }

        json.WriteEndObject();
    }
}
