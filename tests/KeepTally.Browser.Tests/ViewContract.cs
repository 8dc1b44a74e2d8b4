using System.Collections;
using System.Reflection;
using System.Text;
using System.Text.Json;
using System.Text.Json.Serialization;

namespace KeepTally.Browser.Tests;

/// <summary>What the core hands to the scripts, as types that the checker of the scripts reads (<c>Scripts/views.d.ts</c>).</summary>
internal static class ViewContract
{
    private static readonly NullabilityInfoContext Nullability = new();

    /// <summary>The text of the file: an interface for each record, by name.</summary>
    internal static string Write()
    {
        var text = new StringBuilder();
        text.Append(
            "// What the core hands to the scripts. Made from the records of C# by ViewContractTests; not written by hand.\n"
        );
        foreach (var record in Records())
        {
            text.Append("\nexport interface ").Append(record.Name).Append(" {\n");
            foreach (var property in PropertiesOf(record))
            {
                var name = JsonNamingPolicy.CamelCase.ConvertName(property.Name);
                text.Append("  ").Append(name).Append(": ").Append(TypeOf(Nullability.Create(property))).Append(";\n");
            }

            text.Append("}\n");
        }

        return text.ToString();
    }

    /// <summary>The properties of a record that are written, in the order in which they stand.</summary>
    internal static IEnumerable<PropertyInfo> PropertiesOf(Type record) =>
        record
            .GetProperties(BindingFlags.Public | BindingFlags.Instance)
            .Where(property => property.GetCustomAttribute<JsonIgnoreAttribute>() is null);

    /// <summary>The record that a value of this type is made of, if it is one.</summary>
    internal static Type? RecordOf(Type type)
    {
        var item = ItemOf(type) ?? Nullable.GetUnderlyingType(type) ?? type;
        return item.Namespace?.StartsWith("KeepTally", StringComparison.Ordinal) == true && !item.IsEnum ? item : null;
    }

    private static SortedSet<Type> Records()
    {
        var found = new SortedSet<Type>(Comparer<Type>.Create((one, other) => string.CompareOrdinal(one.Name, other.Name)));
        var handed = typeof(Bridge)
            .Assembly.GetType("KeepTally.Browser.ViewJson", throwOnError: true)!
            .GetCustomAttributesData()
            .Where(said => said.AttributeType == typeof(JsonSerializableAttribute))
            .Select(said => (Type)said.ConstructorArguments[0].Value!);
        var open = new Stack<Type>(handed);
        while (open.TryPop(out var type))
        {
            if (RecordOf(type) is { } record && found.Add(record))
            {
                PropertiesOf(record).ToList().ForEach(property => open.Push(property.PropertyType));
            }
        }

        return found;
    }

    private static string TypeOf(NullabilityInfo said)
    {
        var type = said.Type;
        var plain =
            said.GenericTypeArguments is [{ } item] && ItemOf(type) is not null ? ListOf(TypeOf(item))
            : Nullable.GetUnderlyingType(type) is { } value ? NameOf(value)
            : NameOf(type);
        return said.ReadState == NullabilityState.Nullable || Nullable.GetUnderlyingType(type) is not null
            ? $"{plain} | null"
            : plain;
    }

    private static string ListOf(string item) => item.Contains('|', StringComparison.Ordinal) ? $"({item})[]" : $"{item}[]";

    private static Type? ItemOf(Type type) =>
        type.IsGenericType && typeof(IEnumerable).IsAssignableFrom(type) ? type.GetGenericArguments()[0] : null;

    private static string NameOf(Type type) =>
        type == typeof(string) ? "string"
        : type == typeof(bool) ? "boolean"
        : type.IsPrimitive ? "number"
        : RecordOf(type)?.Name ?? throw new NotSupportedException($"{type} has no name in the scripts.");
}
