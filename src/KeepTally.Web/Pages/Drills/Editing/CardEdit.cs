using System.Text.Json.Nodes;
using KeepTally.Core.Faults;

namespace KeepTally.Web.Pages.Drills.Editing;

/// <summary>A card as it stands in the editor: its values by their paths, and what is wrong at a path.</summary>
/// <param name="tree">The card.</param>
/// <param name="faults">What is wrong with it; none where faults are not shown yet.</param>
public sealed class CardEdit(JsonObject tree, IReadOnlyList<Fault> faults)
{
    /// <summary>The value at a path of the card, or null.</summary>
    public JsonNode? At(string path) => FieldPath.Find(tree, path);

    /// <summary>How many items the list at a path has.</summary>
    public int Count(string path) => (At(path) as JsonArray)?.Count ?? 0;

    /// <summary>The names of the object at a path.</summary>
    public IReadOnlyList<string> Keys(string path) => [.. (At(path) as JsonObject ?? []).Select(pair => pair.Key)];

    /// <summary>The fault at a path, in words; empty where there is none.</summary>
    public string FaultAt(string path) =>
        string.Join(" ", faults.Where(fault => fault.Path == path).Select(fault => $"{fault.Problem}; {fault.Fix}."));
}
