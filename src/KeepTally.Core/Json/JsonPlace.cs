using System.Globalization;
using System.Text.Json;
using KeepTally.Core.Faults;

namespace KeepTally.Core.Json;

/// <summary>
/// One value of a JSON text together with the path to it. Reading through places collects every fault with its path,
/// gives a harmless stand-in for what is missing, and lets the reader go on to find the next fault.
/// </summary>
internal readonly struct JsonPlace
{
    private readonly Context _context;

    private JsonPlace(JsonElement element, string path, Context context)
    {
        Element = element;
        Path = path;
        _context = context;
    }

    internal JsonElement Element { get; }

    internal string Path { get; }

    private sealed record Context(List<Fault> Faults, IReadOnlyDictionary<string, string> Chosen);

    internal static JsonPlace Root(JsonElement element, List<Fault> faults) =>
        new(element, "", new Context(faults, new Dictionary<string, string>()));

    /// <summary>The same place, read with house rules chosen: a string <c>"$miss"</c> below it stands for the chosen value.</summary>
    internal JsonPlace WithChosen(IReadOnlyDictionary<string, string> chosen) =>
        new(Element, Path, _context with { Chosen = chosen });

    internal void Wrong(string problem, string fix) => Add(new Fault(Path, problem, fix));

    private void Add(Fault fault)
    {
        if (_context.Faults.Count < Fault.Most)
        {
            _context.Faults.Add(fault);
        }
    }

    internal bool IsObject => Element.ValueKind == JsonValueKind.Object;

    internal bool IsArray => Element.ValueKind == JsonValueKind.Array;

    internal bool IsText => Element.ValueKind == JsonValueKind.String;

    private bool IsChosen => IsText && Element.GetString()!.StartsWith('$');

    /// <summary>Every property not named here is a fault, as is anything but an object.</summary>
    internal void Only(params ReadOnlySpan<string> known)
    {
        if (!IsObject)
        {
            Wrong("an object belongs here", "write { … } with " + string.Join(", ", known.ToArray()));
            return;
        }

        foreach (var property in Element.EnumerateObject())
        {
            if (!known.Contains(property.Name))
            {
                At(property.Name, property.Value)
                    .Wrong("no such property is known here", "remove it, or use one of " + string.Join(", ", known.ToArray()));
            }
        }
    }

    /// <summary>Returns the properties besides those named, where the format allows others; anything but an object is a fault.</summary>
    internal IReadOnlyList<Fault> Beside(params ReadOnlySpan<string> known)
    {
        if (!IsObject)
        {
            Only(known);
            return [];
        }

        var beside = new List<Fault>();
        foreach (var property in Element.EnumerateObject())
        {
            if (!known.Contains(property.Name))
            {
                beside.Add(
                    new Fault(
                        At(property.Name, property.Value).Path,
                        "this is not known here and is passed over",
                        "remove it, or use one of " + string.Join(", ", known.ToArray())
                    )
                );
            }
        }

        return beside;
    }

    internal JsonPlace? Find(string name) =>
        IsObject && Element.TryGetProperty(name, out var value) && value.ValueKind != JsonValueKind.Null ? At(name, value) : null;

    /// <summary>The property, or a fault and null where it is missing.</summary>
    internal JsonPlace? Need(string name, string what)
    {
        var found = Find(name);
        if (found is null && IsObject)
        {
            Add(new Fault(Path.Length == 0 ? name : $"{Path}.{name}", "this is missing", "write " + what));
        }

        return found;
    }

    internal IEnumerable<JsonPlace> Items()
    {
        if (!IsArray)
        {
            Wrong("a list belongs here", "write [ … ]");
            yield break;
        }

        var index = 0;
        foreach (var item in Element.EnumerateArray())
        {
            yield return new JsonPlace(item, string.Create(CultureInfo.InvariantCulture, $"{Path}[{index++}]"), _context);
        }
    }

    internal IEnumerable<(string Name, JsonPlace Value)> Properties()
    {
        if (!IsObject)
        {
            Wrong("an object belongs here", "write { … }");
            yield break;
        }

        foreach (var property in Element.EnumerateObject())
        {
            yield return (property.Name, At(property.Name, property.Value));
        }
    }

    internal string Text()
    {
        if (!IsText)
        {
            Wrong("a text belongs here", "write it in quotation marks");
            return "";
        }

        var text = Element.GetString()!;
        if (!text.StartsWith('$'))
        {
            return text;
        }

        if (_context.Chosen.TryGetValue(text[1..], out var chosen))
        {
            return chosen;
        }

        Wrong($"the card has no option named \"{text[1..]}\"", "add it under options, or write the value itself");
        return "";
    }

    internal double Number()
    {
        if (Element.ValueKind == JsonValueKind.Number && Element.TryGetDouble(out var number) && double.IsFinite(number))
        {
            return number;
        }

        if (IsChosen && TryChosenNumber(out var chosen))
        {
            return chosen;
        }

        Wrong("a number belongs here", "write it without quotation marks");
        return 0;
    }

    internal double Number(double least, double most)
    {
        var faultsBefore = _context.Faults.Count;
        var number = Number();
        if (_context.Faults.Count == faultsBefore && (number < least || number > most))
        {
            Wrong(
                Invariant($"{number} is out of range"),
                most == double.MaxValue ? Invariant($"write {least} or more") : Invariant($"write a number from {least} to {most}")
            );
        }

        return number;
    }

    internal int Whole(int least, int most = 1_000_000)
    {
        var faultsBefore = _context.Faults.Count;
        var number = Number(least, most);
        if (_context.Faults.Count == faultsBefore && number != Math.Floor(number))
        {
            Wrong(Invariant($"{number} is not a whole number"), "write a whole number");
        }

        return _context.Faults.Count == faultsBefore ? (int)number : least;
    }

    /// <summary>A whole number that may be larger than an <see cref="int"/>.</summary>
    internal long WholeLong(long least, long most)
    {
        var faultsBefore = _context.Faults.Count;
        var number = Number(least, most);
        if (_context.Faults.Count == faultsBefore && number != Math.Floor(number))
        {
            Wrong(Invariant($"{number} is not a whole number"), "write a whole number");
        }

        return _context.Faults.Count == faultsBefore ? (long)number : least;
    }

    internal bool Boolean()
    {
        if (Element.ValueKind is JsonValueKind.True or JsonValueKind.False)
        {
            return Element.GetBoolean();
        }

        Wrong("true or false belongs here", "write true or false");
        return false;
    }

    /// <summary>One of a closed set of words.</summary>
    internal T OneOf<T>(params ReadOnlySpan<(string Word, T Meaning)> words)
    {
        var faultsBefore = _context.Faults.Count;
        var text = Text();
        foreach (var (word, meaning) in words)
        {
            if (word == text)
            {
                return meaning;
            }
        }

        if (_context.Faults.Count == faultsBefore)
        {
            var known = new List<string>();
            foreach (var (word, _) in words)
            {
                known.Add(word);
            }

            Wrong($"\"{text}\" is not known here", "write one of " + string.Join(", ", known));
        }

        return words[0].Meaning;
    }

    private bool TryChosenNumber(out double number)
    {
        number = 0;
        return _context.Chosen.TryGetValue(Element.GetString()![1..], out var text)
            && double.TryParse(text, NumberStyles.Float, CultureInfo.InvariantCulture, out number);
    }

    private JsonPlace At(string name, JsonElement value) => new(value, Path.Length == 0 ? name : $"{Path}.{name}", _context);

    private static string Invariant(FormattableString text) => FormattableString.Invariant(text);
}
