using System.Text.Json;
using KeepTally.Store.Tables;

namespace KeepTally.Store.Practices;

/// <summary>The house rules chosen for a block, as they are stored.</summary>
public static class ChosenRules
{
    /// <summary>Option to choice; what is not named stays as the card has it.</summary>
    public static IReadOnlyDictionary<string, string> Of(Block block) =>
        JsonSerializer.Deserialize<Dictionary<string, string>>(block.OptionsJson)!;

    /// <summary>The same as it is stored.</summary>
    public static string Write(IReadOnlyDictionary<string, string> chosen) => JsonSerializer.Serialize(chosen);
}
