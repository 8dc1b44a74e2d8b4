using System.Text.Json;
using KeepTally.Core.Identity;
using KeepTally.Core.Json;

namespace KeepTally.Core.Events.Fields;

/// <summary>Whom an event must name.</summary>
/// <param name="name">The name in the format.</param>
/// <param name="what">Who belongs there, for who left it out.</param>
internal sealed class NeededPlayerField(string name, string what) : Field<PlayerId>(name), IPlayerField
{
    public bool IsOfTheSheet => false;

    internal override bool IsNeeded => true;

    internal override PlayerId Of(object? value) => new((string?)value ?? "");

    internal override object? ValueOf(PlayerId held) => held.Value;

    internal override Schema Schema => Schema.TextOf(Limits.LongestWord, 1);

    internal override bool TryTake(ref Utf8JsonReader json, out object? value) =>
        Texts.TryTake(ref json, Limits.LongestWord, out value) && value is not "";

    internal override object? Read(JsonPlace place) =>
        place.NeedText(Name, what).Length > 0 ? place.Find(Name)?.Limited(Limits.LongestWord) : null;

    internal override void Write(Utf8JsonWriter json, object value) => json.WriteString(Name, (string)value);
}
