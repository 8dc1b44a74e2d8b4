using System.Text.Json;
using KeepTally.Core.Identity;
using KeepTally.Core.Json;

namespace KeepTally.Core.Events.Fields;

/// <summary>Whom an event names; may be left out.</summary>
/// <param name="name">The name in the format.</param>
/// <param name="isOfTheSheet">Whether it must be a player of the sheet or of its bench.</param>
internal sealed class PlayerField(string name, bool isOfTheSheet) : Field<PlayerId?>(name), IPlayerField
{
    public bool IsOfTheSheet => isOfTheSheet;

    internal override PlayerId? Of(object? value) => value is string id ? new PlayerId(id) : null;

    internal override object? ValueOf(PlayerId? held) => held?.Value;

    internal override Schema Schema => Schema.TextOf(Limits.LongestWord);

    internal override bool TryTake(ref Utf8JsonReader json, out object? value) =>
        Texts.TryTake(ref json, Limits.LongestWord, out value);

    internal override object? Read(JsonPlace place) => place.Find(Name)?.Limited(Limits.LongestWord);

    internal override void Write(Utf8JsonWriter json, object value) => json.WriteString(Name, (string)value);
}

/// <summary>A field that names a player, whose value is the id.</summary>
internal interface IPlayerField
{
    /// <summary>Whether it must be a player of the sheet or of its bench.</summary>
    bool IsOfTheSheet { get; }
}
