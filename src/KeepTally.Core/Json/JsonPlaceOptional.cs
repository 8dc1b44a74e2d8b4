namespace KeepTally.Core.Json;

/// <summary>Short forms for properties that may be left out or that hold a plain list.</summary>
internal static class JsonPlaceOptional
{
    internal static string TextOr(this JsonPlace place, string name, string otherwise) => place.Find(name)?.Text() ?? otherwise;

    internal static string NeedText(this JsonPlace place, string name, string what)
    {
        if (place.Need(name, what) is not { } found)
        {
            return "";
        }

        var text = found.Text();
        if (text.Length == 0 && found.IsText && found.Element.ValueEquals(""))
        {
            found.Wrong("this is empty", "write " + what);
        }

        return text;
    }

    internal static IReadOnlyList<string> Texts(this JsonPlace place, string name) =>
        place.Find(name) is { } list ? [.. list.Items().Select(item => item.Text())] : [];

    /// <summary>A list of texts, none of which is empty.</summary>
    internal static IReadOnlyList<string> FilledTexts(this JsonPlace place, string name)
    {
        foreach (var item in place.Find(name)?.Items().Where(item => item.Text().Length == 0) ?? [])
        {
            item.Wrong("this text is empty", "write it, or leave it out");
        }

        return place.Texts(name);
    }

    internal static IReadOnlyList<T> List<T>(this JsonPlace place, string name, Func<JsonPlace, T> read) =>
        place.Find(name) is { } list ? [.. list.Items().Select(read)] : [];

    /// <summary>A fault for every item whose id stands earlier in the list too.</summary>
    internal static void NoTwice(this JsonPlace place, string name, IEnumerable<string> ids)
    {
        var seen = new HashSet<string>(StringComparer.Ordinal);
        foreach (var id in ids.Where(id => id.Length > 0 && !seen.Add(id)))
        {
            place.Find(name)?.Wrong($"\"{id}\" stands here twice", "give each its own id");
        }
    }
}
