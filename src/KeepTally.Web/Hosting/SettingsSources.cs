using System.CommandLine;
using System.Globalization;
using System.Text.Json;
using KeepTally.Core.Faults;

namespace KeepTally.Web.Hosting;

/// <summary>Where settings come from: the command line before the environment, the environment before the settings file.</summary>
internal sealed class SettingsSources(ParseResult line, Func<string, string?> environment)
{
    /// <summary>A value that was given, and where.</summary>
    internal sealed record Given(string? Value, string Place);

    private Dictionary<string, string?> _file = [];
    private string _fileName = "";

    /// <summary>Reads the settings file; why it cannot be read, or null.</summary>
    /// <param name="path">The file.</param>
    /// <param name="known">The settings there are.</param>
    internal Fault? Open(string path, IReadOnlyList<Setting> known)
    {
        try
        {
            using var document = JsonDocument.Parse(File.ReadAllText(path));
            if (document.RootElement.ValueKind != JsonValueKind.Object)
            {
                return new Fault(path, "settings are an object", "write { \"port\": 5080 }");
            }

            var names = known.Select(setting => setting.Name).ToArray();
            var seen = new HashSet<string>(StringComparer.Ordinal);
            foreach (var property in document.RootElement.EnumerateObject())
            {
                if (!seen.Add(property.Name))
                {
                    return new Fault($"{path}, {property.Name}", "this setting stands there twice", "delete one of them");
                }

                if (!names.Contains(property.Name))
                {
                    return new Fault(
                        $"{path}, {property.Name}",
                        "no such setting is known here",
                        $"use one of {string.Join(", ", names)}"
                    );
                }
            }

            _file = document
                .RootElement.EnumerateObject()
                .ToDictionary(each => each.Name, each => (string?)TextOf(each.Value), StringComparer.Ordinal);
            _fileName = path;
            return null;
        }
        catch (JsonException broken)
        {
            var at = string.Create(CultureInfo.InvariantCulture, $"line {(broken.LineNumber ?? 0) + 1}");
            return new Fault($"{path}, {at}", "this is not valid JSON", "fix it there; write { \"port\": 5080 }");
        }
        catch (Exception failure) when (failure is IOException or UnauthorizedAccessException)
        {
            return new Fault(path, "this file cannot be read", "give a file of settings that is there");
        }
    }

    /// <summary>What was given of a setting, or null where it was not.</summary>
    internal Given? Of(Setting setting)
    {
        if (line.GetResult(setting.Option) is { Implicit: false } said)
        {
            var value = said.Tokens.Count > 0 ? said.Tokens[0].Value : null;
            return new Given(setting.Option.Arity.MaximumNumberOfValues == 0 ? "true" : value, setting.Option.Name);
        }

        return environment(setting.Variable) is { Length: > 0 } variable ? new Given(variable, setting.Variable)
            : _file.TryGetValue(setting.Name, out var written) ? new Given(written, $"{_fileName}, {setting.Name}")
            : null;
    }

    private static string TextOf(JsonElement value) =>
        value.ValueKind == JsonValueKind.String ? value.GetString()! : value.GetRawText();
}
